<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import { renameProfile, setProfileTags } from '../../core/edits/edits'
import CommandItem from '../shared/CommandItem.vue'
import NameDialog from '../shared/NameDialog.vue'
import { saveFile } from '../files/save-file'
import TagsDialog from '../shared/TagsDialog.vue'
import type { LibraryEntry } from '../database/library'
import { profileFile, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'

/** Actions for one profile of the list. One menu serves all rows: it opens at the button of its row. */
const props = defineProps<{
  entry: LibraryEntry
  /** Its index in the list, counted from 0; the number of rows; whether it can be moved. */
  place: number
  count: number
  movable: boolean
  at: HTMLElement
}>()
const emit = defineEmits<{ move: [entry: LibraryEntry, to: number] }>()
const open = defineModel<boolean>({ required: true })
const library = useLibrary()
const macros = useMacros()
const renaming = ref(false)
const tagging = ref(false)
const profile = computed(() => props.entry.profile)

function applyName(name: string): string | undefined {
  const text = t('library.wasRenamedTo', { from: profile.value.name, to: name })
  return library.change(props.entry.id, text, (now) => renameProfile(now, name))
}

const applyTags = (tags: string[]): string | undefined =>
  library.change(props.entry.id, t('library.tagsOfWereChanged2', { name: profile.value.name }), (now) =>
    setProfileTags(now, tags),
  )
</script>

<template>
  <v-menu v-model="open" :activator="at" :open-on-click="false" location="bottom end">
    <v-list role="menu" :aria-label="t('library.moreActionsFor2', { name: profile.name })">
      <CommandItem of="profile.rename" @click="renaming = true" />
      <v-list-item role="menuitem" :title="t('library.tags')" @click="tagging = true" />
      <CommandItem of="profile.duplicate" @click="library.duplicate(entry)" />
      <template v-if="movable">
        <v-list-item
          role="menuitem"
          :title="t('library.moveUp')"
          :disabled="place === 0"
          :aria-disabled="place === 0"
          @click="emit('move', entry, place - 1)"
        />
        <v-list-item
          role="menuitem"
          :title="t('library.moveDown')"
          :disabled="place === count - 1"
          :aria-disabled="place === count - 1"
          @click="emit('move', entry, place + 1)"
        />
      </template>
      <CommandItem of="profile.sheet" :to="`/profile/${entry.id}/cheat-sheet`" />
      <CommandItem of="profile.compare" :to="`/profile/${entry.id}/compare`" />
      <CommandItem of="profile.save" @click="saveFile(profileFile(profile, macros.shelf))" />
      <CommandItem of="profile.delete" @click="library.remove({ id: entry.id, name: profile.name })" />
    </v-list>
  </v-menu>
  <NameDialog
    v-if="renaming"
    v-model="renaming"
    :name="profile.name"
    :apply="applyName"
    :taken="(name) => library.isTaken(name, profile.model)"
  />
  <TagsDialog
    v-if="tagging"
    v-model="tagging"
    :title="t('library.tagsOf2', { name: profile.name })"
    :tags="profile.tags"
    :known="library.tags"
    :apply="applyTags"
  />
</template>

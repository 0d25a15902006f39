<script setup lang="ts">
import { computed, ref } from 'vue'
import { rename, setProfileTags } from '../../core/edits/edits'
import CommandItem from '../shared/CommandItem.vue'
import NameDialog from '../shared/NameDialog.vue'
import { saveFile } from '../shared/save-file'
import TagsDialog from '../shared/TagsDialog.vue'
import type { LibraryEntry } from '../database/library'
import { profileFile, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'

/** What is done with one profile of the list. One menu serves all rows: it opens at the button of the row it is for. */
const props = defineProps<{
  entry: LibraryEntry
  /** Its place in the list, counted from 0; how many there are; whether it can be moved. */
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
  const text = `“${profile.value.name}” is called “${name}” now`
  return library.change(props.entry.id, text, (now) => rename(now, name))
}

const applyTags = (tags: string[]): string | undefined =>
  library.change(props.entry.id, `Tags of “${profile.value.name}” were changed`, (now) =>
    setProfileTags(now, tags),
  )
</script>

<template>
  <v-menu v-model="open" :activator="at" :open-on-click="false" location="bottom end">
    <v-list role="menu" :aria-label="`More for ${profile.name}`">
      <CommandItem of="profile.rename" @click="renaming = true" />
      <v-list-item role="menuitem" title="Tags…" @click="tagging = true" />
      <CommandItem of="profile.duplicate" @click="library.duplicate(entry)" />
      <template v-if="movable">
        <v-list-item
          role="menuitem"
          title="Move up"
          :disabled="place === 0"
          :aria-disabled="place === 0"
          @click="emit('move', entry, place - 1)"
        />
        <v-list-item
          role="menuitem"
          title="Move down"
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
    :title="`Tags of ${profile.name}`"
    :tags="profile.tags"
    :known="library.tags"
    :apply="applyTags"
  />
</template>

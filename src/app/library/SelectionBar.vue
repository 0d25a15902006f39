<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import { DEVICE_MODELS, modelById } from '../../core/device/models'
import type { DeviceModel } from '../../core/device/model'
import { moveProfile } from '../../core/compile/move'
import { setProfileTags } from '../../core/edits/edits'
import { saveFile } from '../files/save-file'
import TagsDialog from '../shared/TagsDialog.vue'
import type { LibraryEntry } from '../database/library'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { profilesFile } from './backup-file'

/** Actions for several profiles at once. */
const props = defineProps<{ chosen: readonly LibraryEntry[]; tags: readonly string[] }>()
const emit = defineEmits<{ done: [] }>()
const library = useLibrary()
const macros = useMacros()
const tagging = ref(false)
const count = computed(() => t('library.oneProfile', { count: props.chosen.length }))
/** Tags that all of them have. */
const common = computed(() =>
  props.tags.filter((tag) => props.chosen.every(({ profile }) => profile.tags.includes(tag))),
)

function tag(next: string[]): undefined {
  const gone = common.value.filter((each) => !next.includes(each))
  library.changeMany(
    t('library.tagsOfWereChanged', { count: count.value }),
    props.chosen.map(({ id }) => id),
    (profile) => setProfileTags(profile, [...profile.tags.filter((each) => !gone.includes(each)), ...next]),
  )
}

async function remove(): Promise<void> {
  const ids = props.chosen.map(({ id }) => id)
  await library.removeMany(ids, t('library.profileWasDeleted', { count: ids.length }))
  emit('done')
}

async function copyTo(model: DeviceModel): Promise<void> {
  for (const { profile } of props.chosen) {
    const from = modelById(profile.model)
    if (from && from.id !== model.id)
      await library.addFromFile(moveProfile(profile, from, model, macros.shelf).profile)
  }
  emit('done')
}
</script>

<template>
  <div
    class="bar mb-2.5 flex flex-wrap items-center gap-2 rounded-6 border border-ink px-3 py-1.5"
    role="toolbar"
    :aria-label="t('library.selectedProfiles')"
  >
    <strong role="status">{{ count }}</strong>
    <v-btn @click="tagging = true">{{ t('library.tags') }}</v-btn>
    <v-btn @click="saveFile(profilesFile(chosen))">{{ t('library.exportAsOneFile') }}</v-btn>
    <v-menu>
      <template #activator="{ props: activator }">
        <v-btn v-bind="activator">{{ t('library.copyToAModel') }} <span aria-hidden="true">▾</span></v-btn>
      </template>
      <v-list role="menu">
        <v-list-item
          v-for="model in DEVICE_MODELS"
          :key="model.id"
          role="menuitem"
          :title="model.name"
          @click="copyTo(model)"
        />
      </v-list>
    </v-menu>
    <v-btn @click="remove">{{ t('library.delete') }}</v-btn>
    <v-btn variant="text" @click="emit('done')">{{ t('library.clearSelection') }}</v-btn>
    <TagsDialog
      v-model="tagging"
      :title="t('library.tagsOf', { count })"
      :tags="common"
      :known="tags"
      :apply="tag"
    />
  </div>
</template>

<script setup lang="ts">
import { listText, t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { checkProfile, findingMessage } from '../../core/checks/checks'
import { differencesBetween } from '../../core/compile/apply-differences'
import { modelById } from '../../core/device/models'
import { shelfOf } from '../../core/document/macro'
import { factoryProfile } from '../../core/terms/profile'
import type { ProfileFile } from '../../core/files/profile-file'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { useFrames } from '../shared/frames'
import { useLibrary } from '../stores/library'

/** A profile outside the library: its contents, its differences from the library, its checks. */
const props = defineProps<{ file: ProfileFile; about: string; heading?: 'h1' | 'h2' }>()
const library = useLibrary()
const profile = computed(() => props.file.profile)
const model = computed(() => modelById(profile.value.model))
const shelf = computed(() => shelfOf(props.file.macros))
const { lights } = useFrames(profile, model)
const BOX = { width: 320, height: 420 }
const scale = computed(() => {
  const { widthMm, heightMm } = model.value?.sheet ?? { widthMm: 1, heightMm: 1 }
  return Math.min(BOX.width / widthMm, BOX.height / heightMm)
})

/** The existing profile with this name and model, or factory settings, for comparison. */
const here = computed(() =>
  library.entries.find(
    (entry) => entry.profile.name === profile.value.name && entry.profile.model === profile.value.model,
  ),
)
const differences = computed(() => {
  if (!model.value) return []
  const { name, computer } = profile.value
  const before = here.value?.profile ?? factoryProfile(model.value, name, computer)
  return differencesBetween(before, profile.value, model.value, shelf.value)
})
const findings = computed(() => (model.value ? checkProfile(profile.value, model.value, shelf.value) : []))
const facts = computed(() => {
  const { macros } = props.file
  return [
    t('library.for', { model: model.value?.name ?? profile.value.model }),
    props.about,
    ...(macros.length > 0 ? [t('library.macroIncluded', { count: macros.length })] : []),
    ...(profile.value.tags.length > 0 ? [listText(profile.value.tags)] : []),
    findings.value.length === 0
      ? t('library.noWarnings')
      : t('library.warning', { count: findings.value.length }),
  ].join(' · ')
})
</script>

<template>
  <div class="grid min-h-0 grid-cols-[360px_minmax(0,1fr)] max-[1100px]:grid-cols-1">
    <div class="drawing sheet grid place-items-center max-[700px]:hidden">
      <DeviceDrawing
        v-if="model"
        :model="model"
        :scale="scale"
        :lights="lights"
        :title="t('library.drawnToScale', { name: model.name })"
      />
    </div>
    <section
      class="flex min-h-0 flex-col gap-2.5 border-s border-line px-7 py-5.5 max-[700px]:p-4"
      :aria-label="t('library.profile')"
    >
      <component :is="heading ?? 'h1'" class="title text-[1.5rem] font-strong">{{ profile.name }}</component>
      <p class="soft">{{ facts }}</p>
      <slot name="asked" />
      <ul v-if="findings.length" class="m-0 ps-4.5 text-pending">
        <li v-for="text in findings.map((finding) => textOf(findingMessage(finding)))" :key="text">
          {{ text }}
        </li>
      </ul>
      <h2>
        {{
          here
            ? t('library.changesFromYour', { name: profile.name })
            : t('library.changesFromFactorySettings')
        }}
      </h2>
      <div class="min-h-0 flex-1 overflow-auto" tabindex="0" :aria-label="t('library.changes')">
        <v-table>
          <tbody>
            <tr v-for="edit in differences" :key="edit.key">
              <th scope="row">{{ textOf(edit.what) }}</th>
              <td class="soft">{{ textOf(edit.from) }}</td>
              <td>{{ textOf(edit.to) }}</td>
            </tr>
            <tr v-if="differences.length === 0">
              <td>{{ t('library.noChangesTheProfilesAreIdentical') }}</td>
            </tr>
          </tbody>
        </v-table>
      </div>
      <footer><slot name="ends" /></footer>
    </section>
  </div>
</template>

<style scoped>
footer {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>

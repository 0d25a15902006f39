<script setup lang="ts">
import { computed } from 'vue'
import { checkProfile, findingText } from '../../core/checks/checks'
import { differencesBetween } from '../../core/compile/take-over'
import { modelById } from '../../core/device/models'
import { shelfOf } from '../../core/document/macro'
import { factoryProfile } from '../../core/document/profile'
import type { ProfileFile } from '../../core/document/profile-file'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { useFrames } from '../shared/frames'
import { useLibrary } from '../stores/library'

/** A profile that is not in the library: what it is, what it would change here, its checks. */
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

/** The profile of this name and model that is here, else the factory's: what it is told by. */
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
    `for ${model.value?.name ?? profile.value.model}`,
    props.about,
    ...(macros.length > 0 ? [`${macros.length} ${macros.length === 1 ? 'macro' : 'macros'} with it`] : []),
    ...(profile.value.tags.length > 0 ? [profile.value.tags.join(', ')] : []),
    findings.value.length === 0 ? 'nothing to check' : `${findings.value.length} to check`,
  ].join(' · ')
})
</script>

<template>
  <div class="preview">
    <div class="drawing sheet">
      <DeviceDrawing
        v-if="model"
        :model="model"
        :scale="scale"
        :lights="lights"
        :title="`${model.name}, drawn to scale`"
      />
    </div>
    <section class="what" aria-label="The profile">
      <component :is="heading ?? 'h1'" class="title">{{ profile.name }}</component>
      <p class="soft">{{ facts }}</p>
      <slot name="asked" />
      <ul v-if="findings.length" class="findings">
        <li v-for="text in findings.map(findingText)" :key="text">{{ text }}</li>
      </ul>
      <h2>
        {{
          here ? `What is other than in your “${profile.name}”` : 'What is other than as the factory has it'
        }}
      </h2>
      <div class="table" tabindex="0" aria-label="What it changes">
        <v-table>
          <tbody>
            <tr v-for="edit in differences" :key="edit.key">
              <th scope="row">{{ edit.what }}</th>
              <td class="soft">{{ edit.from }}</td>
              <td>{{ edit.to }}</td>
            </tr>
            <tr v-if="differences.length === 0">
              <td>Nothing: it is the same.</td>
            </tr>
          </tbody>
        </v-table>
      </div>
      <footer><slot name="ends" /></footer>
    </section>
  </div>
</template>

<style scoped>
.preview {
  display: grid;
  min-height: 0;
  grid-template-columns: 360px minmax(0, 1fr);
}

.drawing {
  display: grid;
  place-items: center;
}

.what {
  display: flex;
  min-height: 0;
  flex-direction: column;
  padding: 22px 28px;
  border-left: 1px solid var(--line);
  gap: 10px;
}

.title {
  font-size: 1.5rem;
  font-weight: 650;
}

.findings {
  padding-left: 18px;
  margin: 0;
  color: var(--pending);
}

.table {
  min-height: 0;
  flex: 1;
  overflow: auto;
}

footer {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}

@media (width < 1100px) {
  .preview {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (width < 700px) {
  .drawing {
    display: none;
  }

  .what {
    padding: 16px;
  }
}
</style>

<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ProfileError } from '../../core/base/refusal'
import { checkProfile } from '../../core/checks/checks'
import { differencesBetween } from '../../core/compile/take-over'
import { modelById } from '../../core/device/models'
import { shelfOf } from '../../core/document/macro'
import { factoryProfile } from '../../core/document/profile'
import type { ProfileFile } from '../../core/document/profile-file'
import { readShared, sharedIn } from '../../core/share/link'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { useFrames } from '../shared/frames'
import { useLibrary } from '../stores/library'
import FileRefusal from '../shared/FileRefusal.vue'
import ProfileClash from './ProfileClash.vue'
import { useProfileFiles } from './profile-files'

/** A link that is a profile, opened: what it is, what it would change here, its checks. Nothing is kept unasked. */
const route = useRoute()
const router = useRouter()
const library = useLibrary()
const { refusal, clash, bring, settle } = useProfileFiles((id) => void router.push(`/profile/${id}/buttons`))

const problems = shallowRef<readonly string[]>()
const found = shallowRef<ProfileFile>()
watch(
  () => route.hash,
  (hash) => {
    found.value = problems.value = undefined
    try {
      found.value = readShared(sharedIn(hash))
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.value = error.problems
    }
  },
  { immediate: true },
)
const profile = computed(() => found.value?.profile)
const model = computed(() => (profile.value ? modelById(profile.value.model) : undefined))
const shelf = computed(() => shelfOf(found.value?.macros ?? []))
const { lights } = useFrames(profile, model)
const scale = computed(() => {
  const { widthMm, heightMm } = model.value?.sheet ?? { widthMm: 1, heightMm: 1 }
  return Math.min(340 / widthMm, 420 / heightMm)
})

/** The profile of this name and model that is here, else the factory's: what it is told by. */
const here = computed(() =>
  library.entries.find(
    (entry) => entry.profile.name === profile.value?.name && entry.profile.model === profile.value.model,
  ),
)
const differences = computed(() => {
  if (!profile.value || !model.value) return []
  const before =
    here.value?.profile ?? factoryProfile(model.value, profile.value.name, profile.value.computer)
  return differencesBetween(before, profile.value, model.value, shelf.value)
})
const findings = computed(() =>
  profile.value && model.value ? checkProfile(profile.value, model.value, shelf.value) : [],
)
const facts = computed(() => {
  const { value } = found
  if (!value) return []
  const { macros } = value
  return [
    ...(macros.length > 0 ? [`${macros.length} ${macros.length === 1 ? 'macro' : 'macros'} with it`] : []),
    ...(value.profile.tags.length > 0 ? [value.profile.tags.join(', ')] : []),
    findings.value.length === 0 ? 'nothing to check' : `${findings.value.length} to check`,
  ]
})
</script>

<template>
  <div class="shared">
    <template v-if="profile && model">
      <div class="drawing sheet">
        <DeviceDrawing
          :model="model"
          :scale="scale"
          :lights="lights"
          :title="`${model.name}, drawn to scale`"
        />
      </div>
      <section class="what">
        <h1>{{ profile.name }}</h1>
        <p class="soft">{{ [`for ${model.name}, by a link`, ...facts].join(' · ') }}</p>
        <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
        <FileRefusal v-if="refusal" v-bind="refusal" />
        <ul v-if="findings.length" class="findings">
          <li v-for="finding in findings" :key="finding.message">{{ finding.message }}</li>
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
        <footer>
          <v-btn to="/library">Leave it</v-btn>
          <v-btn variant="flat" color="ink" @click="found && bring('the link', found)"
            >Keep it in the library</v-btn
          >
        </footer>
      </section>
    </template>
    <v-empty-state
      v-else
      class="sheet refused"
      title="This link cannot be opened"
      :text="problems?.join('; ')"
    >
      <p class="soft">Nothing was changed. Ask for the link again, or for the profile as a file.</p>
      <template #actions>
        <v-btn variant="flat" color="ink" to="/library">Open the library</v-btn>
      </template>
    </v-empty-state>
  </div>
</template>

<style scoped>
.shared {
  display: grid;
  grid-template-columns: 400px minmax(0, 1fr);
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

.refused {
  grid-column: 1 / -1;
}

@media (width < 900px) {
  .shared {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

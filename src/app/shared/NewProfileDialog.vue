<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { computed, ref, watch } from 'vue'
import {
  OPERATING_SYSTEMS,
  OPERATING_SYSTEM_NAMES,
  type OperatingSystem,
} from '../../core/computer/operating-systems'
import { PURPOSES, applyPurpose } from '../../core/compile/purposes'
import { differencesBetween } from '../../core/compile/apply-differences'
import type { DeviceModel } from '../../core/device/model'
import { renameProfile } from '../../core/edits/edits'
import { EditRefused } from '../../core/wording/edit-refused'
import { factoryProfile } from '../../core/terms/profile'
import { useLibrary } from '../stores/library'
import { usePreferences } from '../stores/preferences'
import { thisOperatingSystem } from './this-operating-system'
import { SelectField } from '../../look/SelectField'

/** A new profile: its name, its computer, and its starter, with a list of the starter's changes. */
const props = defineProps<{ model: DeviceModel; slotIndex: number }>()
const emit = defineEmits<{ made: [id: string] }>()
const open = defineModel<boolean>({ required: true })
const library = useLibrary()
const preferences = usePreferences()

const CHOICES = [
  withTexts(
    { id: 'factory' },
    { name: 'shared.factorySettings', about: 'shared.everyInputHasItsFactoryAction' },
  ),
  ...PURPOSES.map(({ id, name, about }) => ({ id, name: textOf(name), about: textOf(about) })),
]
const SYSTEMS = [
  ...OPERATING_SYSTEMS.map((value) => ({ value, title: OPERATING_SYSTEM_NAMES[value] })),
  withTexts({ value: 'open' as const }, { title: 'shared.anySystem' }),
]

const purposeId = ref('factory')
const purpose = computed(() => PURPOSES.find(({ id }) => id === purposeId.value))
/** The person's own name, once they have typed one; until then it follows the starter. */
const typed = ref<string>()
const suggested = computed(() =>
  library.freeName(
    purpose.value ? textOf(purpose.value.name) : t('shared.newDeviceProfile', { model: props.model.name }),
    props.model.id,
  ),
)
const name = computed({ get: () => typed.value ?? suggested.value, set: (text) => (typed.value = text) })
const problem = ref<string>()
/** Asks once; later profiles reuse the last selection. */
const system = ref<OperatingSystem | 'open'>(
  preferences.isSet('system') ? preferences.now.system : (thisOperatingSystem() ?? 'open'),
)
watch([name, system], () => (problem.value = undefined))

const factory = computed(() =>
  factoryProfile(props.model, suggested.value, {
    layout: preferences.now.layout,
    ...(system.value !== 'open' && { system: system.value }),
  }),
)
const selected = computed(() =>
  purpose.value
    ? { ...applyPurpose(factory.value, props.model, purpose.value), name: suggested.value }
    : factory.value,
)
const differences = computed(() => differencesBetween(factory.value, selected.value, props.model))

async function create(): Promise<void> {
  if (library.isTaken(name.value.trim(), props.model.id)) {
    problem.value = t('shared.anotherProfileForHasThisNameEnter', { name: props.model.name })
    return
  }
  try {
    const profile = renameProfile(selected.value, name.value.trim())
    preferences.set('system', system.value)
    const id = await library.attempt(() => library.library.add(profile, props.slotIndex, Date.now()))
    open.value = false
    if (id) emit('made', id)
  } catch (error) {
    if (!(error instanceof EditRefused)) throw error
    problem.value = textOf(error.reason)
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="760" aria-labelledby="new-title">
    <v-card tag="form" @submit.prevent="create">
      <h2 id="new-title">{{ t('shared.newProfileFor', { name: model.name }) }}</h2>
      <div class="grid grid-cols-[minmax(0,1fr)_200px] gap-5 max-[700px]:grid-cols-1">
        <v-text-field
          v-model="name"
          :label="t('shared.name')"
          autocomplete="off"
          autofocus
          :error-messages="problem"
        />
        <SelectField v-model="system" :label="t('shared.operatingSystem')" :items="SYSTEMS" />
      </div>
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-5 max-[700px]:grid-cols-1">
        <v-radio-group v-model="purposeId" class="starters" :aria-label="t('shared.startFrom')">
          <v-radio v-for="{ id, name: starter, about } in CHOICES" :key="id" :value="id">
            <template #label>
              <span class="grid py-1"
                ><strong class="font-semi">{{ starter }}</strong>
                <span class="caption soft">{{ about }}</span></span
              >
            </template>
          </v-radio>
        </v-radio-group>
        <div
          class="max-h-[400px] overflow-auto border-s border-line ps-5 max-[700px]:max-h-[160px]"
          tabindex="0"
          :aria-label="t('shared.changesFromFactorySettings')"
        >
          <p v-if="differences.length === 0" class="soft m-0 py-0.75">
            {{ t('shared.noChangesFromFactorySettings') }}
          </p>
          <p v-for="edit in differences" :key="edit.key" class="m-0 py-0.75">
            {{ textOf(edit.what) }} <span class="soft">{{ textOf(edit.to) }}</span>
          </p>
        </div>
      </div>
      <div class="ends">
        <v-btn @click="open = false">{{ t('shared.cancel') }}</v-btn>
        <v-btn variant="flat" color="ink" type="submit">{{ t('shared.createProfile') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.starters :deep(.v-selection-control) {
  height: auto;
  min-height: 0;
  flex: none;
  align-items: flex-start;
}

.starters :deep(.v-label) {
  height: auto;
  align-items: flex-start;
}
</style>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { PURPOSES, withPurpose } from '../../core/compile/purposes'
import { differencesBetween } from '../../core/compile/take-over'
import type { DeviceModel } from '../../core/device/model'
import { factoryProfile } from '../../core/document/profile'
import { useLibrary } from '../stores/library'
import { usePreferences } from '../stores/preferences'

/** A new profile: as the factory has it, or by what it is for. What each would change is told before. */
const props = defineProps<{ model: DeviceModel; slotIndex: number }>()
const emit = defineEmits<{ made: [id: string] }>()
const open = defineModel<boolean>({ required: true })
const library = useLibrary()
const purposeId = ref('factory')
watch(open, () => (purposeId.value = 'factory'))

const CHOICES = [
  { id: 'factory', name: 'As the factory has it', about: 'Nothing changed: begin from there' },
  ...PURPOSES,
]
const preferences = usePreferences()
const factory = computed(() =>
  factoryProfile(props.model, `New for ${props.model.name}`, preferences.computer),
)
const chosen = computed(() => {
  const purpose = PURPOSES.find(({ id }) => id === purposeId.value)
  return purpose ? { ...withPurpose(factory.value, props.model, purpose), name: purpose.name } : factory.value
})
const differences = computed(() =>
  differencesBetween(factory.value, { ...chosen.value, name: factory.value.name }, props.model),
)

async function make(): Promise<void> {
  const name = library.freeName(chosen.value.name)
  const id = await library.attempt(() =>
    library.library.add({ ...chosen.value, name }, props.slotIndex, Date.now()),
  )
  open.value = false
  if (id) emit('made', id)
}
</script>

<template>
  <v-dialog v-model="open" max-width="760" aria-labelledby="new-title">
    <v-card tag="form" @submit.prevent="make">
      <h2 id="new-title">A new profile for {{ model.name }}</h2>
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-5">
        <v-radio-group v-model="purposeId" class="purposes" aria-label="What it begins from">
          <v-radio v-for="{ id, name, about } in CHOICES" :key="id" :value="id">
            <template #label>
              <span class="grid px-0 py-1.25"
                ><strong class="font-semi">{{ name }}</strong>
                <span class="caption soft">{{ about }}</span></span
              >
            </template>
          </v-radio>
        </v-radio-group>
        <div
          class="max-h-[420px] overflow-auto border-l border-line pl-5"
          tabindex="0"
          aria-label="What it changes"
        >
          <p v-if="differences.length === 0" class="soft m-0 px-0 py-0.75">
            Nothing is other than as the factory has it.
          </p>
          <p v-for="edit in differences" :key="edit.key" class="m-0 px-0 py-0.75">
            {{ edit.what }} <span class="soft">{{ edit.to }}</span>
          </p>
        </div>
      </div>
      <div class="ends">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn variant="flat" color="ink" type="submit">Make it</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.purposes :deep(.v-selection-control),
.purposes :deep(.v-label) {
  height: auto;
  align-items: flex-start;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { LIFT_MM } from '../../core/motion/hand-strokes'
import type { SettingKey } from '../../core/onboard/settings'
import ChoiceRow from '../../look/ChoiceRow.vue'
import type { MotionWork } from './work'
import DebounceSettings from './DebounceSettings.vue'
import SurfaceSettings from './SurfaceSettings.vue'
import type { TryOut } from './try-out'

/** What sensor and switches do beside counting. Each setting shows what it does, with the device's own computation. */
const props = defineProps<{ work: MotionWork; tryOut: TryOut }>()
const settings = computed(() => props.work.settings.value)
const model = computed(() => props.work.model.value)
const liftOffs = computed(() =>
  (model.value?.sensor?.liftOffMm ?? []).map((mm) => ({ value: mm, text: `${mm} mm` })),
)
const SNAPPING = [
  { value: 'off', text: 'off' },
  { value: 'on', text: 'on' },
]
const isPending = (setting: SettingKey) => props.work.pending.value.has(`setting:${setting}`)

const setLiftOff = (mm: number | undefined) =>
  mm !== undefined && props.work.set(`lift-off at ${mm} mm`, { liftOffMm: mm })
const setSnapping = (to: string | undefined) =>
  to && props.work.set(`angle snapping ${to}`, { angleSnapping: to === 'on' })
</script>

<template>
  <div v-if="model">
    <section v-if="settings.angleSnapping !== undefined">
      <h3>Angle snapping <span v-if="isPending('angleSnapping')" class="pending">not on the device</span></h3>
      <div class="row">
        <ChoiceRow
          label="Angle snapping"
          :choices="SNAPPING"
          :model-value="settings.angleSnapping ? 'on' : 'off'"
          @update:model-value="setSnapping"
        />
        <span class="soft"
          >Strokes within 5° of straight come out straight; small corrections are lost. Draw one on the
          left.</span
        >
      </div>
    </section>
    <section v-if="settings.liftOffMm !== undefined">
      <h3>Lift-off distance <span v-if="isPending('liftOffMm')" class="pending">not on the device</span></h3>
      <div class="row">
        <ChoiceRow
          label="Lift-off distance"
          :choices="liftOffs"
          :model-value="settings.liftOffMm"
          @update:model-value="setLiftOff"
        />
        <span class="soft"
          >Lifted higher, the pointer rests while the hand goes back: let one be lifted back on the left, by
          {{ LIFT_MM }} mm.</span
        >
      </div>
    </section>
    <SurfaceSettings v-if="model.sensor?.calibration" :work="work" :try-out="tryOut" />
    <DebounceSettings :work="work" />
  </div>
</template>

<style scoped>
section {
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}

h3 {
  margin: 0 0 6px;
  font-size: 15px;
}

.row {
  display: grid;
  align-items: center;
  gap: 14px;
  grid-template-columns: auto minmax(0, 1fr);
}

.pending {
  color: var(--pending);
  font-size: 12px;
  font-weight: 400;
}
</style>

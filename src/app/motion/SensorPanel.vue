<script setup lang="ts">
import { computed } from 'vue'
import { LIFT_MM } from '../../core/motion/hand-strokes'
import { FACTORY_PRESS_MS, type SettingKey } from '../../core/onboard/settings'
import ChoiceRow from '../../look/ChoiceRow.vue'
import type { MotionWork } from './work'
import NumberField from '../shared/NumberField.vue'
import { bounded } from '../shared/bounded'
import DebounceSettings from './DebounceSettings.vue'
import TermWord from '../shared/TermWord.vue'
import SurfaceSettings from './SurfaceSettings.vue'
import SettingRows from '../shared/SettingRows.vue'
import type { TryOut } from './try-out'

/** What sensor and switches do beside counting. Each setting shows what it does, with the device's own computation. */
const props = defineProps<{ work: MotionWork; tryOut: TryOut }>()
const settings = computed(() => props.work.settings.value)
const model = computed(() => props.work.model.value)
const liftOffs = computed(() =>
  (model.value?.sensor?.liftOffMm ?? []).map((mm) => ({ value: mm, text: `${mm} mm` })),
)
const pressMs = computed(() => settings.value.pressMs ?? FACTORY_PRESS_MS)
const SNAPPING = [
  { value: 'off', text: 'off' },
  { value: 'on', text: 'on' },
]
/** Settings that have a section of their own here. */
const OWN: readonly SettingKey[] = ['angleSnapping', 'liftOffMm', 'debounceMs', 'debounce', 'pressMs']
const isPending = (setting: SettingKey) => props.work.pending.value.has(`setting:${setting}`)

const setLiftOff = (mm: number | undefined) => mm !== undefined && props.work.set({ liftOffMm: mm })
const setPress = bounded(1, 100, 'milliseconds', (pressMs) => props.work.set({ pressMs }))
const setSnapping = (to: string | undefined) => to && props.work.set({ angleSnapping: to === 'on' })
</script>

<template>
  <div v-if="model">
    <section v-if="settings.angleSnapping !== undefined">
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        <TermWord of="angle-snapping">Angle snapping</TermWord>
        <span v-if="isPending('angleSnapping')" class="pending text-12 font-normal text-pending"
          >not on the device</span
        >
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
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
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        <TermWord of="lift-off-distance">Lift-off distance</TermWord>
        <span v-if="isPending('liftOffMm')" class="pending text-12 font-normal text-pending"
          >not on the device</span
        >
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
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
    <section class="presses">
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        Presses of its own
        <span v-if="isPending('pressMs')" class="pending text-12 font-normal text-pending"
          >not on the device</span
        >
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
        <span class="inline-flex items-center gap-1.5">
          <NumberField :value="pressMs" label="Presses of its own, in ms" :apply="setPress" />
          ms
        </span>
        <span class="soft"
          >How long a key stays down that the device presses by itself: by a tap, a turn of the wheel, in a
          text. A game that draws {{ Math.round(1000 / pressMs) }} times a second or more sees it; at least
          two reports.</span
        >
      </div>
    </section>
    <SettingRows
      place="sensor"
      :own="OWN"
      :settings="settings"
      :model="model"
      @set="(change) => work.set(change)"
    />
  </div>
</template>

<style scoped>
section {
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}

.presses {
  border-bottom: 0;
}
</style>

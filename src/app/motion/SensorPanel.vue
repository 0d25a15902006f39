<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { LIFT_MM } from '../../core/motion/hand-strokes'
import { FACTORY_PRESS_MS, type SettingKey } from '../../core/onboard/settings'
import ChoiceRow from '../../look/ChoiceRow.vue'
import type { MotionView } from './motion-view'
import NumberField from '../shared/NumberField.vue'
import { applyBounded } from '../shared/bounded'
import DebounceSettings from './DebounceSettings.vue'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import SurfaceSettings from './SurfaceSettings.vue'
import SettingRows from '../shared/SettingRows.vue'
import type { TryOut } from './try-out'

/** Settings of sensor and switches. Each setting shows its effect, computed like on the device. */
const props = defineProps<{ work: MotionView; tryOut: TryOut }>()
const settings = computed(() => props.work.settings.value)
const model = computed(() => props.work.model.value)
const liftOffs = computed(() =>
  (model.value?.sensor?.liftOffMm ?? []).map((mm) => ({ value: mm, text: t('motion.mm', { mm }) })),
)
const pressMs = computed(() => settings.value.pressMs ?? FACTORY_PRESS_MS)
const SNAPPING = [
  withTexts({ value: 'off' }, { text: 'motion.off' }),
  withTexts({ value: 'on' }, { text: 'motion.on' }),
]
/** Settings with their own section here. */
const OWN: readonly SettingKey[] = ['angleSnapping', 'liftOffMm', 'debounceMs', 'debounce', 'pressMs']
const isPending = (setting: SettingKey) => props.work.pending.value.has(`setting:${setting}`)

const setLiftOff = (mm: number | undefined) => mm !== undefined && props.work.set({ liftOffMm: mm })
const setPress = applyBounded(1, 100, 'shared.enterToMs', (pressMs) => props.work.set({ pressMs }))
const setSnapping = (to: string | undefined) => to && props.work.set({ angleSnapping: to === 'on' })
</script>

<template>
  <div v-if="model">
    <section v-if="settings.angleSnapping !== undefined">
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        <GlossaryTerm of="angle-snapping">{{ t('motion.angleSnapping') }}</GlossaryTerm>
        <span v-if="isPending('angleSnapping')" class="pending text-12 font-normal text-pending">{{
          t('motion.notOnTheDevice')
        }}</span>
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
        <ChoiceRow
          :label="t('motion.angleSnapping')"
          :choices="SNAPPING"
          :model-value="settings.angleSnapping ? 'on' : 'off'"
          @update:model-value="setSnapping"
        />
        <span class="soft">{{ t('motion.strokesWithin5OfHorizontalOr') }}</span>
      </div>
    </section>
    <section v-if="settings.liftOffMm !== undefined">
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        <GlossaryTerm of="lift-off-distance">{{ t('motion.liftOffDistance') }}</GlossaryTerm>
        <span v-if="isPending('liftOffMm')" class="pending text-12 font-normal text-pending">{{
          t('motion.notOnTheDevice')
        }}</span>
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
        <ChoiceRow
          :label="t('motion.liftOffDistance')"
          :choices="liftOffs"
          :model-value="settings.liftOffMm"
          @update:model-value="setLiftOff"
        />
        <span class="soft">{{ t('motion.aboveThisHeightTheSensorStops', { liftMm: LIFT_MM }) }}</span>
      </div>
    </section>
    <SurfaceSettings v-if="model.sensor?.calibration" :work="work" :try-out="tryOut" />
    <DebounceSettings :work="work" />
    <section class="presses">
      <h3 class="mx-0 mt-0 mb-1.5 text-15">
        {{ t('motion.keyHoldTime') }}
        <span v-if="isPending('pressMs')" class="pending text-12 font-normal text-pending">{{
          t('motion.notOnTheDevice')
        }}</span>
      </h3>
      <div class="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-3.5">
        <span class="inline-flex items-center gap-1.5">
          <NumberField :value="pressMs" :label="t('motion.keyHoldTimeInMs')" :apply="setPress" />
          {{ t('motion.ms2') }}
        </span>
        <span class="soft">{{
          t('motion.howLongTheDeviceHoldsAKey', { fps: Math.round(1000 / pressMs) })
        }}</span>
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

<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { mdiClose, mdiDragVertical, mdiMinus, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import { turnMm } from '../../core/motion/feel'
import { handDistanceMm } from '../../core/motion/steps'
import type { SensorData } from '../../core/device/model'
import type { StepChange } from '../../core/edits/motion-edits'
import type { Step } from '../../core/document/schema'
import ColourField from '../shared/ColourField.vue'
import MoveButtons from '../shared/MoveButtons.vue'
import EditTextField from '../shared/EditTextField.vue'
import DpiField from './DpiField.vue'
import { decimal, lengthText } from '../shared/numbers'
import { usePreferences } from '../stores/preferences'

/** One step: its name, its colour, its DPI for X and Y, the hand movement it needs, its place in the list. */
const props = defineProps<{
  step: Step
  before: Step | undefined
  index: number
  count: number
  standard: boolean
  tried: boolean
  sensor: SensorData
  pending: boolean
  feel: { screenPx: number; degreesPerCount: number }
  change: (change: StepChange) => string | undefined
}>()
const emit = defineEmits<{ standard: []; try: []; move: [to: number]; remove: [] }>()
const preferences = usePreferences()
const inches = computed(() => preferences.now.lengths === 'inches')
const hand = (mm: number, digits: number, unit: 'mm' | 'cm') =>
  lengthText(mm, digits, preferences.now.lengths, unit)
const title = computed(() => t('motion.step2', { number: props.index + 1 }))
const split = computed(() => props.step.dpiY !== undefined)
const factor = computed(() => props.before && props.step.dpi / props.before.dpi)
const screen = computed(() => handDistanceMm(props.feel.screenPx, props.step.dpi))
const turn = computed(() => turnMm(props.step.dpi, props.feel.degreesPerCount) / 10)
const degreesPerCm = computed(() => 360 / turn.value)
const perLength = () => {
  const degrees = t('motion.text2', { degrees: decimal(degreesPerCm.value * (inches.value ? 2.54 : 1), 1) })
  return inches.value ? t('motion.perInch', { degrees }) : t('motion.perCm', { degrees })
}
const nudge = (by: number) => props.change({ dpi: props.step.dpi + by * props.sensor.resolutionDpi })

function toggleSplit(): void {
  const { dpi, dpiY } = props.step
  const { resolutionDpi, minDpi } = props.sensor
  props.change({ dpiY: dpiY === undefined ? Math.max(minDpi, dpi - resolutionDpi) : dpi })
}
</script>

<template>
  <li
    class="grid grid-cols-[18px_28px_minmax(76px,1fr)_100px_auto_auto_auto] items-start gap-x-2 gap-y-0.75 border-b border-line px-1 pt-1.5 pb-1.25 max-[1240px]:grid-cols-[18px_28px_minmax(60px,1fr)_100px_auto]"
    :class="{ tried }"
  >
    <span
      class="grip row-[1/3] grid cursor-grab items-center self-stretch text-ink-faint max-[1240px]:row-[1/4]"
      :title="t('motion.dragToReorder')"
      aria-hidden="true"
      ><v-icon :icon="mdiDragVertical"
    /></span>
    <v-btn
      variant="flat"
      class="place mono"
      :aria-pressed="tried"
      :aria-label="t('motion.tryStep', { number: index + 1 })"
      :title="t('motion.tryStepOnTheLeft', { number: index + 1 })"
      :style="{ '--colour': step.colour }"
      @click="emit('try')"
    >
      {{ index + 1 }}
    </v-btn>
    <EditTextField
      class="name in-row font-semi"
      :value="step.name ?? ''"
      :placeholder="title"
      :aria-label="t('motion.nameOfStep', { number: index + 1 })"
      :apply="(name) => change({ name })"
    />
    <ColourField
      :colour="step.colour"
      :label="t('motion.colourOfStep', { number: index + 1 })"
      @change="(colour) => change({ colour })"
    />
    <span class="dpi">
      <v-btn
        icon
        size="small"
        :aria-label="t('motion.decreaseStep', { number: index + 1 })"
        :disabled="step.dpi <= sensor.minDpi"
        @click="nudge(-1)"
      >
        <v-icon :icon="mdiMinus" />
      </v-btn>
      <DpiField
        :dpi="step.dpi"
        :sensor
        :label="t('motion.stepInDpi', { number: index + 1 })"
        :apply="(dpi) => change({ dpi })"
      />
      <v-btn
        icon
        size="small"
        :aria-label="t('motion.increaseStep', { number: index + 1 })"
        :disabled="step.dpi >= sensor.maxDpi"
        @click="nudge(1)"
      >
        <v-icon :icon="mdiPlus" />
      </v-btn>
    </span>
    <v-radio
      class="max-[1240px]:col-[2/5]"
      name="default-step"
      :label="t('motion.default')"
      :aria-label="t('motion.makeStepTheDefault', { number: index + 1 })"
      :model-value="standard"
      @update:model-value="emit('standard')"
    />
    <span class="ends max-[1240px]:justify-self-end">
      <MoveButtons
        :what="t('motion.step', { step: index + 1 })"
        :place="index"
        :count="count"
        @move="(to) => emit('move', to)"
      />
      <v-btn
        icon
        size="small"
        variant="text"
        :aria-label="t('motion.removeStep', { number: index + 1 })"
        :disabled="count === 1"
        @click="emit('remove')"
      >
        <v-icon :icon="mdiClose" />
      </v-btn>
    </span>
    <p class="feel caption col-[2/-1] flex flex-wrap items-center gap-x-3 gap-y-0.5">
      <span
        ><RichMessage message="motion.acrossTheScreen">
          <template #distance
            ><b class="mono">{{ hand(screen, screen < 20 ? 1 : 0, 'mm') }}</b></template
          >
        </RichMessage></span
      >
      <span
        ><RichMessage message="motion.perFullTurn" :facts="{ turn: perLength() }">
          <template #distance
            ><b class="mono">{{ hand(10 * turn, 1, 'cm') }}</b></template
          >
        </RichMessage></span
      >
      <span v-if="factor"
        ><RichMessage message="motion.step3" :facts="{ step: index }">
          <template #factor
            ><b class="mono">{{ t('motion.text3', { factor: decimal(factor, 2) }) }}</b></template
          >
        </RichMessage></span
      >
      <span v-if="pending" class="pending">{{ t('motion.notOnTheDevice') }}</span>
      <span v-if="sensor.splitAxes" class="ms-auto inline-flex items-center gap-1">
        <v-checkbox
          :label="t('motion.separateXAndY')"
          :model-value="split"
          @update:model-value="toggleSplit"
        />
        <DpiField
          v-if="step.dpiY !== undefined"
          :dpi="step.dpiY"
          :sensor
          :label="t('motion.stepOnTheYAxisInDpi', { number: index + 1 })"
          :apply="(dpiY) => change({ dpiY })"
        />
      </span>
    </p>
  </li>
</template>

<style scoped>
.tried {
  background: var(--motion-wash);
}

.place.v-btn {
  --v-btn-height: 26px;

  width: 28px;
  border: 3px solid var(--colour);
  background: var(--paper-high);
}

.name :deep(.v-field:not(:hover, .v-field--focused)) {
  background: transparent;
}

.name :deep(.v-field:not(:hover, .v-field--focused) .v-field__outline) {
  color: transparent;
}

.tried .place.v-btn {
  background: var(--ink);
  color: var(--paper);
}

.dpi,
.ends {
  display: flex;
  gap: 3px;
}

.ends {
  gap: 0;
}

.feel b {
  color: var(--ink);
  font-weight: 500;
}

/* If there is no room for one line, the default and the order have their own. */

.pending {
  color: var(--pending);
}
</style>

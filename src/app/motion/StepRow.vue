<script setup lang="ts">
import { mdiClose, mdiDragVertical, mdiMinus, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import { turnMm } from '../../core/motion/feel'
import { handDistanceMm } from '../../core/motion/steps'
import type { SensorData } from '../../core/device/model'
import type { StepChange } from '../../core/edits/motion-edits'
import type { Step } from '../../core/document/schema'
import ColourField from '../shared/ColourField.vue'
import MoveButtons from '../shared/MoveButtons.vue'
import WordsField from '../shared/WordsField.vue'
import DpiField from './DpiField.vue'
import { decimal, lengthText } from '../shared/numbers'
import { usePreferences } from '../stores/preferences'

/** One step: what it is called, its colour, its DPI both ways, what the hand feels, its place in the row. */
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
const title = computed(() => `Step ${props.index + 1}`)
const split = computed(() => props.step.dpiY !== undefined)
const factor = computed(() => props.before && props.step.dpi / props.before.dpi)
const screen = computed(() => handDistanceMm(props.feel.screenPx, props.step.dpi))
const turn = computed(() => turnMm(props.step.dpi, props.feel.degreesPerCount) / 10)
const degreesPerCm = computed(() => 360 / turn.value)
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
      title="Drag to another place"
      aria-hidden="true"
      ><v-icon :icon="mdiDragVertical"
    /></span>
    <v-btn
      variant="flat"
      class="place mono"
      :aria-pressed="tried"
      :aria-label="`Try ${title.toLowerCase()}`"
      :title="`Try ${title.toLowerCase()} on the left`"
      :style="{ '--colour': step.colour }"
      @click="emit('try')"
    >
      {{ index + 1 }}
    </v-btn>
    <WordsField
      class="name in-row font-semi"
      :value="step.name ?? ''"
      :placeholder="title"
      :aria-label="`Name of ${title.toLowerCase()}`"
      :apply="(name) => change({ name })"
    />
    <ColourField
      :colour="step.colour"
      :label="`Colour of ${title.toLowerCase()}`"
      @change="(colour) => change({ colour })"
    />
    <span class="dpi">
      <v-btn
        icon
        size="small"
        :aria-label="`${title} lower`"
        :disabled="step.dpi <= sensor.minDpi"
        @click="nudge(-1)"
      >
        <v-icon :icon="mdiMinus" />
      </v-btn>
      <DpiField :dpi="step.dpi" :sensor :label="`${title} in DPI`" :apply="(dpi) => change({ dpi })" />
      <v-btn
        icon
        size="small"
        :aria-label="`${title} higher`"
        :disabled="step.dpi >= sensor.maxDpi"
        @click="nudge(1)"
      >
        <v-icon :icon="mdiPlus" />
      </v-btn>
    </span>
    <v-radio
      class="max-[1240px]:col-[2/5]"
      name="default-step"
      label="default"
      :aria-label="`${title} is the default`"
      :model-value="standard"
      @update:model-value="emit('standard')"
    />
    <span class="ends max-[1240px]:justify-self-end">
      <MoveButtons
        :what="title.toLowerCase()"
        :place="index"
        :count="count"
        @move="(to) => emit('move', to)"
      />
      <v-btn
        icon
        size="small"
        variant="text"
        :aria-label="`Remove ${title.toLowerCase()}`"
        :disabled="count === 1"
        @click="emit('remove')"
      >
        <v-icon :icon="mdiClose" />
      </v-btn>
    </span>
    <p class="feel caption col-[2/-1] flex flex-wrap items-center gap-x-3 gap-y-0.5">
      <span
        ><b class="mono">{{ hand(screen, screen < 20 ? 1 : 0, 'mm') }}</b> across the screen</span
      >
      <span
        ><b class="mono">{{ hand(10 * turn, 1, 'cm') }}</b> a full turn,
        <b class="mono">{{ decimal(degreesPerCm * (inches ? 2.54 : 1), 1) }}°</b>
        {{ inches ? 'an inch' : 'a cm' }}</span
      >
      <span v-if="factor"
        ><b class="mono">× {{ decimal(factor, 2) }}</b> from step {{ index }}</span
      >
      <span v-if="pending" class="pending">not on the device</span>
      <span v-if="sensor.splitAxes" class="ml-auto inline-flex items-center gap-1">
        <v-checkbox label="separate X and Y" :model-value="split" @update:model-value="toggleSplit" />
        <DpiField
          v-if="step.dpiY !== undefined"
          :dpi="step.dpiY"
          :sensor
          :label="`${title} in Y, in DPI`"
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

/* Where there is no room for one line, choice and order have one of their own. */

.pending {
  color: var(--pending);
}
</style>

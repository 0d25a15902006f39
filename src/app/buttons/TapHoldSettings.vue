<script setup lang="ts">
import { t, textOf, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { TAP_HOLD_MS } from '../../core/document/action-schema'
import { actionMessage } from '../../core/text/action-text'
import { type ActionContext } from '../../core/text/context'
import type { TapHold } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { applyBounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** The hold threshold, with a diagram of the results. */
const props = defineProps<{ action: TapHold; context: ActionContext }>()
const emit = defineEmits<{ change: [action: TapHold] }>()

const WAYS = [
  withTexts(
    { value: 'time' },
    { text: 'buttons.onlyAfterTheDelay', about: 'buttons.otherInputsPressedBeforeThe' },
  ),
  withTexts(
    { value: 'press' },
    { text: 'buttons.alsoOnAnotherPress', about: 'buttons.pressingAnotherInputBeforeThe' },
  ),
] as const
const { min, max, step } = TAP_HOLD_MS
/** The nearest supported value. */
const setThreshold = applyBounded(min, max, 'shared.enterToMs', (ms) => {
  const thresholdMs = Math.round(ms / step) * step
  if (thresholdMs !== props.action.thresholdMs) emit('change', { ...props.action, thresholdMs })
})

/** The diagram in px: its threshold is always at the same place. */
const EDGE = 62
const LIMIT = 150
const END = 300
const tap = computed(() => textOf(actionMessage(props.action.tap, props.context)))
const hold = computed(() => textOf(actionMessage(props.action.hold, props.context)))
const short = (text: string) => (text.length > 19 ? `${text.slice(0, 18)}…` : text)
</script>

<template>
  <div class="grid items-center gap-x-4 gap-y-1 border-s-3 border-layer bg-paper-high px-2.5 py-2">
    <div class="flex flex-wrap items-center gap-x-4.5 gap-y-1.5">
      <span class="flow gap-x-1.5">
        {{ t('buttons.holdThreshold') }}
        <NumberField
          :value="action.thresholdMs"
          :label="t('buttons.holdThresholdInMs')"
          :step="step"
          :apply="setThreshold"
          @keydown.enter.stop
        />
        {{ t('buttons.ms') }}
      </span>
      <ChoiceRow
        :label="t('buttons.startOfAHold')"
        :choices="WAYS"
        :model-value="action.decide"
        @update:model-value="(decide) => decide && emit('change', { ...action, decide })"
      />
    </div>
    <svg
      class="max-w-full text-12"
      width="330"
      height="88"
      viewBox="0 -6 330 94"
      role="img"
      :aria-label="t('buttons.releasedBeforeMsHeldLonger', { thresholdMs: action.thresholdMs, tap, hold })"
    >
      <line class="stroke-ink-faint [stroke-dasharray:3_3]" :x1="LIMIT" :x2="LIMIT" y1="10" y2="84" />
      <text class="mark fill-ink-soft" :x="LIMIT" y="8" text-anchor="middle">
        {{ t('buttons.ms2', { thresholdMs: action.thresholdMs }) }}
      </text>
      <text class="fill-ink-soft" x="0" y="28">{{ t('buttons.tap2') }}</text>
      <path
        class="fill-none stroke-ink stroke-[1.5]"
        :d="`M${EDGE - 22} 33 H${EDGE} V18 H${EDGE + 52} V33 H${END}`"
      />
      <text class="result fill-ink-soft" :x="LIMIT + 6" y="28">{{ short(tap) }}</text>
      <text class="fill-ink-soft" x="0" y="54">{{ t('buttons.hold') }}</text>
      <path
        class="fill-none stroke-ink stroke-[1.5]"
        :d="`M${EDGE - 22} 58 H${EDGE} V44 H${END - 20} V58 H${END}`"
      />
      <text class="result fill-ink-soft" :x="LIMIT + 6" y="56">{{ short(hold) }}</text>
      <template v-if="action.decide === 'press'">
        <text class="fill-ink-soft" x="0" y="80">{{ t('buttons.press') }}</text>
        <path
          class="fill-none stroke-ink stroke-[1.5]"
          :d="`M${EDGE - 22} 84 H${EDGE} V70 H${END - 20} V84 H${END}`"
        />
        <line class="stroke-layer stroke-2" :x1="EDGE + 44" :x2="EDGE + 44" y1="66" y2="86" />
        <text class="result fill-ink-soft" :x="EDGE + 50" y="82">{{ short(hold) }}</text>
      </template>
    </svg>
    <p class="caption col-span-full">
      <GlossaryTerm of="tap-and-hold">{{ t('buttons.tapAndHold') }}</GlossaryTerm>:
      {{
        action.decide === 'press'
          ? t('buttons.pressingAnotherInputBeforeThe2')
          : t('buttons.otherInputsPressedBeforeThe2')
      }}
    </p>
  </div>
</template>

<style scoped>
.result {
  fill: var(--layer);
  paint-order: stroke;
  stroke: var(--paper-high);
  stroke-width: 4px;
  font-weight: 600;
}
</style>

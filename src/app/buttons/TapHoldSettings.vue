<script setup lang="ts">
import { computed } from 'vue'
import { TAP_HOLD_MS } from '../../core/document/action-schema'
import { actionText } from '../../core/text/action-text'
import { type ActionContext } from '../../core/text/context'
import type { TapHold } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { bounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import TermWord from '../shared/TermWord.vue'

/** How a tap is told from a hold, with a diagram of what happens when. */
const props = defineProps<{ action: TapHold; context: ActionContext }>()
const emit = defineEmits<{ change: [action: TapHold] }>()

const WAYS = [
  {
    value: 'time',
    text: 'by time alone',
    about: 'Other inputs pressed meanwhile do what they do on their own',
  },
  {
    value: 'press',
    text: 'or by another press',
    about: 'Another input pressed meanwhile makes it a hold at once',
  },
] as const
const { least, most, grid } = TAP_HOLD_MS
/** The nearest that the device can tell. */
const setThreshold = bounded(least, most, 'ms', (ms) => {
  const thresholdMs = Math.round(ms / grid) * grid
  if (thresholdMs !== props.action.thresholdMs) emit('change', { ...props.action, thresholdMs })
})

/** The diagram in px: its threshold stays where it is, whatever it is in ms. */
const EDGE = 62
const LIMIT = 150
const END = 300
const tap = computed(() => actionText(props.action.tap, props.context))
const hold = computed(() => actionText(props.action.hold, props.context))
const short = (text: string) => (text.length > 19 ? `${text.slice(0, 18)}…` : text)
</script>

<template>
  <div class="grid items-center gap-x-4 gap-y-1 border-l-3 border-layer bg-paper-high px-2.5 py-2">
    <div class="flex flex-wrap items-center gap-x-4.5 gap-y-1.5">
      <span class="flow gap-x-1.5">
        Told apart after
        <NumberField
          :value="action.thresholdMs"
          label="Told apart after, in ms"
          :step="grid"
          :apply="setThreshold"
          @keydown.enter.stop
        />
        ms
      </span>
      <ChoiceRow
        label="How a hold is told"
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
      :aria-label="`Let go before ${action.thresholdMs} ms: ${tap}. Still down then: ${hold}.`"
    >
      <line class="stroke-ink-faint [stroke-dasharray:3_3]" :x1="LIMIT" :x2="LIMIT" y1="10" y2="84" />
      <text class="mark fill-ink-soft" :x="LIMIT" y="8" text-anchor="middle">
        {{ action.thresholdMs }} ms
      </text>
      <text class="fill-ink-soft" x="0" y="28">tap</text>
      <path
        class="fill-none stroke-ink stroke-[1.5]"
        :d="`M${EDGE - 22} 33 H${EDGE} V18 H${EDGE + 52} V33 H${END}`"
      />
      <text class="result fill-ink-soft" :x="LIMIT + 6" y="28">{{ short(tap) }}</text>
      <text class="fill-ink-soft" x="0" y="54">hold</text>
      <path
        class="fill-none stroke-ink stroke-[1.5]"
        :d="`M${EDGE - 22} 58 H${EDGE} V44 H${END - 20} V58 H${END}`"
      />
      <text class="result fill-ink-soft" :x="LIMIT + 6" y="56">{{ short(hold) }}</text>
      <template v-if="action.decide === 'press'">
        <text class="fill-ink-soft" x="0" y="80">press</text>
        <path
          class="fill-none stroke-ink stroke-[1.5]"
          :d="`M${EDGE - 22} 84 H${EDGE} V70 H${END - 20} V84 H${END}`"
        />
        <line class="stroke-layer stroke-2" :x1="EDGE + 44" :x2="EDGE + 44" y1="66" y2="86" />
        <text class="result fill-ink-soft" :x="EDGE + 50" y="82">{{ short(hold) }}</text>
      </template>
    </svg>
    <p class="caption col-span-full">
      <TermWord of="tap-and-hold">Tap and hold</TermWord>:
      {{
        action.decide === 'press'
          ? 'pressing another input before the threshold makes it a hold at once: fast chords work.'
          : 'until the threshold other inputs do what they do on their own: nothing happens by accident.'
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

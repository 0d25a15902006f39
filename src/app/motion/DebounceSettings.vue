<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { computed, ref } from 'vue'
import { debounced } from '../../core/motion/debounce'
import type { DebounceStrategy } from '../../core/onboard/settings'
import { debounceOutcome, wornClicks } from '../../core/motion/worn-switch'
import ChoiceRow from '../../look/ChoiceRow.vue'
import FigureChart from '../shared/late-chart'
import type { MotionWork } from './work'
import { decimal } from '../shared/numbers'
import TermWord from '../shared/TermWord.vue'

/** How a bouncing contact becomes presses: one bounce as a diagram, a worn switch over every time that can be set. */
const props = defineProps<{ work: MotionWork }>()
const model = computed(() => props.work.model.value)
const most = computed(() => model.value?.debounce.mostMs)
const setting = computed(() => ({
  ms: props.work.settings.value.debounceMs ?? model.value?.debounce.ms ?? 0,
  strategy: props.work.settings.value.debounce ?? model.value?.debounce.strategy ?? 'eager',
}))
const isPending = computed(() =>
  ['setting:debounceMs', 'setting:debounce'].some((key) => props.work.pending.value.has(key)),
)
const STRATEGIES: { value: DebounceStrategy; text: string; about: string }[] = [
  {
    value: 'eager',
    text: 'sent at the first touch',
    about: 'The contact is left alone for so long afterwards',
  },
  { value: 'deferred', text: 'sent once it is quiet', about: 'Once the contact has rested for so long' },
]
const strategyText = computed(() => STRATEGIES.find(({ value }) => value === setting.value.strategy)?.text)
const WEARS = [
  { value: 0.15, text: 'nearly new' },
  { value: 0.6, text: 'worn' },
  { value: 1, text: 'worn out' },
]
const wear = ref(0.6)

function setMs(debounceMs: number): void {
  props.work.set({ debounceMs }, 'debounce')
}
const setStrategy = (debounce: DebounceStrategy | undefined) => debounce && props.work.set({ debounce })

/** One press of a worn switch that loses touch in the middle, in µs. */
const EDGES = [
  ...[0, 300, 700, 900, 1500].map((atUs, index) => ({ atUs, closed: index % 2 === 0 })),
  ...[14_000, 20_500].map((atUs, index) => ({ atUs, closed: index % 2 === 1 })),
  ...[42_000, 42_500, 43_100].map((atUs, index) => ({ atUs, closed: index % 2 === 1 })),
]
const SHOWN_MS = 70
const out = computed(() =>
  debounced(EDGES, { strategy: setting.value.strategy, us: setting.value.ms * 1000 }).map(
    ({ atUs, down }) => ({
      atUs,
      closed: down,
    }),
  ),
)
const presses = computed(() => out.value.filter(({ closed }) => closed).length)
const x = (us: number) => 70 + (us / 1000 + 6) * (560 / (SHOWN_MS + 6))
/** A contact over time as a line that is up while it is closed. */
function wave(edges: { atUs: number; closed: boolean }[], top: number): string {
  const y = (closed: boolean) => (closed ? top : top + 22)
  const steps = edges.map(({ atUs, closed }) => `H${x(atUs).toFixed(1)}V${y(closed)}`)
  return `M${x(-6000)} ${y(false)}${steps.join('')}H${x(SHOWN_MS * 1000)}`
}

const CLICKS = 600
const series = computed(() => wornClicks(CLICKS, { wear: wear.value, seed: 5 }))
const outcomes = computed(() => {
  const steps = Array.from({ length: (most.value ?? 20) + 1 }, (_, ms) => ms)
  const of = (strategy: DebounceStrategy) => steps.map((ms) => debounceOutcome(series.value, strategy, ms))
  return { eager: of('eager'), deferred: of('deferred') }
})
const here = computed(() => debounceOutcome(series.value, setting.value.strategy, setting.value.ms))
const lines = computed(() => {
  const { eager, deferred } = outcomes.value
  const doubled = (of: typeof eager) => of.map((each) => [each.ms, 100 * each.doubled] as const)
  return [
    { name: 'double clicks, at the first touch', points: doubled(eager), colour: '--bar-binding' },
    { name: 'double clicks, once quiet', points: doubled(deferred), colour: '--bar-motion' },
    {
      name: 'delay added, once quiet',
      colour: '--bar-motion',
      dashed: true,
      right: true,
      points: deferred.map((each) => [each.ms, each.delayMs] as const),
    },
  ]
})
const rows = computed(() =>
  outcomes.value.eager.map(({ ms, doubled }, index) => {
    const deferred = itemAt(outcomes.value.deferred, index)
    return [ms, decimal(100 * doubled, 1), decimal(100 * deferred.doubled, 1), decimal(deferred.delayMs, 2)]
  }),
)
</script>

<template>
  <section class="grid gap-2 px-0 py-3">
    <h3 class="m-0 text-15">
      <TermWord of="debounce">Debounce</TermWord>
      <span v-if="isPending" class="pending text-12 font-normal text-pending">not on the device</span>
    </h3>
    <div v-if="most !== undefined" class="flow">
      <span class="mono w-11.5">{{ setting.ms }} ms</span>
      <v-slider
        class="w-[190px]"
        :max="most"
        :step="1"
        :model-value="setting.ms"
        aria-label="Debounce in ms"
        @update:model-value="setMs"
      />
      <ChoiceRow
        label="Debounce strategy"
        :choices="STRATEGIES"
        :model-value="setting.strategy"
        @update:model-value="setStrategy"
      />
    </div>
    <p v-else class="soft">{{ model?.name }} has {{ setting.ms }} ms, {{ strategyText }}, fixed.</p>
    <svg
      class="w-full max-w-[640px] overflow-visible"
      viewBox="0 0 640 88"
      role="img"
      :aria-label="`One press of a worn switch comes out as ${presses}`"
    >
      <text class="fill-ink-faint text-12" x="0" y="22">contact</text>
      <path class="contact" :d="wave(EDGES, 8)" />
      <text class="fill-ink-faint text-12" x="0" y="62">sent</text>
      <path class="sent" :d="wave(out, 48)" />
      <g v-for="ms in [0, 10, 20, 30, 40, 50, 60]" :key="ms">
        <line class="stroke-line-strong" :x1="x(ms * 1000)" :x2="x(ms * 1000)" y1="76" y2="80" />
        <text class="fill-ink-faint text-12" :x="x(ms * 1000)" y="88" text-anchor="middle">{{ ms }}</text>
      </g>
    </svg>
    <p class="soft">
      One press that bounces and loses touch after 14 ms: sent as
      <b>{{ presses === 1 ? 'one press' : `${presses} presses` }}</b>,
      {{ setting.strategy === 'eager' ? 'at once' : `${setting.ms} ms after it came to rest` }}.
    </p>
    <div class="flow">
      <span>Over {{ CLICKS }} clicks of a switch that is</span>
      <ChoiceRow v-model="wear" label="Wear of the switch" :choices="WEARS" />
    </div>
    <FigureChart
      title="Double clicks against delay"
      :result="`As set, ${decimal(100 * here.doubled, 1)}% of clicks come out double, ${decimal(here.delayMs, 1)} ms later.`"
      :lines="lines"
      :x="{ name: 'debounce, ms', min: 0, max: most ?? 20 }"
      :y="{ name: '% doubled', min: 0 }"
      :y2="{ name: 'ms later', min: 0 }"
      :marks="[{ at: setting.ms, name: 'set' }]"
      :columns="['ms', 'at the first touch, %', 'once quiet, %', 'once quiet, delay in ms']"
      :rows="rows"
    />
    <p>
      As set: <b class="mono">{{ decimal(100 * here.doubled, 1) }} %</b> of clicks come out double,
      <b class="mono">{{ decimal(here.delayMs, 1) }} ms</b> later.
    </p>
  </section>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.sent {
  stroke: var(--bar-motion);
  stroke-width: 2.5;
}
</style>

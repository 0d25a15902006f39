<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { itemAt } from '../../core/base/items'
import { computed, ref } from 'vue'
import { debounceEdges } from '../../core/motion/debounce'
import type { DebounceStrategy } from '../../core/onboard/settings'
import { debounceOutcome, simulateClicks } from '../../core/motion/worn-switch'
import ChoiceRow from '../../look/ChoiceRow.vue'
import FigureChart from '../shared/late-chart'
import type { MotionView } from './motion-view'
import { decimal } from '../shared/numbers'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** How a bouncing contact becomes presses: one bounce as a diagram, and a worn switch over all debounce times. */
const props = defineProps<{ work: MotionView }>()
const model = computed(() => props.work.model.value)
const max = computed(() => model.value?.debounce.maxMs)
const setting = computed(() => ({
  ms: props.work.settings.value.debounceMs ?? model.value?.debounce.ms ?? 0,
  strategy: props.work.settings.value.debounce ?? model.value?.debounce.strategy ?? 'eager',
}))
const isPending = computed(() =>
  ['setting:debounceMs', 'setting:debounce'].some((key) => props.work.pending.value.has(key)),
)
const STRATEGIES: { value: DebounceStrategy; text: string; about: string }[] = [
  withTexts(
    { value: 'eager' },
    { text: 'motion.sendOnFirstContact', about: 'motion.ignoresTheContactForThisLongAfter' },
  ),
  withTexts(
    { value: 'deferred' },
    { text: 'motion.sendWhenStable', about: 'motion.waitsUntilTheContactHasBeenStable' },
  ),
]
const strategyText = computed(() => STRATEGIES.find(({ value }) => value === setting.value.strategy)?.text)
const WEARS = [
  withTexts({ value: 0.15 }, { text: 'motion.nearlyNew' }),
  withTexts({ value: 0.6 }, { text: 'motion.worn' }),
  withTexts({ value: 1 }, { text: 'motion.wornOut' }),
]
const wear = ref(0.6)

function setMs(debounceMs: number): void {
  props.work.set({ debounceMs }, 'debounce')
}
const setStrategy = (debounce: DebounceStrategy | undefined) => debounce && props.work.set({ debounce })

/** One press of a worn switch that loses contact in the middle, in µs. */
const EDGES = [
  ...[0, 300, 700, 900, 1500].map((atUs, index) => ({ atUs, closed: index % 2 === 0 })),
  ...[14_000, 20_500].map((atUs, index) => ({ atUs, closed: index % 2 === 1 })),
  ...[42_000, 42_500, 43_100].map((atUs, index) => ({ atUs, closed: index % 2 === 1 })),
]
const SHOWN_MS = 70
const out = computed(() =>
  debounceEdges(EDGES, { strategy: setting.value.strategy, us: setting.value.ms * 1000 }).map(
    ({ atUs, down }) => ({
      atUs,
      closed: down,
    }),
  ),
)
const presses = computed(() => out.value.filter(({ closed }) => closed).length)
const x = (us: number) => 70 + (us / 1000 + 6) * (560 / (SHOWN_MS + 6))
/** A contact over time, drawn as a line that is high while it is closed. */
function wave(edges: { atUs: number; closed: boolean }[], top: number): string {
  const y = (closed: boolean) => (closed ? top : top + 22)
  const steps = edges.map(({ atUs, closed }) => `H${x(atUs).toFixed(1)}V${y(closed)}`)
  return `M${x(-6000)} ${y(false)}${steps.join('')}H${x(SHOWN_MS * 1000)}`
}

const CLICKS = 600
const series = computed(() => simulateClicks(CLICKS, { wear: wear.value, seed: 5 }))
const outcomes = computed(() => {
  const steps = Array.from({ length: (max.value ?? 20) + 1 }, (_, ms) => ms)
  const of = (strategy: DebounceStrategy) => steps.map((ms) => debounceOutcome(series.value, strategy, ms))
  return { eager: of('eager'), deferred: of('deferred') }
})
const here = computed(() => debounceOutcome(series.value, setting.value.strategy, setting.value.ms))
const lines = computed(() => {
  const { eager, deferred } = outcomes.value
  const doubled = (of: typeof eager) => of.map((each) => [each.ms, 100 * each.doubled] as const)
  return [
    { name: t('motion.doubleClicksFirstContact'), points: doubled(eager), colour: '--bar-binding' },
    { name: t('motion.doubleClicksWhenStable'), points: doubled(deferred), colour: '--bar-motion' },
    {
      name: t('motion.addedDelayWhenStable'),
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
const timing = () =>
  setting.value.strategy === 'eager'
    ? t('motion.immediately')
    : t('motion.msAfterTheContactIsStable', { ms: setting.value.ms })
</script>

<template>
  <section class="grid gap-2 px-0 py-3">
    <h3 class="m-0 text-15">
      <GlossaryTerm of="debounce">{{ t('motion.debounce') }}</GlossaryTerm>
      <span v-if="isPending" class="pending text-12 font-normal text-pending">{{
        t('motion.notOnTheDevice')
      }}</span>
    </h3>
    <div v-if="max !== undefined" class="flow">
      <span class="mono w-11.5">{{ t('motion.ms', { ms: setting.ms }) }}</span>
      <v-slider
        class="w-[190px]"
        :max="max"
        :step="1"
        :model-value="setting.ms"
        :aria-label="t('motion.debounceInMs')"
        @update:model-value="setMs"
      />
      <ChoiceRow
        :label="t('motion.debounceStrategy')"
        :choices="STRATEGIES"
        :model-value="setting.strategy"
        @update:model-value="setStrategy"
      />
    </div>
    <p v-else class="soft">
      {{ t('motion.debounceOnIsFixedAtMs', { name: model?.name, ms: setting.ms, strategy: strategyText }) }}
    </p>
    <svg
      class="w-full max-w-[640px] overflow-visible"
      viewBox="0 0 640 88"
      role="img"
      :aria-label="t('motion.onePressOfAWornSwitchIs', { presses: t('motion.onePress', { count: presses }) })"
    >
      <text class="fill-ink-faint text-12" x="0" y="22">{{ t('motion.contact') }}</text>
      <path class="contact" :d="wave(EDGES, 8)" />
      <text class="fill-ink-faint text-12" x="0" y="62">{{ t('motion.sent') }}</text>
      <path class="sent" :d="wave(out, 48)" />
      <g v-for="ms in [0, 10, 20, 30, 40, 50, 60]" :key="ms">
        <line class="stroke-line-strong" :x1="x(ms * 1000)" :x2="x(ms * 1000)" y1="76" y2="80" />
        <text class="fill-ink-faint text-12" :x="x(ms * 1000)" y="88" text-anchor="middle">{{ ms }}</text>
      </g>
    </svg>
    <p class="soft">
      <RichMessage message="motion.onePressThatBouncesAndLosesContact" :facts="{ timing: timing() }">
        <template #presses
          ><b>{{ t('motion.onePress', { count: presses }) }}</b></template
        >
      </RichMessage>
    </p>
    <div class="flow">
      <span>{{ t('motion.simulateClicksOfASwitchThatIs', { clicks: CLICKS }) }}</span>
      <ChoiceRow v-model="wear" :label="t('motion.switchWear')" :choices="WEARS" />
    </div>
    <FigureChart
      :title="t('motion.doubleClicksAndDelay')"
      :result="
        t('motion.withThisSettingOfClicksAreSent', {
          double: decimal(100 * here.doubled, 1),
          delay: decimal(here.delayMs, 1),
        })
      "
      :lines="lines"
      :x="{ name: t('motion.debounceMs'), min: 0, max: max ?? 20 }"
      :y="{ name: t('motion.doubleClicks'), min: 0 }"
      :y2="{ name: t('motion.delayMs'), min: 0 }"
      :marks="[{ at: setting.ms, name: t('motion.current') }]"
      :columns="['ms', t('motion.firstContact'), t('motion.whenStable'), t('motion.whenStableDelayInMs')]"
      :rows="rows"
    />
    <p>
      <RichMessage message="motion.withThisSettingOfClicksAreSent2">
        <template #double
          ><b class="mono">{{ t('motion.text', { percent: decimal(100 * here.doubled, 1) }) }}</b></template
        >
        <template #delay
          ><b class="mono">{{ t('motion.ms', { ms: decimal(here.delayMs, 1) }) }}</b></template
        >
      </RichMessage>
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

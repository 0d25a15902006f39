<script setup lang="ts">
import { listText, t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { itemAt } from '../../core/base/items'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { DEVICE_MODELS, modelById } from '../../core/device/models'
import type { Connection } from '../../core/device/model'
import { delayedEventsAt } from '../../core/compile/analysis'
import type { SentChange } from '../../core/compile/dry-run'
import { useMacros } from '../stores/macros'
import type { MacroView } from './macro-view'
import { useDryRun } from './dry-run'
import { displayFigures } from '../../core/compile/shown-figures'
import { useEndless, usePolling } from './figures'
import { shortDecimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Details of the macro: its size, its timing, the effect of polling rates, how it ends; and a dry run. */
const props = defineProps<{ work: MacroView }>()
const emit = defineEmits<{ sent: [changes: SentChange[] | undefined] }>()
const macros = useMacros()
const macro = computed(() => props.work.editor.macro)
const LONG = 500
const figures = shallowRef<ReturnType<typeof displayFigures>>()
watchDebounced(
  [macro, () => macros.shelf, () => props.work.on],
  () => (figures.value = macro.value && displayFigures(macro.value, macros.shelf, props.work.on)),
  // Not during a gesture.
  { debounce: () => ((macro.value?.events.length ?? 0) > LONG ? 250 : 60), immediate: true },
)
const rates = usePolling(() => macro.value?.id)
const polling = computed(() => {
  const gaps = figures.value?.gapsMs ?? []
  return rates.value.map((each) => ({ ...each, tooFast: delayedEventsAt(gaps, each.rateHz) }))
})
/** Rates that are fast enough, in one line; the others with their effects. */
const kept = computed(() =>
  [...new Set(polling.value.filter(({ tooFast }) => tooFast === 0).map(({ rateHz: hz }) => hz))].sort(
    (a, b) => a - b,
  ),
)
const late = computed(() => polling.value.filter(({ tooFast }) => tooFast > 0))
const endless = useEndless(() => macro.value?.id)
const uses = computed(() => macros.uses.get(macro.value?.id ?? '') ?? [])

/** Keys of a boot keyboard report; devices send more, but some boot menus only read these. */
const BOOT_KEYS = 6
const number = (value: number) => shortDecimal(value, 1)
const EXAMPLES = () =>
  listText([t('macros.whileHeld'), t('macros.n3Times'), t('macros.untilPressedAgain')], 'disjunction')

const modelId = ref(itemAt(DEVICE_MODELS, 0).id)
const model = computed(() => modelById(modelId.value) ?? itemAt(DEVICE_MODELS, 0))
const connectionId = ref<Connection['id']>('cable')
const connection = computed(
  () =>
    model.value.connections.find(({ id }) => id === connectionId.value) ?? itemAt(model.value.connections, 0),
)
const rateHz = ref(1000)
const rate = computed(() =>
  connection.value.ratesHz.includes(rateHz.value) ? rateHz.value : connection.value.factoryRateHz,
)
const { result, problem, running, run } = useDryRun(props.work, () => macros.shelf)

async function play(): Promise<void> {
  if (!macro.value) return
  await run(macro.value, model.value.id, connection.value.id, rate.value)
}
watchDebounced(result, (now) => emit('sent', now?.changes), { debounce: 0 })
</script>

<template>
  <aside class="grid min-h-0 content-start gap-3 overflow-auto" :aria-label="t('macros.macroDetails')">
    <dl v-if="figures" class="m-0 grid grid-cols-[repeat(3,1fr)] gap-x-3 gap-y-2">
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.length') }}</dt>
        <dd class="mono m-0 text-15">{{ t('macros.ms2', { durationMs: number(figures.durationMs) }) }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.memoryUsed') }}</dt>
        <dd class="mono m-0 text-15">{{ figures.bytes === undefined ? '–' : `${figures.bytes} B` }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.events') }}</dt>
        <dd class="mono m-0 text-15">{{ figures.events }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.eventsPerSecond') }}</dt>
        <dd class="mono m-0 text-15">{{ number(figures.eventsPerSecond) }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.keysHeldAtOnce') }}</dt>
        <dd class="mono m-0 text-15">{{ figures.maxDown }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">{{ t('macros.shortestDelay') }}</dt>
        <dd class="mono m-0 text-15">
          {{
            figures.shortestGapMs === undefined
              ? '–'
              : t('macros.ms3', { shortestGapMs: figures.shortestGapMs })
          }}
        </dd>
      </div>
    </dl>
    <ul v-if="figures" class="m-0 grid gap-1.25 py-0 ps-4 pe-0 text-13">
      <li v-if="figures.problem" class="pending">{{ textOf(figures.problem) }}</li>
      <li v-if="figures.leftDown" class="pending">
        {{ t('macros.oneKeyIsNeverReleasedTheDevice', { count: figures.leftDown }) }}
      </li>
      <li v-if="figures.maxDown > BOOT_KEYS">
        {{ t('macros.moreThanKeysAreHeldAtOnce', { max: BOOT_KEYS }) }}
      </li>
      <li v-for="{ where, rateHz: hz, tooFast } in late" :key="`${where} ${hz}`" class="pending">
        {{ t('macros.atHzEventWaitsForTheNext', { count: tooFast, hz: number(hz), where }) }}
      </li>
      <li v-if="kept.length && figures.shortestGapMs !== undefined">
        {{ t('macros.atHzEveryEventIsSentIn', { rates: listText(kept.map(number)) }) }}
      </li>
      <li v-if="figures.types">{{ t('macros.textIsTimedAtOneReportPer') }}</li>
      <li v-if="uses.length === 0">
        <RichMessage message="macros.noInputPlaysThisMacroYetOpen" :facts="{ examples: EXAMPLES() }">
          <template #macro
            ><strong>{{ macro?.name }}</strong></template
          >
        </RichMessage>
      </li>
      <li v-else>
        <RichMessage message="macros.usedBy2">
          <template #uses>
            <template v-for="(use, index) in uses" :key="use.to">
              <template v-if="index">, </template
              ><RouterLink class="text-inherit" :to="use.to">{{ use.name }}</RouterLink>
            </template>
          </template>
        </RichMessage>
      </li>
      <li v-for="text in endless" :key="text">{{ t('macros.activatingAnotherSlotOr', { text }) }}</li>
      <li v-if="endless.length" class="faint">{{ t('macros.someGamesDoNotAllowMacrosThat') }}</li>
    </ul>
    <section class="grid gap-1.75 border-t border-line pt-2.5" :aria-label="t('macros.dryRun')">
      <h3 class="text-14">{{ t('macros.dryRun') }}</h3>
      <div class="choices flex flex-wrap gap-1.5">
        <SelectField
          v-model="modelId"
          :items="DEVICE_MODELS"
          item-value="id"
          item-title="name"
          :aria-label="t('macros.deviceOfTheDryRun')"
        />
        <SelectField
          v-model="connectionId"
          :items="model.connections"
          item-value="id"
          item-title="name"
          :aria-label="t('macros.connectionOfTheDryRun')"
        />
        <SelectField
          v-model="rateHz"
          class="mono"
          :items="connection.ratesHz.map((hz) => ({ value: hz, title: t('macros.hz', { hz }) }))"
          :aria-label="t('macros.pollingRateOfTheDryRun')"
        />
        <v-btn :disabled="running || !work.events.length" @click="play"> {{ t('macros.play') }} </v-btn>
      </div>
      <v-alert v-if="problem" :text="problem" />
      <p v-else-if="result" class="text-13" role="status">
        <RichMessage message="macros.reportTheSlowestChangeWasSentAfter" :facts="{ count: result.reports }">
          <template #delay
            ><span class="mono">{{ t('macros.ms4', { ms: number(result.worstMs) }) }}</span></template
          >
          <template #interval
            ><span class="mono">{{ t('macros.ms4', { ms: number(result.intervalMs) }) }}</span></template
          >
        </RichMessage>
        {{ result.cutShort ? t('macros.eventsAfterTheFirstRandomDelayAre') : '' }}
      </p>
      <p v-else class="caption soft">
        {{ t('macros.playsTheMacroOnceOnADevice') }}
      </p>
    </section>
  </aside>
</template>

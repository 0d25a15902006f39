<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { DEVICE_MODELS, modelById } from '../../core/device/models'
import type { Connection } from '../../core/device/model'
import { tooFastAt } from '../../core/compile/analysis'
import type { SentChange } from '../../core/compile/dry-run'
import { useMacros } from '../stores/macros'
import type { MacroWork } from './work'
import { useDryRun } from './dry-run'
import { figuresOf } from '../../core/compile/shown-figures'
import { useEndless, usePolling } from './figures'
import { SelectField } from '../../look/SelectField'

/** What the macro comes to: its size, its times, what polling does to them, how it ends; and a dry run. */
const props = defineProps<{ work: MacroWork }>()
const emit = defineEmits<{ sent: [changes: SentChange[] | undefined] }>()
const macros = useMacros()
const macro = computed(() => props.work.editor.macro)
const LONG = 500
const figures = shallowRef<ReturnType<typeof figuresOf>>()
watchDebounced(
  [macro, () => macros.shelf, () => props.work.on],
  () => (figures.value = macro.value && figuresOf(macro.value, macros.shelf, props.work.on)),
  // Not while an edit goes on frame by frame.
  { debounce: () => ((macro.value?.events.length ?? 0) > LONG ? 250 : 60), immediate: true },
)
const rates = usePolling(() => macro.value?.id)
const polling = computed(() => {
  const gaps = figures.value?.gapsMs ?? []
  return rates.value.map((each) => ({ ...each, tooFast: tooFastAt(gaps, each.rateHz) }))
})
/** Rates that keep up, in one line; the others each with what they do. */
const kept = computed(() =>
  [...new Set(polling.value.filter(({ tooFast }) => tooFast === 0).map(({ rateHz: hz }) => hz))].sort(
    (a, b) => a - b,
  ),
)
const late = computed(() => polling.value.filter(({ tooFast }) => tooFast > 0))
const endless = useEndless(() => macro.value?.id)
const uses = computed(() => macros.uses.get(macro.value?.id ?? '') ?? [])

/** Keys of a boot keyboard report; devices here send more, some computers' start-up screens read no more. */
const BOOT_KEYS = 6
const number = (value: number) => value.toLocaleString('en', { maximumFractionDigits: 1 })

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
  <aside class="grid min-h-0 content-start gap-3 overflow-auto" aria-label="What it comes to">
    <dl v-if="figures" class="m-0 grid grid-cols-[repeat(3,1fr)] gap-x-3 gap-y-2">
      <div>
        <dt class="text-12 text-ink-soft">Length</dt>
        <dd class="mono m-0 text-15">{{ number(figures.durationMs) }} ms</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">In memory</dt>
        <dd class="mono m-0 text-15">{{ figures.bytes === undefined ? '–' : `${figures.bytes} B` }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">Events</dt>
        <dd class="mono m-0 text-15">{{ figures.events }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">Each second</dt>
        <dd class="mono m-0 text-15">{{ number(figures.eventsPerSecond) }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">Down at once</dt>
        <dd class="mono m-0 text-15">{{ figures.mostDown }}</dd>
      </div>
      <div>
        <dt class="text-12 text-ink-soft">Shortest gap</dt>
        <dd class="mono m-0 text-15">
          {{ figures.shortestGapMs === undefined ? '–' : `${figures.shortestGapMs} ms` }}
        </dd>
      </div>
    </dl>
    <ul v-if="figures" class="m-0 grid gap-1.25 py-0 pr-0 pl-4 text-13">
      <li v-if="figures.problem" class="pending">{{ figures.problem }}</li>
      <li v-if="figures.leftDown" class="pending">
        {{ figures.leftDown === 1 ? 'One key is' : `${figures.leftDown} keys are` }} left down; the device
        lets go when the run ends.
      </li>
      <li v-if="figures.mostDown > BOOT_KEYS">
        More than {{ BOOT_KEYS }} keys are down at once; a start-up screen may not see them all.
      </li>
      <li v-for="{ where, rateHz: hz, tooFast } in late" :key="`${where} ${hz}`" class="pending">
        At {{ number(hz) }} Hz ({{ where }}) {{ tooFast }}
        {{ tooFast === 1 ? 'event waits' : 'events wait' }} for the next report.
      </li>
      <li v-if="kept.length && figures.shortestGapMs !== undefined">
        At {{ kept.map(number).join(' · ') }} Hz every event has a report of its own.
      </li>
      <li v-if="figures.types">Texts are counted with a report each ms; slower polling types slower.</li>
      <li v-if="uses.length === 0">
        No input plays it yet. In a profile’s buttons, type <strong>{{ macro?.name }}</strong> into a cell;
        add <em>while held</em>, <em>3 times</em> or <em>until pressed again</em>.
      </li>
      <li v-else>
        Used by
        <template v-for="(use, index) in uses" :key="use.to">
          <template v-if="index">, </template
          ><RouterLink class="text-inherit" :to="use.to">{{ use.name }}</RouterLink>
        </template>
      </li>
      <li v-for="text in endless" :key="text">{{ text }}; another slot or no connection ends it too.</li>
      <li v-if="endless.length" class="faint">Some games do not allow macros that repeat.</li>
    </ul>
    <section class="grid gap-1.75 border-t border-line pt-2.5" aria-label="Dry run">
      <h3 class="text-14">Dry run</h3>
      <div class="choices flex flex-wrap gap-1.5">
        <SelectField
          v-model="modelId"
          :items="DEVICE_MODELS"
          item-value="id"
          item-title="name"
          aria-label="Device of the dry run"
        />
        <SelectField
          v-model="connectionId"
          :items="model.connections"
          item-value="id"
          item-title="name"
          aria-label="Connection of the dry run"
        />
        <SelectField
          v-model="rateHz"
          class="mono"
          :items="connection.ratesHz.map((hz) => ({ value: hz, title: `${hz} Hz` }))"
          aria-label="Polling rate of the dry run"
        />
        <v-btn :disabled="running || !work.events.length" @click="play"> Play </v-btn>
      </div>
      <v-alert v-if="problem" :text="problem" />
      <p v-else-if="result" class="text-13" role="status">
        {{ result.reports }} reports; the latest change is sent
        <span class="mono">{{ number(result.worstMs) }} ms</span> after it was wanted, with a poll every
        <span class="mono">{{ number(result.intervalMs) }} ms</span>.
        {{ result.cutShort ? 'What follows the first wait that is drawn anew is not compared.' : '' }}
      </p>
      <p v-else class="caption soft">
        Plays it once on a device that is computed here, and draws when each change is sent.
      </p>
    </section>
  </aside>
</template>

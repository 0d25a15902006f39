<script setup lang="ts">
import { computed } from 'vue'
import { analyseClicks, CHATTER_MS } from '../../core/measure/clicks'
import { estimateText, figure, heldText } from './estimate-text'
import type { Instrument } from './instrument'
import NothingYet from './NothingYet.vue'
import { SPECIMEN } from './specimens'

/** Clicks of each button: how fast, how long held, and presses that no finger made. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const rows = computed(() => {
  void props.instrument.version.value
  return analyseClicks(props.instrument.clicks)
})
/** What counts as a double press of the button that was clicked most, where its finger comes near the usual limit. */
const fast = computed(() => {
  const threshold = rows.value[0]?.threshold
  return threshold && threshold.ms < CHATTER_MS ? threshold : undefined
})
const percent = (share: number) => figure(100 * share, 1)
</script>

<template>
  <v-table v-if="rows.length > 0">
    <thead>
      <tr>
        <th>Button</th>
        <th>Presses</th>
        <th>Most a second</th>
        <th>Held, median, ms</th>
        <th>Shortest gap</th>
        <th>Double</th>
        <th>Share, %</th>
      </tr>
    </thead>
    <tbody class="mono">
      <tr v-for="row in rows" :key="row.what">
        <td>{{ row.what }}</td>
        <td>{{ row.clicks }}</td>
        <td>{{ row.mostASecond }}</td>
        <td>{{ estimateText(row.heldMs) }}</td>
        <td>{{ figure(row.shortestGapMs, 0) }} ms</td>
        <td :class="{ bad: row.chatter.presses > 0 }">{{ row.chatter.presses }}</td>
        <td>
          {{ percent(row.chatter.value) }} ({{ percent(row.chatter.low) }} to {{ percent(row.chatter.high) }})
        </td>
      </tr>
    </tbody>
  </v-table>
  <NothingYet
    v-else
    title="No click yet"
    text="Start, and click each button a hundred times or more at your own pace: rare double presses need many clicks to show. For each button its presses, its pace, how long it is held, and presses that no finger made stand here then."
    axes="M1 70H240"
    ghost="M2 70H30V20H62V70H104V20H132V70H137V20H143V70H190V20H224V70H238"
  />
  <p v-if="specimen && rows[0]" class="caption">
    {{ heldText(rows[0].chatter, SPECIMEN.chatterShare, `${100 * SPECIMEN.chatterShare} % double presses`) }}
  </p>
  <p class="caption">
    A press within {{ CHATTER_MS }} ms of a release comes from the switch, not from the finger.
    <template v-if="fast">
      You click so fast that only gaps below {{ figure(fast.ms, 0) }} ms count here. About
      {{ percent(fast.falseAlarms) }} % of your own gaps are that short.
    </template>
    Double presses that the mouse’s debounce removes do not arrive here.
  </p>
</template>

<style scoped>
th,
td {
  overflow-wrap: normal;
}

.bad {
  color: var(--pending);
}
</style>

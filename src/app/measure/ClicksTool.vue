<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import { analyseClicks, CHATTER_MS } from '../../core/measure/clicks'
import { estimateText, decimalText, containsActualText } from './estimate-text'
import type { Instrument } from './instrument'
import EmptyInstrument from './EmptyInstrument.vue'
import { TEST_DEVICE } from './test-devices'

/** Clicks of each button: their rate, their hold times, and false double presses. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const rows = computed(() => {
  void props.instrument.version.value
  return analyseClicks(props.instrument.clicks)
})
/** The limit for double presses of the most clicked button, if its finger comes close to the usual one. */
const fast = computed(() => {
  const threshold = rows.value[0]?.threshold
  return threshold && threshold.ms < CHATTER_MS ? threshold : undefined
})
const percent = (share: number) => decimalText(100 * share, 1)
</script>

<template>
  <v-table v-if="rows.length > 0">
    <thead>
      <tr>
        <th>{{ t('measure.button') }}</th>
        <th>{{ t('measure.presses') }}</th>
        <th>{{ t('measure.peakPerSecond') }}</th>
        <th>{{ t('measure.medianHoldTimeMs') }}</th>
        <th>{{ t('measure.shortestGap') }}</th>
        <th>{{ t('measure.doublePresses') }}</th>
        <th>{{ t('measure.share') }}</th>
      </tr>
    </thead>
    <tbody class="mono">
      <tr v-for="row in rows" :key="row.what">
        <td>{{ row.what }}</td>
        <td>{{ row.clicks }}</td>
        <td>{{ row.maxPerSecond }}</td>
        <td>{{ estimateText(row.heldMs) }}</td>
        <td>{{ t('measure.ms', { ms: decimalText(row.shortestGapMs, 0) }) }}</td>
        <td :class="{ bad: row.chatter.presses > 0 }">{{ row.chatter.presses }}</td>
        <td>
          {{
            t('measure.to', {
              share: percent(row.chatter.value),
              low: percent(row.chatter.low),
              high: percent(row.chatter.high),
            })
          }}
        </td>
      </tr>
    </tbody>
  </v-table>
  <EmptyInstrument
    v-else
    :title="t('measure.noClicksYet')"
    :text="t('measure.pressStartAndClickEachButtonAt')"
    axes="M1 70H240"
    ghost="M2 70H30V20H62V70H104V20H132V70H137V20H143V70H190V20H224V70H238"
  />
  <p v-if="specimen && rows[0]" class="caption">
    {{
      containsActualText(
        rows[0].chatter,
        TEST_DEVICE.chatterShare,
        t('measure.doublePresses2', { share: 100 * TEST_DEVICE.chatterShare }),
      )
    }}
  </p>
  <p class="caption">
    {{ t('measure.aPressWithinMsOfARelease', { ms: CHATTER_MS }) }}
    <template v-if="fast">
      {{
        t('measure.youClickSoFastThatOnlyGaps', {
          ms: decimalText(fast.ms, 0),
          share: percent(fast.falseAlarms),
        })
      }}
    </template>
    {{ t('measure.doublePressesThatTheMouseItself') }}
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

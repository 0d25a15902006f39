<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed, ref } from 'vue'
import { analysePasses, CARD_SIDES_MM, findPasses } from '../../core/measure/counts-per-inch'
import { applyBounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { estimateText, decimalText, containsActualText } from './estimate-text'
import type { Instrument } from './instrument'
import { TEST_DEVICE, TEST_DEVICE_DPI } from './test-devices'
import EmptyInstrument from './EmptyInstrument.vue'
import { SelectField } from '../../look/SelectField'

/** True counts per inch: the mouse moves along a known distance, forward and back, several times. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const DISTANCES = [
  {
    id: 'card',
    get text() {
      return t('measure.bankCardLongSideMm', { length: CARD_SIDES_MM.long })
    },
    mm: CARD_SIDES_MM.long,
  },
  {
    id: 'card-short',
    get text() {
      return t('measure.bankCardShortSideMm', { length: CARD_SIDES_MM.short })
    },
    mm: CARD_SIDES_MM.short,
  },
  withTexts({ id: 'ruler', mm: 100 }, { text: 'measure.ruler100Mm' }),
  withTexts({ id: 'own', mm: undefined }, { text: 'measure.otherLength' }),
]
const distance = ref('card')
const ownMm = ref(200)
const nominalDpi = ref(TEST_DEVICE_DPI)
const mm = computed(() => DISTANCES.find(({ id }) => id === distance.value)?.mm ?? ownMm.value)
const passes = computed(() => {
  void props.instrument.version.value
  const { timesMs, dx, dy } = props.instrument.log.movement
  return findPasses(timesMs, dx, dy)
})
const axes = computed(() => analysePasses(passes.value, mm.value, nominalDpi.value))

const setNominal = applyBounded(50, 64_000, 'shared.enterToDpi', (dpi) => (nominalDpi.value = dpi))
const setOwn = applyBounded(10, 2000, 'shared.enterToMm', (next) => (ownMm.value = next))
</script>

<template>
  <div class="line">
    <span>{{ t('measure.distance') }}</span>
    <SelectField
      v-model="distance"
      :items="DISTANCES"
      item-value="id"
      item-title="text"
      :aria-label="t('measure.distance')"
    />
    <template v-if="distance === 'own'">
      <NumberField :value="ownMm" :label="t('measure.distanceInMm')" :apply="setOwn" />
      <span>{{ t('measure.mm') }}</span>
    </template>
    <span>{{ t('measure.setTo') }}</span>
    <NumberField :value="nominalDpi" :label="t('measure.nominalDpi')" :apply="setNominal" />
    <span>{{ t('measure.dpi') }}</span>
  </div>
  <ol class="m-0 ps-5">
    <li>{{ t('measure.layARulerOrCardOnThe') }}</li>
    <li>{{ t('measure.pressStartMoveAlongTheEdgeRest') }}</li>
    <li>{{ t('measure.turnTheEdgeBy90AndRepeat') }}</li>
  </ol>
  <v-table v-if="axes.length > 0">
    <thead>
      <tr>
        <th>{{ t('measure.axis') }}</th>
        <th>{{ t('measure.passes') }}</th>
        <th>{{ t('measure.countsPerInch') }}</th>
        <th>{{ t('measure.error') }}</th>
        <th>{{ t('measure.sensorRotation') }}</th>
        <th>{{ t('measure.forwardBack') }}</th>
      </tr>
    </thead>
    <tbody class="mono">
      <tr v-for="axis in axes" :key="axis.axis">
        <td>{{ axis.axis }}</td>
        <td>{{ axis.dpi.count }}</td>
        <td :data-testid="`dpi-${axis.axis}`">{{ estimateText(axis.dpi) }}</td>
        <td>{{ estimateText(axis.errorPercent, 1) }}</td>
        <td>{{ estimateText(axis.turnedDegrees, 1, '°') }}</td>
        <td>{{ t('look.percent', { percent: decimalText(axis.asymmetryPercent, 1) }) }}</td>
      </tr>
    </tbody>
  </v-table>
  <EmptyInstrument
    v-else
    :title="t('measure.noPassesYet')"
    :text="t('measure.pressStartAndMoveAlongTheRuler')"
    axes="M10 62H230M10 62V48M65 62V54M120 62V48M175 62V54M230 62V48"
    ghost="M14 36H226M226 36L214 30M226 36L214 42"
  />
  <p v-if="specimen && axes[0]" class="caption">
    {{
      t('measure.countsRotation', {
        counts: containsActualText(
          axes[0].errorPercent,
          TEST_DEVICE.errorPercent,
          t('look.percent', { percent: `+${TEST_DEVICE.errorPercent}` }),
        ),
        rotation: containsActualText(
          axes[0].turnedDegrees,
          TEST_DEVICE.turnedDegrees,
          `${TEST_DEVICE.turnedDegrees}°`,
        ),
      })
    }}
  </p>
  <p class="caption">
    {{
      instrument.recording.value && !instrument.unadjusted.value
        ? t('measure.intervalsAre95ConfidenceIntervals')
        : t('measure.intervalsAre95ConfidenceIntervals2')
    }}
  </p>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { analysePasses, CARD_MM, passesOf } from '../../core/measure/counts-per-inch'
import { bounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { estimateText, figure, heldText } from './estimate-text'
import type { Instrument } from './instrument'
import { SPECIMEN, SPECIMEN_DPI } from './specimens'
import NothingYet from './NothingYet.vue'
import { SelectField } from '../../look/SelectField'

/** True counts per inch: the mouse goes along a known distance, there and back, several times. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const DISTANCES = [
  { id: 'card', text: `bank card, long side, ${CARD_MM.long} mm`, mm: CARD_MM.long },
  { id: 'card-short', text: `bank card, short side, ${CARD_MM.short} mm`, mm: CARD_MM.short },
  { id: 'ruler', text: 'ruler, 100 mm', mm: 100 },
  { id: 'own', text: 'my own', mm: undefined },
]
const distance = ref('card')
const ownMm = ref(200)
const nominalDpi = ref(SPECIMEN_DPI)
const mm = computed(() => DISTANCES.find(({ id }) => id === distance.value)?.mm ?? ownMm.value)
const passes = computed(() => {
  void props.instrument.version.value
  const { timesMs, dx, dy } = props.instrument.log.movement
  return passesOf(timesMs, dx, dy)
})
const axes = computed(() => analysePasses(passes.value, mm.value, nominalDpi.value))

const setNominal = bounded(50, 64_000, 'DPI', (dpi) => (nominalDpi.value = dpi))
const setOwn = bounded(10, 2000, 'mm', (next) => (ownMm.value = next))
</script>

<template>
  <div class="line">
    <span>Distance</span>
    <SelectField
      v-model="distance"
      :items="DISTANCES"
      item-value="id"
      item-title="text"
      aria-label="Distance"
    />
    <template v-if="distance === 'own'">
      <NumberField :value="ownMm" label="Distance in mm" :apply="setOwn" />
      <span>mm</span>
    </template>
    <span>set to</span>
    <NumberField :value="nominalDpi" label="Nominal DPI" :apply="setNominal" />
    <span>DPI</span>
  </div>
  <ol class="m-0 pl-5">
    <li>Lay the edge down and put the mouse against its end.</li>
    <li>Start, move along it, rest half a second, move back, rest; four times each way.</li>
    <li>Turn the edge by 90° and do the same towards you and away.</li>
  </ol>
  <v-table v-if="axes.length > 0">
    <thead>
      <tr>
        <th>Axis</th>
        <th>Passes</th>
        <th>Counts per inch</th>
        <th>Error, %</th>
        <th>Sensor turned</th>
        <th>There, back</th>
      </tr>
    </thead>
    <tbody class="mono">
      <tr v-for="axis in axes" :key="axis.axis">
        <td>{{ axis.axis }}</td>
        <td>{{ axis.dpi.count }}</td>
        <td :data-testid="`dpi-${axis.axis}`">{{ estimateText(axis.dpi) }}</td>
        <td>{{ estimateText(axis.errorPercent, 1) }}</td>
        <td>{{ estimateText(axis.turnedDegrees, 1, '°') }}</td>
        <td>{{ figure(axis.asymmetryPercent, 1) }} %</td>
      </tr>
    </tbody>
  </v-table>
  <NothingYet
    v-else
    title="No pass yet"
    text="A pass is a movement between two rests: lay an edge beside the mouse, start, and move along it, there and back. What an inch of your hand really counts, and how the mouse is turned, stand here then."
    axes="M10 62H230M10 62V48M65 62V54M120 62V48M175 62V54M230 62V48"
    ghost="M14 36H226M226 36L214 30M226 36L214 42"
  />
  <p v-if="specimen && axes[0]" class="caption">
    Across, {{ heldText(axes[0].errorPercent, SPECIMEN.errorPercent, `+${SPECIMEN.errorPercent} %`) }};
    {{ heldText(axes[0].turnedDegrees, SPECIMEN.turnedDegrees, `${SPECIMEN.turnedDegrees}°`) }}
  </p>
  <p class="caption">
    Intervals are of 95 %: they hold what your hand adds from pass to pass, not an error of the edge itself.
    {{
      instrument.recording.value && !instrument.unadjusted.value
        ? 'This browser bends movement as your system does: turn the system’s acceleration off, or the figures are of both.'
        : ''
    }}
  </p>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { analyseKeys } from '../../core/measure/clicks'
import { keyLegend } from '../../core/computer/layouts'
import { keyByCode } from '../../core/hid/keyboard-page'
import { usePreferences } from '../stores/preferences'
import { figure } from './estimate-text'
import type { Instrument } from './instrument'
import NothingYet from './NothingYet.vue'

/** Which keys register together, and how close after each other. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const preferences = usePreferences()
/** What is printed on a key of the person's keyboard. */
const legendOf = (code: string): string => (keyByCode(code) ? keyLegend(code, preferences.now.layout) : code)
const figures = computed(() => {
  void props.instrument.version.value
  return analyseKeys(props.instrument.keys)
})
const down = computed(() => {
  void props.instrument.version.value
  const now = new Set<string>()
  for (const { what, down: pressed } of props.instrument.keys)
    if (pressed) now.add(what)
    else now.delete(what)
  return [...now]
})
</script>

<template>
  <p>
    Down now: <v-kbd v-for="key in down" :key="key" class="mr-1">{{ legendOf(key) }}</v-kbd>
    <span v-if="down.length === 0" class="soft">nothing</span>
  </p>
  <dl v-if="figures.most > 0">
    <div>
      <dt>Most at once</dt>
      <dd class="mono" data-testid="rollover">{{ figures.most }}</dd>
    </div>
    <div>
      <dt>Fastest press to press</dt>
      <dd class="mono">{{ figure(figures.fastestMs, 1) }} ms</dd>
    </div>
    <div>
      <dt>Median</dt>
      <dd class="mono">{{ figure(figures.medianMs, 0) }} ms</dd>
    </div>
  </dl>
  <p v-if="specimen && figures.most > 0" class="caption">
    planted: chords of up to 10 keys, pressed 15 ms after each other, on a keyboard that tells them all
  </p>
  <v-table v-if="figures.together.length > 0">
    <thead>
      <tr>
        <th>Registered together</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="set in figures.together" :key="set.join()">
        <td>
          <v-kbd v-for="key in set" :key="key" class="mr-1">{{ legendOf(key) }}</v-kbd>
        </td>
      </tr>
    </tbody>
  </v-table>
  <NothingYet
    v-else
    title="No key yet"
    text="Start, and hold keys down together: first the ones you need, then one more each time. How many were told at once, how fast one came after the other, and which were told together stand here then."
    axes="M60 4H98V42H60ZM102 4H140V42H102ZM144 4H182V42H144Z"
    ghost="M70 47H108V85H70ZM112 47H150V85H112Z"
  />
  <p class="caption">
    A key that stays out is one the keyboard cannot tell in that combination, or one the system keeps: Escape
    and the browser’s own shortcuts do not arrive here.
  </p>
</template>

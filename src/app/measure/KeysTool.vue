<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed } from 'vue'
import { analyseKeys } from '../../core/measure/clicks'
import { keyLegend } from '../../core/computer/layouts'
import { keyByCode } from '../../core/hid/keyboard-page'
import { usePreferences } from '../stores/preferences'
import { decimalText } from './estimate-text'
import type { Instrument } from './instrument'
import EmptyInstrument from './EmptyInstrument.vue'

/** Keys that are reported together, and the times between them. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const preferences = usePreferences()
/** The printed legend of a key on the person's keyboard. */
const legendOf = (code: string): string =>
  keyByCode(code) ? textOf(keyLegend(code, preferences.now.layout)) : code
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
    <RichMessage message="measure.heldNow">
      <template #keys>
        <v-kbd v-for="key in down" :key="key" class="me-1">{{ legendOf(key) }}</v-kbd>
        <span v-if="down.length === 0" class="soft">{{ t('measure.noKeys') }}</span>
      </template>
    </RichMessage>
  </p>
  <dl v-if="figures.max > 0">
    <div>
      <dt>{{ t('measure.mostKeysAtOnce') }}</dt>
      <dd class="mono" data-testid="rollover">{{ figures.max }}</dd>
    </div>
    <div>
      <dt>{{ t('measure.shortestTimeBetweenPresses') }}</dt>
      <dd class="mono">{{ t('measure.ms', { ms: decimalText(figures.fastestMs, 1) }) }}</dd>
    </div>
    <div>
      <dt>{{ t('measure.median') }}</dt>
      <dd class="mono">{{ t('measure.ms', { ms: decimalText(figures.medianMs, 0) }) }}</dd>
    </div>
  </dl>
  <p v-if="specimen && figures.max > 0" class="caption">
    {{ t('measure.actualValuesChordsOfUpTo10') }}
  </p>
  <v-table v-if="figures.together.length > 0">
    <thead>
      <tr>
        <th>{{ t('measure.reportedTogether') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="set in figures.together" :key="set.join()">
        <td>
          <v-kbd v-for="key in set" :key="key" class="me-1">{{ legendOf(key) }}</v-kbd>
        </td>
      </tr>
    </tbody>
  </v-table>
  <EmptyInstrument
    v-else
    :title="t('measure.noKeysYet')"
    :text="t('measure.pressStartAndHoldKeysTogetherFirst')"
    axes="M60 4H98V42H60ZM102 4H140V42H102ZM144 4H182V42H144Z"
    ghost="M70 47H108V85H70ZM112 47H150V85H112Z"
  />
  <p class="caption">
    {{ t('measure.aMissingKeyIsOneThatThe') }}
  </p>
</template>

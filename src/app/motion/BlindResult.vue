<script setup lang="ts">
import { computed, watch } from 'vue'
import { announce } from '../../look/announce'
import type { Profile } from '../../core/document/schema'
import type { TargetRun } from './target-run'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Two steps by turns without saying which is which; then which one was faster, and how sure that is. */
const props = defineProps<{ run: TargetRun; profile: Profile }>()
const emit = defineEmits<{ start: [] }>()
const name = (index: number) => {
  const step = props.profile.steps[index]
  return step ? `step ${index + 1}, ${step.dpi} DPI` : `step ${index + 1}`
}
const steps = computed(() => props.profile.steps.map((_, at) => ({ value: at, title: name(at) })))
const percent = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${decimal(Math.abs((ratio - 1) * 100))} %`
const verdict = computed(() => {
  const found = props.run.comparison.value
  if (!found) return undefined
  const { a, b } = props.run.steps.value
  const { value, low, high, count } = found.ratio
  const figures = `Time with B against A: ${percent(value)}, 95 % between ${percent(low)} and ${percent(high)}, over ${count} pairs of targets.`
  const who =
    found.faster === undefined
      ? 'No difference that this many targets could show.'
      : `${found.faster === 'a' ? 'A' : 'B'} is faster: ${name(found.faster === 'a' ? a : b)}.`
  return { who, figures, which: `A was ${name(a)}; B was ${name(b)}.` }
})
// Announces the result: a live region that is inserted together with its text is not read out.
watch(verdict, (now) => now && announce(`${now.who} ${now.which} ${now.figures}`))
</script>

<template>
  <div class="grid gap-1.5">
    <div class="flow">
      <SelectField
        v-for="setting in ['a', 'b'] as const"
        :key="setting"
        class="inner-label"
        :label="setting.toUpperCase()"
        :items="steps"
        :model-value="run.steps.value[setting]"
        :disabled="run.running.value"
        :aria-label="`Setting ${setting.toUpperCase()}`"
        @update:model-value="(step: number) => run.choose(setting, step)"
      />
      <v-btn :disabled="run.steps.value.a === run.steps.value.b" @click="emit('start')">
        {{ run.running.value ? 'Start over' : 'Start' }}
      </v-btn>
    </div>
    <p v-if="verdict">
      <strong>{{ verdict.who }}</strong> {{ verdict.which }}<br /><span class="soft">{{
        verdict.figures
      }}</span>
    </p>
    <p v-else class="caption">
      {{ run.blocks }} parts of {{ run.targetsARun }} targets, shuffled; which setting is which is said at the
      end.
    </p>
  </div>
</template>

<style scoped>
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
</style>

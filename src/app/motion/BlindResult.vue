<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, watch } from 'vue'
import { announce } from '../../look/announce'
import type { Profile } from '../../core/document/schema'
import type { TargetRun } from './target-run'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Compares two steps without naming them, and then shows which one was faster, and how certain that is. */
const props = defineProps<{ run: TargetRun; profile: Profile }>()
const emit = defineEmits<{ start: [] }>()
const name = (index: number) => {
  const step = props.profile.steps[index]
  return step ? `step ${index + 1}, ${step.dpi} DPI` : `step ${index + 1}`
}
const steps = computed(() => props.profile.steps.map((_, at) => ({ value: at, title: name(at) })))
const percent = (ratio: number) =>
  t('look.percent', { percent: `${ratio >= 1 ? '+' : '−'}${decimal(Math.abs((ratio - 1) * 100))}` })
const verdict = computed(() => {
  const found = props.run.comparison.value
  if (!found) return undefined
  const { a, b } = props.run.steps.value
  const { value, low, high, count } = found.ratio
  const figures = t('motion.bTookOfTheTimeOfA', {
    ratio: percent(value),
    low: percent(low),
    high: percent(high),
    count,
  })
  const who =
    found.faster === undefined
      ? t('motion.thisManyTargetsShowNoDifference')
      : found.faster === 'a'
        ? t('motion.aIsFaster', { name: name(a) })
        : t('motion.bIsFaster', { name: name(b) })
  return { who, figures, which: t('motion.aWasBWas', { first: name(a), second: name(b) }) }
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
        :aria-label="t('motion.setting', { setting: setting.toUpperCase() })"
        @update:model-value="(step: number) => run.choose(setting, step)"
      />
      <v-btn :disabled="run.steps.value.a === run.steps.value.b" @click="emit('start')">
        {{ run.running.value ? t('motion.startAgain') : t('motion.start') }}
      </v-btn>
    </div>
    <p v-if="verdict">
      <strong>{{ verdict.who }}</strong> {{ verdict.which }}<br /><span class="soft">{{
        verdict.figures
      }}</span>
    </p>
    <p v-else class="caption">
      {{ t('motion.roundsOfTargetsInRandomOrderThe', { blocks: run.blocks, targets: run.targetsARun }) }}
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

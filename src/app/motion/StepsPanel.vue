<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { mdiPlus } from '@mdi/js'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { VueDraggable, type SortableEvent } from 'vue-draggable-plus'
import { STEP_COLOURS } from '../../core/light/step-colours'
import { findingMessage, fixMessage, type Finding } from '../../core/checks/checks'
import { nearestDpi } from '../../core/motion/steps'
import { moveStep, removeStep, setDefaultStep } from '../../core/edits/motion-edits'
import { useFeelOf } from './step-feel'
import StepFeel from './StepFeel.vue'
import HoldStep from './HoldStep.vue'
import type { MotionView } from './motion-view'
import SpreadSteps from './SpreadSteps.vue'
import StarterRow from './StarterRow.vue'
import StepRow from './StepRow.vue'
import StepRule from './StepRule.vue'
import type { TryOut } from './try-out'
import { announce } from '../../look/announce'

/** DPI steps: on a scale, in rows, spread evenly, held, or from a starter. */
const props = defineProps<{ work: MotionView; tryOut: TryOut; findings: Finding[] }>()
const feel = useFeelOf()
const spreading = ref(false)
/** The pointer speed of the system affects movements on the screen, but not turns in a game. */
const sums = computed(() => ({
  ...feel.value,
  screenPx: feel.value.screenPx / props.tryOut.systemFactor.value,
}))
const sensor = computed(() => props.work.sensor.value)
const steps = computed(() => props.work.steps.value)
const standard = computed(() => props.work.profile.value?.defaultStep ?? 0)
const tried = computed(() =>
  props.tryOut.untold.value ? undefined : (props.tryOut.step.value ?? standard.value),
)
const ofColours = computed(() => props.findings.filter(({ rule }) => rule === 'step-colours'))

/** A dragged step is active in the try-out at once. */
function slide(index: number, dpi: number): void {
  props.tryOut.tryStep(index)
  props.work.changeStep(index, { dpi }, `slide ${index}`)
}

const rows = useTemplateRef<{ $el: HTMLElement }>('rows')

async function add(): Promise<void> {
  if (!sensor.value) return
  const last = steps.value.at(-1)?.dpi ?? sensor.value.minDpi
  const colour =
    STEP_COLOURS.find((each) => !steps.value.some((step) => step.colour === each)) ?? itemAt(STEP_COLOURS, 0)
  const dpi = nearestDpi(sensor.value, last * 2)
  props.work.add({ dpi, colour })
  announce(t('motion.stepAdded', { step: steps.value.length, dpi }))
  if (steps.value.length < sensor.value.maxSteps) return
  // The button is disabled now, so the focus moves to the new step.
  await nextTick()
  rows.value?.$el.lastElementChild?.querySelector('button')?.focus()
}

const move = (from: number, to: number) =>
  props.work.edit(['move-step', { step: from + 1 }], (current) => moveStep(current, from, to))

function dragged({ oldIndex, newIndex }: SortableEvent): void {
  if (oldIndex !== undefined && newIndex !== undefined && oldIndex !== newIndex) move(oldIndex, newIndex)
}
</script>

<template>
  <div v-if="sensor">
    <StepRule
      :sensor="sensor"
      :steps="steps"
      :default-step="standard"
      @slide="slide"
      @hand="(x, y) => tryOut.moveOwn(x, y)"
    />
    <VueDraggable
      ref="rows"
      :model-value="steps"
      tag="ul"
      class="m-0 list-none border-t-[1.5px] border-ink p-0"
      handle=".grip"
      :animation="120"
      @end="dragged"
    >
      <StepRow
        v-for="(step, index) in steps"
        :key="index"
        :step="step"
        :before="steps[index - 1]"
        :index="index"
        :count="steps.length"
        :standard="index === standard"
        :tried="index === tried"
        :sensor="sensor"
        :feel="sums"
        :pending="work.pending.value.has(`step:${index}`)"
        :change="(change) => work.changeStep(index, change, change.colour && `colour ${index}`)"
        @try="tryOut.tryStep(index)"
        @standard="work.edit(['default-step', { step: index + 1 }], (now) => setDefaultStep(now, index))"
        @move="(to) => move(index, to)"
        @remove="work.edit(['remove-step', { step: index + 1 }], (now) => removeStep(now, index))"
      />
    </VueDraggable>
    <p v-for="finding in ofColours" :key="textOf(findingMessage(finding))" class="px-0 py-1.5 text-pending">
      {{ textOf(findingMessage(finding)) }}.
      <v-btn
        v-for="fix in finding.fixes"
        :key="textOf(fixMessage(fix))"
        variant="plain"
        @click="work.edit(['step-colour'], fix.apply)"
      >
        {{ textOf(fixMessage(fix)) }}
      </v-btn>
    </p>
    <div class="flex flex-wrap items-center gap-2 px-0 py-2.5">
      <v-btn :disabled="steps.length >= sensor.maxSteps" @click="add">
        <v-icon :icon="mdiPlus" />{{ t('motion.addStep') }}
      </v-btn>
      <v-btn :aria-expanded="spreading" @click="spreading = !spreading">
        {{ t('motion.spreadStepsEvenly2') }}
      </v-btn>
      <span class="caption">
        {{
          t('motion.ofStepsDpiInIncrementsOf', {
            count: steps.length,
            max: sensor.maxSteps,
            minDpi: sensor.minDpi,
            maxDpi: sensor.maxDpi,
            increment: sensor.resolutionDpi,
          })
        }}
      </span>
    </div>
    <SpreadSteps v-if="spreading" :work="work" :sensor="sensor" @done="spreading = false" />
    <StepFeel :steps="steps" :factor="tryOut.systemFactor.value" />
    <HoldStep :work="work" />
    <StarterRow :work="work" />
  </div>
</template>

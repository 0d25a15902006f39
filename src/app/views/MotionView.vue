<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import { VueDraggable, type SortableEvent } from 'vue-draggable-plus'
import {
  addStep,
  moveStep,
  removeStep,
  setDefaultStep,
  setPolling,
  setStep,
} from '../../core/profile/motion-edits'
import type { Profile } from '../../core/profile/schema'
import { nearestDpi } from '../../core/motion/steps'
import { usePending } from '../composables/pending'
import AppIcon from '../parts/AppIcon.vue'
import PollingRates from '../parts/PollingRates.vue'
import StepRow from '../parts/StepRow.vue'
import StepRule from '../parts/StepRule.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

/** What a hand's movement becomes: steps, and how often the computer hears of it. */
const editor = useEditor()
const notices = useNotices()
const { edits, device } = usePending()
const profile = computed(() => editor.profile)
const model = computed(() => editor.model)
const sensor = computed(() => model.value?.sensor)
const steps = computed(() => profile.value?.steps ?? [])
const pending = computed(() => new Set(edits.value.map(({ what }) => what)))
const STEP_COLOURS = ['#e04f2f', '#f2c14e', '#2e9bd6', '#ffffff', '#3ad17a']

/** Makes an edit; a refusal is said at the foot of the window. */
function edit(label: string, change: (current: Profile) => Profile, gesture?: string): void {
  const refusal = editor.edit(label, change, gesture)
  if (refusal) notices.trouble(refusal)
}

function setDpi(index: number, dpi: number): string | undefined {
  const { value } = model
  return (
    value &&
    editor.edit(`step ${index + 1} to ${dpi} DPI`, (current) => setStep(current, value, index, { dpi }))
  )
}

function slide(index: number, dpi: number): void {
  const { value } = model
  if (value)
    edit(
      `step ${index + 1} to ${dpi} DPI`,
      (current) => setStep(current, value, index, { dpi }),
      `slide ${index}`,
    )
}

function setColour(index: number, colour: string): void {
  const { value } = model
  if (value)
    edit(
      `colour of step ${index + 1}`,
      (current) => setStep(current, value, index, { colour }),
      `colour ${index}`,
    )
}

function add(): void {
  const { value } = model
  const range = sensor.value
  if (!value || !range) return
  const last = steps.value.at(-1)?.dpi ?? range.minDpi
  const colour =
    STEP_COLOURS.find((each) => !steps.value.some((step) => step.colour === each)) ?? STEP_COLOURS[0]
  edit('add a step', (current) => addStep(current, value, { dpi: nearestDpi(range, last * 2), colour }))
}

function dragged({ oldIndex, newIndex }: SortableEvent): void {
  if (oldIndex !== undefined && newIndex !== undefined && oldIndex !== newIndex) move(oldIndex, newIndex)
}

const move = (from: number, to: number) =>
  edit(`move step ${from + 1}`, (current) => moveStep(current, from, to))

function setRate(connection: string, rateHz: number): void {
  const { value } = model
  if (value) edit(`polling at ${rateHz} Hz`, (current) => setPolling(current, value, connection, rateHz))
}
</script>

<template>
  <div v-if="profile && model" class="motion">
    <section v-if="!sensor" class="steps">
      <div class="intro">
        <h1>Motion</h1>
        <p class="soft">{{ model.name }} has no sensor, and so no steps. Its polling rate is set here.</p>
      </div>
    </section>
    <section v-else class="steps">
      <div class="intro">
        <h1>Steps</h1>
        <p class="soft">
          Sensitivity settings you switch between on the {{ model.kind }}. Equal distances on the rule feel
          like equal changes; drag a step along it, or type below.
        </p>
      </div>
      <StepRule :sensor="sensor" :steps="steps" :default-step="profile.defaultStep" @slide="slide" />
      <VueDraggable :model-value="steps" tag="ul" class="list" handle=".grip" :animation="120" @end="dragged">
        <StepRow
          v-for="(step, index) in steps"
          :key="index"
          :step="step"
          :index="index"
          :count="steps.length"
          :standard="index === profile.defaultStep"
          :sensor="sensor"
          :pending="pending.has(`Step ${index + 1}`)"
          :set-dpi="(dpi) => setDpi(index, dpi)"
          @colour="(colour) => setColour(index, colour)"
          @standard="edit(`step ${index + 1} as default`, (current) => setDefaultStep(current, index))"
          @move="(to) => move(index, to)"
          @remove="edit(`remove step ${index + 1}`, (current) => removeStep(current, index))"
        />
      </VueDraggable>
      <div class="foot">
        <button type="button" class="button" :disabled="steps.length >= sensor.maxSteps" @click="add">
          <AppIcon :path="mdiPlus" />Add a step
        </button>
        <span class="caption">
          {{ steps.length }} of {{ sensor.maxSteps }} · {{ sensor.minDpi }} to {{ sensor.maxDpi }} DPI in
          steps of {{ sensor.resolutionDpi }}
        </span>
      </div>
    </section>
    <section class="polling">
      <h2>Polling rate</h2>
      <p class="soft">
        How often the computer asks the {{ model.kind }} what is new. Each connection has its own.
      </p>
      <PollingRates
        :model="model"
        :polling="profile.polling"
        :in-use="device?.info?.connection"
        :connected="device?.connected ?? false"
        :pending="pending"
        @set="setRate"
      />
    </section>
  </div>
</template>

<style scoped>
.motion {
  display: grid;
  height: 100%;
  grid-template-columns: minmax(0, 1fr) 388px;
}

.steps {
  padding: 18px 24px;
  overflow: auto;
}

.intro {
  display: grid;
  max-width: 640px;
  gap: 2px;
}

.list {
  padding: 0;
  border-top: 1.5px solid var(--ink);
  margin: 0;
  list-style: none;
}

.foot {
  display: flex;
  align-items: center;
  gap: 14px;
  padding-top: 12px;
}

.polling {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 22px 24px;
  border-left: 1px solid var(--line);
  overflow: auto;
  background: var(--paper-low);
}

@media (width < 1000px) {
  .motion {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import { RichMessage } from '../../messages/rich-message'
import { t, textOf, withTexts } from '../../messages/page'
import { numberedInput } from '../../core/device/lookups'
import { useEventListener } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Connection, DeviceModel } from '../../core/device/model'
import { analyseStroke } from '../../core/measure/straightness'
import { handStroke, type StrokeKind } from '../../core/motion/hand-strokes'
import { MM_PER_INCH } from '../../core/motion/steps'
import type { Profile } from '../../core/document/schema'
import ScreenNote from '../../look/ScreenNote.vue'
import ChoiceRow from '../../look/ChoiceRow.vue'
import BlindResult from './BlindResult.vue'
import { useOwnMouse } from './own-mouse'
import SystemModel from './SystemModel.vue'
import TargetFigures from './TargetFigures.vue'
import { useTargetRun } from './target-run'
import TryCanvas from './TryCanvas.vue'
import type { TryOut } from './try-out'
import type { TracePoint } from './pointer-trace'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** The try-out: the current profile on a separate device, under the person's own hand. */
const props = defineProps<{
  tryOut: TryOut
  profile: Profile
  model: DeviceModel
  connection: Connection
  rateHz: number
}>()

const run = useTargetRun(props.tryOut)
const surface = useTemplateRef<HTMLElement>('surface')
const { locked, unadjusted, problem, take } = useOwnMouse(surface, props.tryOut)
const OWN_DPI = [400, 800, 1200, 1600, 3200].map((dpi) => ({ value: dpi, title: t('motion.dpi', { dpi }) }))
const MODES = [
  withTexts({ value: 'free' }, { text: 'motion.free' }),
  withTexts({ value: 'targets' }, { text: 'motion.targets' }),
  withTexts({ value: 'blind' }, { text: 'motion.blindComparison' }),
] as const
const mode = ref<(typeof MODES)[number]['value']>('free')
const STROKES: { kind: StrokeKind; text: string }[] = [
  withTexts({ kind: 'line' }, { text: 'motion.nearlyStraight' }),
  withTexts({ kind: 'slant' }, { text: 'motion.slanted' }),
  withTexts({ kind: 'circle' }, { text: 'motion.circle' }),
  withTexts({ kind: 'lift' }, { text: 'motion.liftedBack' }),
]
const seed = ref(1)

const inForce = computed(() => {
  const place = (props.tryOut.sight.value?.step ?? 1) - 1
  const step = props.profile.steps[place]
  return step && { ...step, place }
})
const pressable = computed(() => [
  { value: '', title: t('motion.noInput') },
  ...props.model.inputs
    .filter(({ kind }) => kind === 'press')
    .map((input) => ({ value: input.id, title: textOf(numberedInput(input)) })),
])
const blindNow = computed(() => mode.value === 'blind' && run.running.value)

/** Deviation of a drawn stroke from a straight line, as sent and by the hand. */
const straight = ref<string>()
watch(props.tryOut.counts, () => (straight.value = undefined))
const strays = (points: readonly TracePoint[]) => decimal(analyseStroke(points).strayRms, 1)

/** At actual size, one count is one px, so that it feels exactly as it will. */
async function large(): Promise<void> {
  await surface.value?.requestFullscreen()
  await take()
}
useEventListener(document, 'fullscreenchange', () => {
  const whole = document.fullscreenElement === surface.value
  run.stop()
  props.tryOut.setScreen(whole ? { width: window.innerWidth, height: window.innerHeight } : undefined)
})

const ARROWS: Partial<Record<string, [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function key(event: KeyboardEvent, down: boolean): void {
  const by = ARROWS[event.key]
  const digit = Number(event.key)
  const mm = event.shiftKey ? 0.1 : 1
  if (by && down) props.tryOut.move(mm * by[0], mm * by[1])
  else if ((event.key === ' ' || event.key === 'Enter') && !event.repeat) props.tryOut.pressOwn(0, down)
  else if (down && digit >= 1 && digit <= props.profile.steps.length && !blindNow.value)
    props.tryOut.tryStep(digit - 1)
  else return
  event.preventDefault()
}

function setMode(next: typeof mode.value | undefined): void {
  if (!next) return
  run.stop()
  props.tryOut.hold(undefined)
  mode.value = next
  props.tryOut.clear()
}

/** As long as the screen is wide, at any step. */
async function draw(kind: StrokeKind): Promise<void> {
  const px = kind === 'circle' ? 620 : kind === 'lift' ? 700 : 1500
  const mm = (px / (inForce.value?.dpi ?? 800)) * MM_PER_INCH
  await props.tryOut.draw(
    handStroke(kind, { mm, ms: kind === 'lift' ? 1200 : 700, seed: seed.value++ }),
    kind === 'circle',
  )
  if (kind === 'circle' || kind === 'lift') return
  // The rest arrives within a frame or two.
  await new Promise((resolve) => setTimeout(resolve, 60))
  const { trail, handTrail } = props.tryOut
  straight.value = t('motion.deviatesPxFromAStraightLineThe', {
    sent: strays(trail),
    hand: strays(handTrail),
  })
}
</script>

<template>
  <section
    class="flex min-w-0 flex-col gap-2.5 overflow-auto border-e border-line px-5 py-4"
    :aria-label="t('motion.tryOut')"
  >
    <header class="flex flex-wrap items-center justify-between gap-x-2.5 gap-y-1.5">
      <h2>{{ t('motion.tryOut') }}</h2>
      <v-btn variant="plain" class="soft me-auto" @click="tryOut.clear()">{{ t('motion.clear') }}</v-btn>
      <ChoiceRow
        :label="t('motion.task')"
        :choices="MODES"
        :model-value="mode"
        @update:model-value="setMode"
      />
    </header>
    <div
      ref="surface"
      class="surface relative flex-none overflow-hidden rounded-8 border-[1.5px] border-ink bg-paper-high"
      :class="{ locked }"
      tabindex="0"
      role="application"
      :aria-label="t('motion.tryOutSurfaceArrowKeysMoveThe')"
      @keydown="key($event, true)"
      @keyup="key($event, false)"
    >
      <TryCanvas :try-out="tryOut" :target="run.target.value" :show-hand="mode === 'free'" />
      <ScreenNote v-if="!blindNow" :note="tryOut.note.value" />
      <p class="corner">
        <template v-if="blindNow">{{
          t('motion.roundOf', { round: run.block.value + 1, rounds: run.blocks })
        }}</template>
        <template v-else-if="inForce">
          <span class="dot" :style="{ background: inForce.colour }" />
          <RichMessage message="motion.stepAndRate" :facts="{ connection: connection.name }">
            <template #dpi
              ><span class="mono">{{ tryOut.sight.value?.dpi }}</span></template
            >
            <template #rate
              ><span class="mono">{{ rateHz }}</span></template
            >
          </RichMessage>
        </template>
      </p>
      <p class="corner at-end mono" data-testid="counts">
        {{ tryOut.counts.value.x }}, {{ tryOut.counts.value.y }}
      </p>
    </div>
    <v-alert v-if="problem || tryOut.problem.value">
      {{ problem ?? tryOut.problem.value }}
    </v-alert>

    <div class="flow gap-x-2 gap-y-1.5">
      <v-btn variant="flat" color="ink" @click="take">
        {{ locked ? t('motion.pressEscToReleaseIt') : t('motion.useMyMouseHere') }}
      </v-btn>
      <span class="caption">{{ t('motion.setTo') }}</span>
      <SelectField
        :items="OWN_DPI"
        :model-value="tryOut.ownDpi.value"
        :aria-label="t('motion.dpiOfMyMouse')"
        @update:model-value="(dpi: number) => tryOut.setOwnDpi(dpi)"
      />
      <v-btn variant="plain" to="/measure?tool=counts">{{ t('motion.measure') }}</v-btn>
      <v-btn :title="t('motion.oneCountMovesOnePixelAsOn')" @click="large">
        {{ t('motion.actualSize') }}
      </v-btn>
    </div>

    <div v-if="mode === 'free'" class="flow gap-x-2 gap-y-1.5">
      <span class="caption">{{ t('motion.drawWithASimulatedHand') }}</span>
      <v-btn v-for="{ kind, text } in STROKES" :key="kind" @click="draw(kind)">
        {{ text }}
      </v-btn>
      <span v-if="straight" class="caption" data-testid="strays">{{ straight }}</span>
      <span class="caption ms-auto flex items-center gap-1.25"
        ><span class="hand" />{{ t('motion.hand') }} <span class="sent" />{{ t('motion.sent2') }}</span
      >
    </div>
    <div v-else-if="mode === 'targets'" class="flow gap-x-2 gap-y-1.5">
      <v-btn @click="run.start(seed++)">
        {{
          run.running.value ? t('motion.startAgain') : t('motion.startTargets', { count: run.targetsARun })
        }}
      </v-btn>
      <span class="caption">{{ t('motion.clickTheSolidRingsOnlyCrossThe') }}</span>
    </div>
    <BlindResult v-else :run="run" :profile="profile" @start="run.startBlind(seed++)" />
    <TargetFigures v-if="mode === 'targets' && run.reached.value.length > 1" :run="run" />
    <div v-if="mode !== 'blind'" class="flow caption gap-x-2 gap-y-1.5">
      {{ t('motion.hold') }}
      <SelectField
        :items="pressable"
        :model-value="tryOut.heldInput.value ?? ''"
        :aria-label="t('motion.inputHeldInTheTryOut')"
        @update:model-value="(input: string) => tryOut.hold(input || undefined)"
      />
    </div>
    <SystemModel :try-out="tryOut" :unadjusted="unadjusted" />
  </section>
</template>

<style scoped>
.surface.locked {
  border-color: var(--motion);
  box-shadow: 0 0 0 1px var(--motion);
}

.corner {
  position: absolute;
  bottom: 6px;
  inset-inline-start: 10px;
  color: var(--ink-soft);
  font-size: 0.858rem;
}

.corner.at-end {
  inset-inline-end: 10px;
  inset-inline-start: auto;
}

.dot {
  display: inline-block;
  width: 10px;
  height: 10px;
  border: 1px solid var(--line-strong);
  border-radius: 50%;
  margin-inline-end: 6px;
  vertical-align: -1px;
}

.hand,
.sent {
  width: 18px;
  border-top: 2px dashed var(--ink);
}

.sent {
  border-top: 3px solid var(--bar-motion);
  margin-inline-start: 6px;
}
</style>

<script setup lang="ts">
import { t } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { mdiClose } from '@mdi/js'
import { computed } from 'vue'
import { inputById } from '../../core/device/lookups'
import { lightsOfModel } from '../../core/light/plan'
import { followPointer } from '../shared/follow-pointer'
import HandSlider from './HandSlider.vue'
import type { Mark } from '../../core/timeline/marks'
import { WINDOWS_S } from './timeline'
import type { LightView } from './light-view'
import { decimal } from '../shared/numbers'
import { announce } from '../../look/announce'
import { SelectField } from '../../look/SelectField'

/** The scale of the timeline: the previewed time is moved on it, and triggers are placed on it. */
const props = defineProps<{ work: LightView }>()

const seconds = computed(() => props.work.windowMs.value / 1000)
const ticks = computed(() => {
  const every = TICKS_S[seconds.value] ?? 1
  return Array.from({ length: Math.floor(seconds.value / every) + 1 }, (_, index) => index * every)
})
/** Seconds between ticks, by the number of seconds. */
const TICKS_S: Record<number, number> = { 2: 0.5, 4: 1, 8: 2, 15: 3, 30: 5, 60: 10 }
const left = (ms: number) => `${(100 * ms) / props.work.windowMs.value}%`

function drag(event: PointerEvent): void {
  if (event.currentTarget instanceof Element)
    followPointer(event, event.currentTarget, ({ x }) => props.work.hold(x * props.work.windowMs.value))
}

const markText = (mark: Mark): string => {
  const { model, profile } = props.work
  switch (mark.kind) {
    case 'press':
      return t('light.pressOf', {
        name: (model.value && inputById(model.value, mark.input)?.name) ?? mark.input,
      })
    case 'layer':
      return t('light.active', { name: profile.value?.layers[mark.layer]?.name ?? t('light.layer') })
    case 'battery':
      return t('light.batteryAt', { percent: mark.percent })
    case 'macro':
      return t('light.macroRunning')
    case 'signal':
      return 'signal'
    case 'countdown':
      return t('light.n3SCountdown')
  }
}

/** Inputs whose press is useful to preview: those with effects, those of the selected lights, and the first. */
const pressed = computed(() => {
  const known = props.work.model.value
  if (!known) return []
  const ids = new Set([
    itemAt(known.inputs, 0).id,
    ...props.work.stack.value.flatMap((item) =>
      item.kind === 'effect' && item.when.kind === 'press' ? item.when.inputs : [],
    ),
    ...lightsOfModel(known).flatMap(({ id, input }) =>
      input && props.work.chosen.value.has(id) ? input : [],
    ),
  ])
  return known.inputs.filter(({ id }) => ids.has(id))
})

/** Triggers that can be added at the previewed time. */
const offers = computed((): { text: string; mark: Mark }[] => {
  const { model, profile } = props.work
  const atMs = props.work.nowMs.value
  const known = model.value
  if (!known || !profile.value) return []
  return [
    ...pressed.value.map(({ id, name }) => ({
      text: t('light.aPressOf', { name }),
      mark: { kind: 'press' as const, atMs, input: id },
    })),
    ...profile.value.layers.slice(1).map(({ name }, index) => ({
      text: t('light.becomesActive', { name }),
      mark: { kind: 'layer' as const, atMs, layer: index + 1 },
    })),
    { text: t('light.aMacroRuns'), mark: { kind: 'macro', atMs } },
    { text: t('light.aSignal'), mark: { kind: 'signal', atMs } },
    { text: t('light.a3SCountdown'), mark: { kind: 'countdown', atMs } },
    ...(known.electrical.battery
      ? [{ text: t('light.batteryAt10'), mark: { kind: 'battery' as const, atMs, percent: 10 } }]
      : []),
  ]
})
function setMark(mark: Mark): void {
  props.work.setMark(mark)
  announce(t('light.triggerAddedAtS', { trigger: markText(mark), seconds: decimal(mark.atMs / 1000, 1) }))
}
const windows = WINDOWS_S.map((value) => ({ value: value * 1000, title: `${value} s` }))
</script>

<template>
  <div
    class="ruler grid grid-cols-[158px_minmax(0,1fr)_116px] items-center gap-x-3.5 gap-y-1 ps-3.25 pe-4 pt-2.5 pb-1.5"
  >
    <div class="flex items-center gap-3.5">
      <h2>{{ t('light.timeline') }}</h2>
      <SelectField
        class="in-row"
        width="76"
        :items="windows"
        :model-value="work.windowMs.value"
        :aria-label="t('light.lengthOfTheTimeline')"
        @update:model-value="work.setWindow"
      />
    </div>
    <HandSlider
      class="scale mono relative h-7 cursor-ew-resize touch-none border-b border-ink"
      :label="t('light.previewTime')"
      :min="0"
      :max="work.windowMs.value"
      :value="work.playing.value ? undefined : work.nowMs.value"
      :text="work.playing.value ? t('light.playing') : `${decimal(work.nowMs.value / 1000, 2)} s`"
      :step="10"
      :page="250"
      @set="work.hold"
      @grab="drag"
    >
      <span
        v-for="tick in ticks"
        :key="tick"
        class="tick pointer-events-none absolute bottom-1 -translate-x-1/2 text-12 text-ink-soft"
        :style="{ left: left(1000 * tick) }"
        >{{ tick }}</span
      >
    </HandSlider>
    <v-menu>
      <template #activator="{ props: activator }">
        <v-btn size="small" v-bind="activator" :title="t('light.previewATrigger')">{{
          t('light.addTrigger')
        }}</v-btn>
      </template>
      <v-list role="menu" :aria-label="t('light.addTrigger')" max-height="420">
        <v-list-item
          v-for="{ text, mark } in offers"
          :key="text"
          role="menuitem"
          :title="text"
          :subtitle="t('light.atS', { seconds: decimal(mark.atMs / 1000, 1) })"
          @click="setMark(mark)"
        />
      </v-list>
    </v-menu>
    <ul
      v-if="work.marks.value.length"
      class="marks relative col-start-2 m-0 list-none p-0"
      :aria-label="t('light.triggers')"
      :style="{ height: `${25 * Math.min(3, work.marks.value.length) + 1}px` }"
    >
      <li
        v-for="(mark, index) in work.marks.value"
        :key="index"
        class="absolute flex h-6 items-center border-s-2 border-binding ps-1 text-12 whitespace-nowrap text-binding"
        :style="{ left: left(mark.atMs), top: `${25 * (index % 3)}px` }"
      >
        <span>{{ markText(mark) }}</span>
        <v-btn
          icon
          size="small"
          variant="text"
          :aria-label="t('light.removeTheTrigger', { trigger: markText(mark) })"
          @click="work.unsetMark(index)"
        >
          <v-icon size="12" :icon="mdiClose" />
        </v-btn>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.tick::after {
  position: absolute;
  bottom: -4px;
  left: 50%;
  width: 1px;
  height: 5px;
  background: var(--ink);
  content: '';
}

.marks .v-btn {
  --v-btn-height: 24px;
}

/* As wide as the strips below it. */
@media (width < 700px) {
  .ruler {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .scale,
  .marks {
    grid-row: auto;
    grid-column: 1 / 3;
    margin-right: 38px;
  }

  .scale {
    grid-row: 2;
  }
}
</style>

<script setup lang="ts">
import { mdiContentCopy, mdiDeleteOutline, mdiDragVertical, mdiEyeOffOutline, mdiEyeOutline } from '@mdi/js'
import { computed, useTemplateRef } from 'vue'
import { holdsFrom } from '../../core/effects/conditions'
import { timingOf } from '../../core/effects/registry'
import { waits } from '../../core/light/motion'
import { PERIOD, type LightState, type SetOff } from '../../core/effects/effect'
import { type StackItem } from '../../core/document/light'
import { lightIds } from '../../core/terms/light'
import { duplicateEffect, lightsIn, moveEffect, removeEffect } from '../../core/edits/light-edits'
import { EFFECT_WORDS, itemName, parameterWord, whenText, whereText } from '../../core/text/light-words'
import MoveButtons from '../shared/MoveButtons.vue'
import { followPointer } from './drag'
import { asIfSetOff } from '../../core/timeline/marks'
import EffectSettings from './EffectSettings.vue'
import HandSlider from './HandSlider.vue'
import StripPicture from './StripPicture.vue'
import type { LightWork } from './work'

/** One effect as what it does over its time: moved sideways for its phase, by its end for its period, by its side for
 * how much of it shows. Its settings open under it. */
const props = defineProps<{ item: StackItem; place: number; work: LightWork }>()
const name = computed(() => itemName(props.item))
const entry = computed(() => (props.item.kind === 'effect' ? props.item : undefined))
const effect = computed(() => entry.value?.effect)
const isOpen = computed(() => props.work.open.value === props.place)
const isWithout = computed(() => props.work.without.value.has(props.place))
const stack = computed(() => props.work.lowered([props.item]))

/** What is set off by nothing on this time line is drawn as it would be, faintly. */
const idle = computed(() => {
  const [own] = stack.value
  const { windowMs, state } = props.work
  if (!own) return false
  return !Array.from({ length: 24 }, (_, at) => Math.floor((at * windowMs.value) / 24)).some((ms) => {
    const now = state(ms)
    return now && holdsFrom(own.when, now, ms) !== undefined && !waits(own.effect, now)
  })
})
const drawn = computed(() =>
  idle.value ? stack.value.map((own) => ({ ...own, when: { kind: 'always' } as const })) : stack.value,
)
const stateDrawn = computed(() => (ms: number): LightState | undefined => {
  const now = props.work.state(ms)
  const { unlit, model, windowMs } = props.work
  const [own] = stack.value
  if (!idle.value || !now || !own || !unlit.value || !model.value) return now
  return asIfSetOff(now, ms, own, { profile: unlit.value, model: model.value, windowMs: windowMs.value })
})
/** A keyboard has too many lights for a row each; then those the effect is on have one. */
const MOST_ROWS = 16
const lightRows = computed(() => {
  const { model } = props.work
  if (!entry.value || !model.value) return undefined
  const all = lightIds(model.value)
  return all.length <= MOST_ROWS
    ? undefined
    : lightsIn(model.value, entry.value.where).map((id) => all.indexOf(id))
})

const about = computed(() => {
  const { value } = entry
  const { model, context } = props.work
  if (!value || !model.value || !context.value) return { what: 'kept as it is, byte for byte', when: '' }
  const kind = EFFECT_WORDS[value.effect.kind].text.toLowerCase()
  const [own] = stack.value
  const timing = own && timingOf(own.effect)
  const ready = value.when.kind === 'always' && timing?.moves === 'after' ? SET_OFF[timing.what] : undefined
  const where = whereText(value.where, model.value)
  return {
    what: value.name ? `${kind} · ${where}` : where,
    when: [
      ready ?? whenText(value.when, context.value),
      ...(value.opacity < 100 ? [`${value.opacity} %`] : []),
      ...(value.mix === 'adds' ? ['adds'] : []),
    ].join(' · '),
  }
})

/** What always stands ready, and shows when this is so. */
const SET_OFF: Record<SetOff, string> = {
  press: 'at each press',
  layer: 'while layers are on',
  countdown: 'while a countdown runs',
}

const period = computed(() =>
  effect.value && 'periodMs' in effect.value ? effect.value.periodMs : undefined,
)
const shift = computed(() => (effect.value && 'shift' in effect.value ? effect.value.shift : undefined))
const band = useTemplateRef<HTMLElement>('band')

function set(by: object, what: string): void {
  if (effect.value)
    props.work.change(
      props.place,
      { effect: { ...effect.value, ...by } },
      parameterWord(what).toLowerCase(),
      what,
    )
}

/** Where it begins goes round: after 99 % comes 0. */
const setShift = (value: number) => set({ shift: ((Math.round(value) % 100) + 100) % 100 }, 'shift')
function dragShift(event: PointerEvent): void {
  const [now, periodMs] = [shift.value, period.value]
  if (now === undefined || periodMs === undefined || !band.value) return
  followPointer(event, band.value, (at, from) => {
    if (at !== from) setShift(now - (100 * (at.x - from.x) * props.work.windowMs.value) / periodMs)
  })
}

function setPeriod(ms: number): void {
  const grid = ms > 1000 ? 50 : 10
  set({ periodMs: Math.max(PERIOD.least, Math.min(PERIOD.most, Math.round(ms / grid) * grid)) }, 'period')
}
function dragPeriod(event: PointerEvent): void {
  if (!band.value) return
  followPointer(event, band.value, (at, from) => {
    if (at !== from) setPeriod(at.x * props.work.windowMs.value)
  })
}

function setOpacity(opacity: number): void {
  const bounded = Math.max(1, Math.min(100, Math.round(opacity)))
  props.work.change(props.place, { opacity: bounded }, `opacity ${bounded} %`, 'opacity')
}
function dragOpacity(event: PointerEvent): void {
  if (event.currentTarget instanceof Element)
    followPointer(event, event.currentTarget, ({ y }) => setOpacity(100 * (1 - y)))
}

function move(to: number): void {
  props.work.edit(['move-effect', { effect: name.value, place: to + 1 }], (current) =>
    moveEffect(current, props.place, to),
  )
  props.work.openAt(isOpen.value ? to : undefined)
}
function remove(): void {
  props.work.close()
  props.work.edit(['remove-effect', { effect: name.value }], (current) => removeEffect(current, props.place))
}
const duplicate = () =>
  props.work.edit(['copy-effect', { effect: name.value }], (current) => duplicateEffect(current, props.place))
</script>

<template>
  <li
    class="effect grid grid-cols-[158px_minmax(0,1fr)_24px_78px] items-center gap-x-3.5 gap-y-1 border-l-3 border-transparent py-2 pr-4 pl-2.5"
    :class="{ open: isOpen, without: isWithout, idle }"
    :aria-label="name"
  >
    <div class="info relative min-w-0 pl-5">
      <span
        class="grip absolute top-1 left-0 cursor-grab text-ink-faint"
        title="Drag to another place"
        aria-hidden="true"
        ><v-icon :icon="mdiDragVertical"
      /></span>
      <v-btn
        variant="text"
        class="name"
        :aria-expanded="isOpen"
        :disabled="!entry"
        :title="`Settings of ${name}`"
        @click="work.openAt(isOpen ? undefined : place)"
      >
        {{ name }}
      </v-btn>
      <span
        v-if="work.isPending(place)"
        class="pending ml-1.5 text-pending"
        title="Not on the device as it is here"
        >●</span
      >
      <p class="caption" :title="about.what">{{ about.what }}</p>
      <p class="caption" :title="about.when"><span v-if="idle">(not now) </span>{{ about.when }}</p>
    </div>
    <div ref="band" class="band relative h-13 rounded-4 bg-unlit">
      <StripPicture
        v-if="work.model.value && !isWithout"
        :stack="drawn"
        :model="work.model.value"
        :window-ms="work.windowMs.value"
        :level="work.level.value"
        :state="stateDrawn"
        :rows="lightRows"
        :label="`What ${name} shows in ${work.windowMs.value / 1000} s`"
      />
      <HandSlider
        v-if="shift !== undefined"
        class="absolute inset-0 cursor-ew-resize touch-none rounded-4"
        :label="`Where ${name} begins in its period`"
        :min="0"
        :max="99"
        :value="shift"
        :text="`${shift} %`"
        :step="1"
        :page="10"
        title="Drag sideways for where it begins"
        @set="setShift"
        @grab="dragShift"
      />
      <HandSlider
        v-if="period !== undefined && period <= work.windowMs.value"
        class="end absolute -top-0.75 -bottom-0.75 -ml-3 w-6 cursor-col-resize touch-none"
        :label="`Period of ${name}, on its strip`"
        :min="PERIOD.least"
        :max="PERIOD.most"
        :value="period"
        :text="`${period / 1000} s`"
        :step="50"
        :page="500"
        :style="{ left: `${(100 * period) / work.windowMs.value}%` }"
        title="Drag for the period"
        @set="setPeriod"
        @grab="dragPeriod"
      />
    </div>
    <HandSlider
      v-if="entry"
      class="opacity relative h-13 cursor-ns-resize touch-none rounded-4"
      aria-orientation="vertical"
      :label="`Opacity of ${name}`"
      :min="1"
      :max="100"
      :value="entry.opacity"
      :text="`${entry.opacity} %`"
      :step="1"
      :page="10"
      title="How much of it shows"
      @set="setOpacity"
      @grab="dragOpacity"
    >
      <i :style="{ height: `${entry.opacity}%` }" />
    </HandSlider>
    <div class="tools">
      <v-btn
        icon
        size="small"
        variant="text"
        :aria-pressed="isWithout"
        :aria-label="`See without ${name}`"
        :title="isWithout ? 'Left out of what you see; the device still has it' : 'See without it'"
        @click="work.toggleWithout(place)"
      >
        <v-icon :icon="isWithout ? mdiEyeOffOutline : mdiEyeOutline" />
      </v-btn>
      <MoveButtons :what="name" :place="place" :count="work.stack.value.length" @move="move" />
      <v-btn icon size="small" variant="text" :aria-label="`Duplicate ${name}`" @click="duplicate">
        <v-icon :icon="mdiContentCopy" />
      </v-btn>
      <v-btn icon size="small" variant="text" :aria-label="`Remove ${name}`" @click="remove">
        <v-icon :icon="mdiDeleteOutline" />
      </v-btn>
    </div>
    <EffectSettings
      v-if="isOpen && entry"
      class="relative z-2 col-span-full bg-paper-high"
      :entry="entry"
      :place="place"
      :work="work"
    />
  </li>
</template>

<style scoped>
.effect.open {
  border-left-color: var(--bar-light);
  background: var(--paper-high);
}

.info .caption {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name.v-btn {
  --v-btn-height: 24px;

  max-width: 100%;
  padding: 0;
  color: var(--ink);
  font-weight: 650;
}

.name :deep(.v-btn__content) {
  overflow: hidden;
  display: block;
  text-overflow: ellipsis;
}

.without .band {
  opacity: 0.35;
}

.idle .band :deep(.strip) {
  opacity: 0.4;
}

.end::before {
  position: absolute;
  width: 4px;
  border: 1px solid var(--ink);
  border-radius: 2px;
  background: var(--paper-high);
  content: '';
  inset: 0 10px;
}

.opacity::before,
.opacity i {
  position: absolute;
  right: 6px;
  bottom: 0;
  left: 6px;
  border-radius: 4px;
  background: var(--bar-light);
}

.opacity::before {
  top: 0;
  border: 1px solid var(--line-strong);
  background: var(--paper-high);
  content: '';
}

/* How much of the effect shows is told by height alone. */
@media (forced-colors: active) {
  .opacity i {
    background: CanvasText;
    forced-color-adjust: none;
  }
}

.tools {
  display: flex;
  flex-wrap: wrap;
}

/* The strip keeps the whole width; what it is and what can be done with it stand above. */
@media (width < 700px) {
  .effect {
    grid-template-columns: minmax(0, 1fr) auto 24px;
  }

  .tools {
    grid-row: 1;
    grid-column: 2 / 4;
  }

  .band {
    grid-column: 1 / 3;
  }

  /* The line of the moment that shows goes behind the words. */
  .info,
  .tools {
    position: relative;
    z-index: 2;
    background: var(--paper-low);
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { LightZone } from '../../core/device/model'
import type { Effect, LaterEffect } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import ColourField from '../shared/ColourField.vue'

/** What one zone shows. What an effect does not use is remembered for when it is chosen again. */
const props = defineProps<{
  zone: LightZone
  effect: Effect
  currentMa: number
  indicator: boolean
  /** Whether the device has steps at all. */
  steps: boolean
  pending: boolean
}>()
const emit = defineEmits<{ change: [effect: Effect, what: string] }>()

type Kind = Exclude<Effect, LaterEffect>['kind']

const KINDS: { value: Kind; text: string; about: string }[] = [
  { value: 'off', text: 'Off', about: 'Dark' },
  { value: 'solid', text: 'Solid', about: 'One colour, steady' },
  { value: 'breathing', text: 'Breathing', about: 'One colour, swelling and fading' },
  { value: 'cycle', text: 'Cycle', about: 'Around the whole colour circle' },
  { value: 'step', text: 'Step colour', about: 'The colour of the step in use' },
]
const kinds = computed(() => {
  const { effects } = props.zone
  return KINDS.filter(({ value }) => effects?.includes(value) ?? (value !== 'step' || props.steps))
})
const remembered = { colour: '#ffc46b', brightness: 70, periodMs: 4000 }
const settings = computed(() => Object.assign(remembered, settingsOf(props.effect)))

function settingsOf(effect: Effect): Partial<typeof remembered> {
  if (effect.kind === 'later') return {}
  const { kind: _kind, ...own } = effect
  return own
}

function withKind(kind: Kind, { colour, brightness, periodMs }: typeof remembered): Effect {
  if (kind === 'off') return { kind }
  if (kind === 'solid') return { kind, colour, brightness }
  if (kind === 'step') return { kind, brightness }
  return kind === 'breathing' ? { kind, colour, brightness, periodMs } : { kind, brightness, periodMs }
}

const setKind = (kind: Kind) => emit('change', withKind(kind, settings.value), `to ${kind}`)
const set = (change: Partial<typeof remembered>, what: string) =>
  props.effect.kind !== 'later' &&
  emit('change', withKind(props.effect.kind, { ...settings.value, ...change }), what)

/** The slider goes by speed: to the right is faster, each notch the same factor. */
const FASTEST_MS = 500
const SLOWEST_MS = 10_000
const speed = computed(() => {
  const { periodMs } = settings.value
  return Math.round(100 * (1 - Math.log(periodMs / FASTEST_MS) / Math.log(SLOWEST_MS / FASTEST_MS)))
})
const periodAt = (value: number) =>
  Math.round((FASTEST_MS * (SLOWEST_MS / FASTEST_MS) ** (1 - value / 100)) / 50) * 50
</script>

<template>
  <section class="zone" :aria-label="zone.name">
    <div class="title">
      <h2>{{ zone.name }}</h2>
      <span v-if="pending" class="pending">not on the device</span>
      <span class="caption end"
        >{{ zone.lights }} {{ zone.lights === 1 ? 'light' : 'lights' }} ·
        <span class="mono">{{ currentMa.toFixed(1) }} mA</span> on average</span
      >
    </div>
    <ChoiceRow
      family="light"
      even
      :label="`Effect of ${zone.name}`"
      :choices="kinds"
      :model-value="effect.kind === 'later' ? undefined : effect.kind"
      @update:model-value="(kind) => kind && setKind(kind)"
    />
    <p v-if="effect.kind === 'later'" class="caption">
      This light is from a later version of Unisera. It is kept as it is, byte for byte, until you choose
      another.
    </p>
    <div v-if="'colour' in effect" class="setting">
      <span>Colour</span>
      <ColourField
        class="own"
        :colour="effect.colour"
        :label="`Colour of ${zone.name}`"
        @change="(colour) => set({ colour }, 'colour')"
      />
    </div>
    <div v-if="'brightness' in effect" class="setting">
      <span>Brightness</span>
      <v-slider
        color="bar-light"
        :model-value="effect.brightness"
        :min="1"
        :max="100"
        :step="1"
        hide-details
        :aria-label="`Brightness of ${zone.name}`"
        @update:model-value="(brightness) => set({ brightness }, 'brightness')"
      />
      <span class="mono figure">{{ effect.brightness }} %</span>
    </div>
    <div v-if="'periodMs' in effect" class="setting">
      <span>Speed</span>
      <v-slider
        color="bar-light"
        :model-value="speed"
        :min="0"
        :max="100"
        :step="1"
        hide-details
        :aria-label="`Speed of ${zone.name}`"
        @update:model-value="(value) => set({ periodMs: periodAt(value) }, 'speed')"
      />
      <span class="mono figure">{{ (effect.periodMs / 1000).toFixed(2) }} s</span>
    </div>
    <p v-if="zone.effects?.includes('step')" class="caption">
      This light has the colour of the step in use, or none.
    </p>
    <p v-else-if="indicator && steps" class="caption">
      After a step is changed this zone shows the step’s colour for two seconds.
    </p>
  </section>
</template>

<style scoped>
.zone {
  display: grid;
  gap: 10px;
  padding: 14px 0 16px;
  border-top: 1.5px solid var(--ink);
}

.title {
  display: flex;
  align-items: baseline;
  gap: 10px;
}

.end {
  margin-left: auto;
}

.pending {
  color: var(--pending);
  font-size: 12px;
}

.setting {
  display: grid;
  min-height: 34px;
  align-items: center;
  gap: 12px;
  grid-template-columns: 84px 1fr 62px;
}

.own {
  justify-self: start;
}

.figure {
  text-align: right;
}
</style>

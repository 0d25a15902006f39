<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose, mdiDragVertical, mdiMinus, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import { handDistanceMm, type SensorRange } from '../../core/motion/steps'
import AppIcon from './AppIcon.vue'
import ColourField from './ColourField.vue'
import DpiField from './DpiField.vue'

/** One step: its colour, its DPI typed or nudged, whether it is the default, its place in the row. */
const props = defineProps<{
  step: { dpi: number; colour: string }
  index: number
  count: number
  standard: boolean
  sensor: SensorRange
  pending: boolean
  setDpi: (dpi: number) => string | undefined
}>()
const emit = defineEmits<{ colour: [colour: string]; standard: []; move: [to: number]; remove: [] }>()
const name = computed(() => `Step ${props.index + 1}`)
const SCREEN_PX = 1920
const hand = computed(() => `${handDistanceMm(SCREEN_PX, props.step.dpi).toFixed(0)} mm`)
</script>

<template>
  <li class="row">
    <span class="grip" title="Drag to another place" aria-hidden="true"
      ><AppIcon :path="mdiDragVertical"
    /></span>
    <span class="name">{{ name }}</span>
    <ColourField
      :colour="step.colour"
      :label="`Colour of ${name.toLowerCase()}`"
      @change="(colour) => emit('colour', colour)"
    />
    <span class="dpi">
      <button
        type="button"
        class="button square"
        :aria-label="`${name} lower`"
        :disabled="step.dpi <= sensor.minDpi"
        @click="setDpi(step.dpi - sensor.resolutionDpi)"
      >
        <AppIcon :path="mdiMinus" />
      </button>
      <DpiField :dpi="step.dpi" :label="`${name} in DPI`" :apply="setDpi" />
      <button
        type="button"
        class="button square"
        :aria-label="`${name} higher`"
        :disabled="step.dpi >= sensor.maxDpi"
        @click="setDpi(step.dpi + sensor.resolutionDpi)"
      >
        <AppIcon :path="mdiPlus" />
      </button>
    </span>
    <span class="caption hand"
      ><span class="mono">{{ hand }}</span> of hand<br />for {{ SCREEN_PX }} px</span
    >
    <label class="standard">
      <input type="radio" name="default-step" :checked="standard" @change="emit('standard')" /> default
    </label>
    <span class="pending">{{ pending ? 'not on the device' : '' }}</span>
    <span class="ends">
      <button
        type="button"
        class="button plain square"
        :aria-label="`Move ${name.toLowerCase()} up`"
        :disabled="index === 0"
        @click="emit('move', index - 1)"
      >
        <AppIcon :path="mdiArrowUp" />
      </button>
      <button
        type="button"
        class="button plain square"
        :aria-label="`Move ${name.toLowerCase()} down`"
        :disabled="index === count - 1"
        @click="emit('move', index + 1)"
      >
        <AppIcon :path="mdiArrowDown" />
      </button>
      <button
        type="button"
        class="button plain square"
        :aria-label="`Remove ${name.toLowerCase()}`"
        :disabled="count === 1"
        @click="emit('remove')"
      >
        <AppIcon :path="mdiClose" />
      </button>
    </span>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  min-height: 48px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  gap: 10px;
  grid-template-columns: 20px 52px 110px auto 96px 76px minmax(0, 1fr) auto;
}

.grip {
  color: var(--ink-faint);
  cursor: grab;
}

.name {
  font-weight: 600;
}

.dpi {
  display: flex;
  gap: 3px;
}

.hand {
  line-height: 1.25;
}

.standard {
  display: flex;
  align-items: center;
  gap: 4px;
  cursor: pointer;
}

.standard input {
  margin: 0;
  accent-color: var(--ink);
}

.pending {
  color: var(--pending);
  font-size: 12px;
}

.ends {
  display: flex;
}

@media (width < 1000px) {
  .row {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>

<script setup lang="ts">
import { POINTER_CURVES } from '../../core/motion/pointer-curve'
import type { TryOut } from './try-out'

/** What an operating system does to the counts before the pointer moves: modelled, explained, and not on the device. */
const props = defineProps<{ tryOut: TryOut; unadjusted: boolean }>()

function setCurve({ target }: Event): void {
  const curve =
    target instanceof HTMLSelectElement ? POINTER_CURVES.find(({ id }) => id === target.value) : undefined
  if (curve) props.tryOut.setSystem(curve.id, props.tryOut.systemFactor.value)
}

function setFactor({ target }: Event): void {
  if (target instanceof HTMLInputElement)
    props.tryOut.setSystem(props.tryOut.curveId.value, target.valueAsNumber)
}
</script>

<template>
  <details class="system">
    <summary>What the computer’s system adds <span class="caption">not on the device</span></summary>
    <div class="flow">
      <label class="caption"
        >Acceleration
        <select
          :value="tryOut.curveId.value"
          class="field"
          aria-label="Acceleration of the system"
          @change="setCurve"
        >
          <option v-for="{ id, name } in POINTER_CURVES" :key="id" :value="id">{{ name }}</option>
        </select>
      </label>
      <label class="caption"
        >Pointer speed × <span class="mono">{{ tryOut.systemFactor.value }}</span>
        <input
          type="range"
          min="0.25"
          max="2"
          step="0.25"
          :value="tryOut.systemFactor.value"
          aria-label="Pointer speed of the system"
          @input="setFactor"
        />
      </label>
    </div>
    <p class="caption">
      {{ POINTER_CURVES.find(({ id }) => id === tryOut.curveId.value)?.about }}. Systems bend the pointer
      after the counts have arrived; games mostly read the counts themselves. It is modelled here, and nothing
      of it is set by Unisera; nor are the time of a double click and the lines a wheel scrolls, which each
      system keeps for itself. The pointer speed counts in the sums of the steps.<template v-if="!unadjusted">
        This browser hands over your mouse’s movement with your own system’s acceleration in it.</template
      >
    </p>
  </details>
</template>

<style scoped>
label {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}

label {
  gap: 6px;
}

.system {
  padding-top: 8px;
  border-top: 1px solid var(--line);
  margin-top: auto;
}

summary {
  cursor: pointer;
  font-weight: 600;
}

summary .caption {
  font-weight: 400;
}

.system .flow {
  padding: 8px 0 4px;
}

input[type='range'] {
  width: 110px;
  accent-color: var(--motion);
}
</style>

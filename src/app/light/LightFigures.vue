<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { profilePower } from '../../core/terms/profile-power'
import type { LightWork } from './work'
import { decimal } from '../shared/numbers'

/** What the light costs, and what the change just made has cost or spared. */
const props = defineProps<{ work: LightWork }>()
const figures = computed(() => props.work.figures.value)
const hours = computed(() => {
  const { profile, model } = props.work
  const wireless = model.value?.connections.find(({ id }) => id === 'receiver')
  if (!profile.value || !model.value || !wireless) return undefined
  return profilePower(profile.value, model.value, wireless)?.hoursInHand
})
const change = ref(0)
watch(hours, (now, before) => {
  change.value = now !== undefined && before !== undefined ? Math.round(now - before) : 0
})
const limited = computed(() => props.work.driven.value?.limited ?? false)
</script>

<template>
  <div class="contents" role="status">
    <p v-if="figures && work.model.value" class="m-0">
      light takes <span class="mono">{{ decimal(figures.meanMa, 1) }} mA</span>, at most
      <span class="mono">{{ decimal(figures.peakMa, 1) }}</span>
      <template v-if="hours !== undefined">
        · <span class="mono">{{ Math.round(hours) }} h</span> in hand
        <strong v-if="change < 0" class="text-pending">{{ -change }} h less than before</strong>
        <strong v-else-if="change > 0" class="text-motion">{{ change }} h more than before</strong>
      </template>
      <template v-if="figures.limited || limited">
        · dimmed to stay under <span class="mono">{{ work.model.value.electrical.limitMa }} mA</span>
      </template>
    </p>
  </div>
</template>

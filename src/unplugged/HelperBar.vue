<script setup lang="ts">
import { itemAt } from '../core/base/items'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { HELPER_FILE } from '../core/computer/app-rules'
import type { OperatingSystem } from '../core/computer/systems'
import ChoiceRow from '../look/ChoiceRow.vue'
import type { HelperAct } from '../helper/helper'
import { programsOf } from '../helper/programs'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/face'

/**
 * Programs to bring to the front, and the helper that app rules need: the one thing here that is more than a bare
 * computer, and off until it is switched on.
 */
const props = defineProps<{
  simulator: SimulatorClient
  entries: readonly DeviceEntry[]
  system: OperatingSystem
}>()
const programs = computed(() => programsOf(props.system).map((text, value) => ({ value, text })))
const front = ref(0)
const on = ref(false)
const act = shallowRef<HelperAct>()
const trouble = ref<string>()
let heard: ((program: string) => Promise<HelperAct | undefined>) | undefined

async function look(): Promise<void> {
  trouble.value = undefined
  if (!on.value) {
    heard = undefined
    act.value = undefined
    return
  }
  try {
    const { startHelper } = await import('../helper/start')
    heard ??= startHelper(props.simulator, props.entries)
    act.value = (await heard(itemAt(programs.value, front.value).text)) ?? act.value
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
}
watch([on, front, () => props.system], look)
// As a helper watches its file: what is in front is looked at again by the rules as they are now.
useEventListener(window, 'storage', ({ key }) => {
  if (key === HELPER_FILE && on.value) void look()
})

const told = computed(() => {
  if (trouble.value) return `The rules cannot be used: ${trouble.value}`
  if (!on.value) return 'No helper runs: whatever is in front, devices stay as they are.'
  const { value } = act
  if (!value) return 'The helper runs.'
  if (value.without) return 'The helper has no rules. They are made in Unisera, under Devices, App rules.'
  const met = value.rule === undefined ? 'meets no rule' : `meets rule ${value.rule + 1}`
  const done = value.done.map(({ device, what }) => `${device}: ${what}`)
  return `${value.program} ${met}. ${done.length > 0 ? `${done.join('; ')}.` : 'Devices stay as they are.'}`
})
</script>

<template>
  <section
    class="bar flex flex-wrap items-center gap-x-4.5 gap-y-1 border-b border-line-strong bg-paper-low px-5 py-1.5"
    aria-label="Programs and the helper"
  >
    <span class="caption">In front</span>
    <ChoiceRow v-model="front" label="Program in front" :choices="programs" />
    <v-switch v-model="on" label="Helper for app rules" />
    <p
      class="flex-[1_1_300px]"
      role="status"
      data-testid="helper"
      :class="{ failed: trouble || act?.done.some(({ failed }) => failed) }"
    >
      {{ told }}
    </p>
  </section>
</template>

<style scoped>
.failed {
  color: var(--pending);
}
</style>

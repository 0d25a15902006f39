<script setup lang="ts">
import { errorText } from '../look/error-text'
import { listText, t, textOf } from '../messages/page'
import { itemAt } from '../core/base/items'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { HELPER_FILE } from '../core/computer/app-rules'
import type { OperatingSystem } from '../core/computer/operating-systems'
import ChoiceRow from '../look/ChoiceRow.vue'
import type { HelperResponse } from '../helper/helper'
import { programsOf } from '../helper/programs'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/api'

/** Programs to bring to the front, and the helper for app rules: the only software on this computer, off by default. */
const props = defineProps<{
  simulator: SimulatorClient
  entries: readonly DeviceEntry[]
  system: OperatingSystem
}>()
const programs = computed(() => programsOf(props.system).map((text, value) => ({ value, text })))
const front = ref(0)
const on = ref(false)
const act = shallowRef<HelperResponse>()
const trouble = ref<string>()
let heard: ((program: string) => Promise<HelperResponse | undefined>) | undefined

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
    trouble.value = errorText(error)
  }
}
watch([on, front, () => props.system], look)
// Like a helper that watches its file: the program in front is checked again with the current rules.
useEventListener(window, 'storage', ({ key }) => {
  if (key === HELPER_FILE && on.value) void look()
})

const told = computed(() => {
  if (trouble.value) return t('unplugged.theRulesCannotBeUsed', { problem: trouble.value })
  if (!on.value) return t('unplugged.theHelperIsOffDevicesKeepTheir')
  const { value } = act
  if (!value) return t('unplugged.theHelperIsOn')
  if (value.without) return t('unplugged.theHelperHasNoRulesCreateThem')
  const match =
    value.rule === undefined
      ? t('unplugged.matchesNoRule')
      : t('unplugged.matchesRule', { rule: value.rule + 1 })
  const { program, done } = value
  if (done.length === 0) return t('unplugged.devicesKeepTheirSlots', { program, match })
  const effects = listText(
    done.map(({ device, what }) => t('unplugged.text2', { device, effect: textOf(what) })),
  )
  return t('unplugged.text', { program, match, effects })
})
</script>

<template>
  <section
    class="bar flex flex-wrap items-center gap-x-4.5 gap-y-1 border-b border-line-strong bg-paper-low px-5 py-1.5"
    :aria-label="t('unplugged.programsAndHelper')"
  >
    <span class="caption">{{ t('unplugged.inFront') }}</span>
    <ChoiceRow v-model="front" :label="t('unplugged.programInFront')" :choices="programs" />
    <v-switch v-model="on" :label="t('unplugged.helperForAppRules')" />
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

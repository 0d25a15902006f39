<script setup lang="ts">
import { t } from '../messages/page'
import { onErrorCaptured, ref, shallowRef, watch } from 'vue'
import { recordFault, shownFault } from './faults'
import type { Fault } from './report'

/** Keeps the rest of the application working when a view fails. */
const props = defineProps<{ address: string }>()
const failed = shallowRef<Fault>()
const round = ref(0)

/**
 * Failures while a component is set up or rendered, by Vue's codes of a production build and its words in other builds;
 * errors in clicks or timers leave the view as it is.
 */
const DRAWING = new Set([
  ...['0', '1', '15', 'bc', 'c', 'bm', 'm', 'bu', 'u'],
  ...['setup function', 'render function', 'component update'],
  ...[
    'beforeCreate hook',
    'created hook',
    'beforeMount hook',
    'mounted hook',
    'beforeUpdate hook',
    'updated',
  ],
])

onErrorCaptured((error, _, info) => {
  if (!DRAWING.has(info.split('#runtime-').at(-1) ?? '')) return true
  failed.value = recordFault(error)
  // The message replaces the view, so the bar is not needed.
  shownFault.value = undefined
  return false
})

watch(() => props.address, tryAgain)
function tryAgain(): void {
  failed.value = undefined
  round.value++
}
</script>

<template>
  <div
    v-if="failed"
    class="grid h-full content-center justify-items-center gap-3 bg-paper p-8 text-center"
    data-testid="failed-view"
  >
    <h2>{{ t('faults.thisViewFailed') }}</h2>
    <p class="max-w-[620px]">
      {{ t('faults.everythingYouHaveSavedIsSafeAnd', { message: failed.message }) }}
    </p>
    <p class="flex gap-2">
      <v-btn variant="flat" color="ink" @click="tryAgain">{{ t('faults.tryAgain') }}</v-btn>
      <v-btn @click="shownFault = failed">{{ t('faults.reportTheError') }}</v-btn>
    </p>
  </div>
  <slot v-else :key="round" />
</template>

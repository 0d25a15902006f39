<script setup lang="ts">
import { onErrorCaptured, ref, shallowRef, watch } from 'vue'
import { noteFault, shownFault } from './faults'
import type { Fault } from './report'

/** Keeps a view that cannot be drawn from taking the rest of the application with it. */
const props = defineProps<{ address: string }>()
const failed = shallowRef<Fault>()
const round = ref(0)

/**
 * Where a component throws while it is set up or drawn, by Vue's codes of a production build and its words of others;
 * what a click or a timer throws leaves the view as it is.
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
  failed.value = noteFault(error)
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
    <h2>This view failed</h2>
    <p class="max-w-[620px]">
      {{ failed.message }}. Everything you have saved is safe, and the rest of Unisera keeps working. Try the
      view again, or reload the page.
    </p>
    <p class="flex gap-2">
      <v-btn variant="flat" color="ink" @click="tryAgain">Try again</v-btn>
      <v-btn @click="shownFault = failed">Report the error…</v-btn>
    </p>
  </div>
  <slot v-else :key="round" />
</template>

<script setup lang="ts">
import { RichMessage } from '../messages/rich-message'
import { t } from '../messages/page'
import { ref, watch } from 'vue'
import { faultReport, faults, shownFault } from './faults'

/** Shows an unexpected error: what failed, what is safe, and a report to copy. */
const copied = ref(false)
watch(shownFault, () => (copied.value = false))

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(faultReport(faults.value))
  copied.value = true
}
</script>

<template>
  <v-alert
    v-if="shownFault"
    class="fixed! inset-x-0 top-2 z-3000 mx-auto w-[min(720px,calc(100vw_-_24px))]"
    data-testid="fault"
  >
    <p>
      <RichMessage message="faults.somethingFailed">
        <template #failure
          ><strong>{{ t('faults.failure', { message: shownFault.message }) }}</strong></template
        >
      </RichMessage>
    </p>
    <p class="mt-2 flex gap-2">
      <v-btn @click="copy">{{ copied ? t('faults.reportCopied') : t('faults.copyReport') }}</v-btn>
      <v-btn variant="text" @click="shownFault = undefined">{{ t('faults.dismiss') }}</v-btn>
    </p>
  </v-alert>
</template>

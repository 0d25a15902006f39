<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
/** A file being read, and a button to stop. */
defineProps<{ file: string; done: number }>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <div
    class="mb-4 grid grid-cols-[auto_minmax(80px,1fr)_auto] items-center gap-3.5 rounded-6 border border-line px-3.5 py-2.5"
  >
    <span>
      <RichMessage message="files.reading">
        <template #file
          ><strong>{{ file }}</strong></template
        >
      </RichMessage>
      <span v-if="done" class="soft mono"> {{ t('files.recordChecked', { count: done }) }}</span>
    </span>
    <v-progress-linear indeterminate height="3" :aria-label="t('files.reading', { file })" />
    <v-btn @click="$emit('stop')">{{ t('files.stopReading') }}</v-btn>
  </div>
</template>

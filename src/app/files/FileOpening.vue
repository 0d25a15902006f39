<script setup lang="ts">
import { watch } from 'vue'
import { useRoute } from 'vue-router'
import FileProgress from './FileProgress.vue'
import FileRefusal from './FileRefusal.vue'
import { useFilesFromOutside } from './from-outside'
import { useOpening } from './open-file'

/** Opens files from outside the page and shows the current one, or why it was refused, until the view changes. */
const over = useFilesFromOutside()
const { reading, refusal, stop } = useOpening()
const route = useRoute()
watch(
  () => route.path,
  () => (refusal.value = undefined),
)
</script>

<template>
  <div v-if="reading || refusal" class="px-7 pt-4">
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
  </div>
  <div v-if="over" class="files-over" data-testid="files-over" aria-hidden="true" />
</template>

<style scoped>
/* Files are held over the page; dropped, they open in the view of their kind. */
.files-over {
  position: fixed;
  z-index: 3000;
  border: 3px dashed var(--binding);
  border-radius: 8px;
  inset: 6px;
  pointer-events: none;
}
</style>

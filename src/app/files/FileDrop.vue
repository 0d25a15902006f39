<script setup lang="ts">
import { ref, watch } from 'vue'

/** A place for files, which are dropped on it or selected by a click or a key. Its text says which kinds. */
defineProps<{ accept: string; multiple?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
const given = ref<File[]>([])

watch(given, (files) => {
  if (files.length === 0) return
  emit('files', files)
  // Allows selecting the same file again.
  given.value = []
})
</script>

<template>
  <v-file-upload v-model="given" :accept="accept" :multiple="multiple">
    <v-file-upload-dropzone class="sheet" hide-browse role="button">
      <span class="bg-paper px-2 py-0.5 text-ink-soft"><slot /></span>
    </v-file-upload-dropzone>
  </v-file-upload>
</template>

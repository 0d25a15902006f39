<script setup lang="ts">
import { useTemplateRef } from 'vue'

/** A button that asks for one file. */
defineProps<{ label: string; accept: string }>()
const emit = defineEmits<{ file: [file: File] }>()
const input = useTemplateRef<{ $el: HTMLElement }>('input')
const field = () => input.value?.$el.querySelector<HTMLInputElement>('input[type=file]')

function take(files: File | File[] | null | undefined): void {
  const file = Array.isArray(files) ? files[0] : files
  if (!file) return
  emit('file', file)
  // The same file may be chosen again.
  const own = field()
  if (own) own.value = ''
}
</script>

<template>
  <v-btn @click="field()?.click()">{{ label }}</v-btn>
  <v-file-input
    ref="input"
    :label="label"
    :accept="accept"
    :clearable="false"
    tabindex="-1"
    hide-details
    prepend-icon=""
    class="visually-hidden"
    aria-hidden="true"
    @update:model-value="take"
  />
</template>

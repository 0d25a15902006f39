<script setup lang="ts">
import { useTemplateRef } from 'vue'

/** A button for selecting one or several files. */
defineProps<{ label: string; accept: string; multiple?: boolean; plain?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
const input = useTemplateRef<{ $el: HTMLElement }>('input')
const field = () => input.value?.$el.querySelector<HTMLInputElement>('input[type=file]')

defineExpose({ choose: () => field()?.click() })

function take(chosen: File | File[] | null | undefined): void {
  const files = [chosen ?? []].flat()
  if (files.length === 0) return
  emit('files', files)
  // Allows selecting the same file again.
  const own = field()
  if (own) own.value = ''
}
</script>

<template>
  <v-btn :variant="plain ? 'plain' : undefined" @click="field()?.click()">{{ label }}</v-btn>
  <v-file-input
    ref="input"
    :label="label"
    :accept="accept"
    :multiple="multiple"
    :clearable="false"
    tabindex="-1"
    hide-details
    prepend-icon=""
    class="visually-hidden"
    aria-hidden="true"
    @update:model-value="take"
  />
</template>

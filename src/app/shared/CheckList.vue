<script setup lang="ts" generic="T extends string">
/** Several options with checkboxes. */
defineProps<{ label: string; choices: readonly { value: T; text: string }[] }>()
const chosen = defineModel<T[]>({ required: true })
</script>

<template>
  <div role="group" :aria-label="label">
    <v-checkbox
      v-for="{ value, text } in choices"
      :key="value"
      v-model="chosen"
      :value="value"
      :label="text"
    />
  </div>
</template>

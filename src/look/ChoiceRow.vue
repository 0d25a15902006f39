<script setup lang="ts" generic="T extends string | number">
/** One of a few options, side by side. */
defineProps<{
  label: string
  choices: readonly { value: T; text: string; about?: string }[]
  family?: 'light'
  even?: boolean
}>()
const chosen = defineModel<T>()
</script>

<template>
  <v-radio-group
    v-model="chosen"
    inline
    class="choices min-w-0 flex-initial"
    :class="[family, { even }]"
    :aria-label="label"
  >
    <v-radio
      v-for="choice in choices"
      :key="choice.value"
      :value="choice.value"
      :label="choice.text"
      :title="choice.about"
    />
  </v-radio-group>
</template>

<style scoped>
.choices :deep(.v-selection-control-group) {
  flex-wrap: wrap;
  gap: 4px;
}

.choices :deep(.v-radio) {
  position: relative;
  min-width: 44px;
  min-height: 30px;
  flex: none;
  justify-content: center;
  border: 1px solid var(--line-strong);
  border-radius: 5px;
  background: var(--paper-high);
}

.even :deep(.v-radio) {
  flex: 1;
}

.choices :deep(.v-radio:hover) {
  border-color: var(--ink);
}

/* The radio circle covers the whole field; only its label is visible. */
.choices :deep(.v-selection-control__wrapper) {
  position: absolute;
  width: 100%;
  height: 100%;
  inset: 0;
  opacity: 0;
}

.choices :deep(.v-label) {
  position: relative;
  padding: 0 8px;
  white-space: nowrap;
}

.even :deep(.v-label) {
  padding: 0 2px;
}

.choices :deep(.v-selection-control--dirty) {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--paper);
}

.light :deep(.v-selection-control--dirty) {
  border-color: var(--light);
  background: var(--light-wash);
  color: var(--light);
  font-weight: 620;
}

.choices :deep(.v-radio:has(:focus-visible)) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

@media (forced-colors: active) {
  .choices :deep(.v-selection-control--dirty) {
    background: Highlight;
    color: HighlightText;
    forced-color-adjust: none;
  }
}
</style>

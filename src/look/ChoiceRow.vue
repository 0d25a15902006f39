<script setup lang="ts" generic="T extends string | number">
import { useId } from 'vue'

/** One of a few, side by side: radio buttons that look like the rest. */
defineProps<{
  label: string
  choices: readonly { value: T; text: string; about?: string }[]
  family?: 'light'
  even?: boolean
}>()
const chosen = defineModel<T>()
const name = useId()
</script>

<template>
  <div class="choices" :class="[family, { even }]" role="radiogroup" :aria-label="label">
    <label
      v-for="choice in choices"
      :key="choice.value"
      :class="{ on: chosen === choice.value }"
      :title="choice.about"
    >
      <input
        type="radio"
        class="visually-hidden"
        :name="name"
        :checked="chosen === choice.value"
        @change="chosen = choice.value"
      />{{ choice.text }}
    </label>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

label {
  min-width: 44px;
  padding: 4px 8px;
  border: 1px solid var(--line-strong);
  border-radius: 5px;
  background: var(--paper-high);
  text-align: center;
  cursor: pointer;
}

.even label {
  flex: 1;
}

label:hover {
  border-color: var(--ink);
}

.on {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--paper);
}

.light .on {
  border-color: var(--light);
  background: var(--light-wash);
  color: var(--light);
  font-weight: 620;
}

label:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
</style>

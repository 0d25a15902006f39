<script setup lang="ts">
import { ref, watch } from 'vue'
import { HEX_COLOUR } from '../../core/light/colour'

/** A colour: picked from the system's picker, or typed as #rrggbb. */
const props = defineProps<{ colour: string; label: string }>()
const emit = defineEmits<{ change: [colour: string] }>()
const draft = ref(props.colour)
watch(
  () => props.colour,
  (colour) => (draft.value = colour),
)

function take(): void {
  const typed = draft.value.trim().replace(/^#?/, '#').toLowerCase()
  if (HEX_COLOUR.test(typed)) emit('change', typed)
  else draft.value = props.colour
}

function pick(event: Event): void {
  if (event.target instanceof HTMLInputElement) emit('change', event.target.value)
}
</script>

<template>
  <span class="colour">
    <input type="color" :value="colour" :aria-label="label" @input="pick" />
    <input
      v-model="draft"
      type="text"
      class="mono text"
      maxlength="7"
      :aria-label="`${label}, as #rrggbb`"
      spellcheck="false"
      @change="take"
      @keydown.enter="take"
      @keydown.esc.stop="draft = colour"
    />
  </span>
</template>

<style scoped>
.colour {
  display: inline-flex;
  align-items: center;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--paper-high);
}

input[type='color'] {
  width: 30px;
  height: 30px;
  padding: 4px;
  border: 0;
  background: none;
  cursor: pointer;
}

input[type='color']::-webkit-color-swatch-wrapper {
  padding: 0;
}

input[type='color']::-webkit-color-swatch {
  border: 1px solid var(--ink);
  border-radius: 3px;
}

.text {
  width: 72px;
  padding: 4px 6px 4px 2px;
  border: 0;
  background: none;
  color: inherit;
}
</style>

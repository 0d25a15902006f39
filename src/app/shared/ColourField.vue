<script setup lang="ts">
import { ref, watch } from 'vue'
import { HEX_COLOUR } from '../../core/base/colour'

/** A colour: picked, or typed as #rrggbb. */
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

function pick(colour: unknown): void {
  if (typeof colour === 'string' && HEX_COLOUR.test(colour)) emit('change', colour.toLowerCase())
}
</script>

<template>
  <v-text-field
    v-model="draft"
    class="in-row mono"
    width="100"
    maxlength="7"
    :aria-label="`${label}, as #rrggbb`"
    spellcheck="false"
    @change="take"
    @keydown.enter="take"
    @keydown.esc.stop="draft = colour"
  >
    <template #prepend-inner>
      <v-menu :close-on-content-click="false">
        <template #activator="{ props: activator }">
          <v-btn
            icon
            variant="flat"
            size="small"
            class="swatch"
            v-bind="activator"
            :color="colour"
            :aria-label="label"
          />
        </template>
        <v-card>
          <v-color-picker mode="hex" hide-inputs :model-value="colour" @update:model-value="pick" />
        </v-card>
      </v-menu>
    </template>
  </v-text-field>
</template>

<style scoped>
.swatch {
  --v-btn-height: 24px;

  margin-right: 4px;
  margin-left: -5px;

  border: 1px solid var(--ink);
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { MacroPartsAction } from '../../core/profile/action-schema'
import type { ActionContext } from '../../core/profile/action-text'

/** Up to three macros on one input: when it goes down, while it is down, when it comes up. */
const props = defineProps<{ action: MacroPartsAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroPartsAction]; one: [macro: string] }>()

const PARTS = [
  { part: 'press', text: 'When pressed' },
  { part: 'held', text: 'Again and again while held' },
  { part: 'release', text: 'When let go' },
] as const
const choices = computed(() =>
  [...props.context.macros.values()].sort((a, b) => a.name.localeCompare(b.name)),
)
const taken = computed(() => PARTS.flatMap(({ part }) => props.action[part] ?? []))
/** The last part that is left cannot be taken away: an input with none would do nothing. */
const isLast = (part: (typeof PARTS)[number]['part']) =>
  taken.value.length === 1 && props.action[part] !== undefined

function set(part: (typeof PARTS)[number]['part'], { target }: Event): void {
  if (!(target instanceof HTMLSelectElement)) return
  const { [part]: _before, ...others } = props.action
  emit('change', target.value === '' ? others : { ...others, [part]: target.value })
}
</script>

<template>
  <div class="settings">
    <label v-for="{ part, text } in PARTS" :key="part">
      <span class="soft">{{ text }}</span>
      <select
        class="field"
        :aria-label="`Macro ${text.toLowerCase()}`"
        :value="action[part] ?? ''"
        @change="set(part, $event)"
      >
        <option value="" :disabled="isLast(part)">nothing</option>
        <option v-for="{ id, name } in choices" :key="id" :value="id">{{ name }}</option>
      </select>
    </label>
    <button type="button" class="button plain" @click="emit('one', taken[0])">One macro instead</button>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  justify-items: start;
  gap: 7px;
  padding: 8px 10px;
  border-left: 3px solid var(--bar-macro);
  background: var(--paper-high);
}

label {
  display: grid;
  grid-template-columns: 175px 170px;
  align-items: center;
  gap: 7px;
}

.field {
  width: 170px;
}
</style>

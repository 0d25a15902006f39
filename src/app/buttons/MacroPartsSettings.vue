<script setup lang="ts">
import { computed } from 'vue'
import type { MacroPartsAction } from '../../core/document/action-schema'
import type { ActionContext } from '../../core/text/context'
import { SelectField } from '../../look/SelectField'

/** Up to three macros on one input: when it goes down, while it is down, when it comes up. */
const props = defineProps<{ action: MacroPartsAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroPartsAction]; one: [macro: string] }>()

const PARTS = [
  { part: 'press', text: 'When pressed' },
  { part: 'held', text: 'Again and again while held' },
  { part: 'release', text: 'When let go' },
] as const
type Part = (typeof PARTS)[number]['part']
const choices = computed(() =>
  [...props.context.macros.values()].sort((a, b) => a.name.localeCompare(b.name)),
)
const taken = computed(() => PARTS.flatMap(({ part }) => props.action[part] ?? []))
/** The last part that is left cannot be taken away: an input with none would do nothing. */
const isLast = (part: Part) => taken.value.length === 1 && props.action[part] !== undefined

const choicesOf = (part: Part) => [
  { value: '', title: 'nothing', props: { disabled: isLast(part) } },
  ...choices.value.map(({ id, name }) => ({ value: id, title: name, props: {} })),
]

function set(part: Part, macro: string): void {
  const { [part]: _before, ...others } = props.action
  emit('change', macro === '' ? others : { ...others, [part]: macro })
}
</script>

<template>
  <div class="grid justify-items-start gap-1.75 border-l-3 border-bar-macro bg-paper-high px-2.5 py-2">
    <div
      v-for="{ part, text } in PARTS"
      :key="part"
      class="grid grid-cols-[175px_170px] items-center gap-1.75"
    >
      <span class="soft">{{ text }}</span>
      <SelectField
        :aria-label="`Macro ${text.toLowerCase()}`"
        :items="choicesOf(part)"
        :model-value="action[part] ?? ''"
        @update:model-value="(macro: string) => set(part, macro)"
      />
    </div>
    <v-btn variant="text" @click="emit('one', taken[0])">One macro instead</v-btn>
  </div>
</template>

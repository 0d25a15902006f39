<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import type { MacroPartsAction } from '../../core/document/action-schema'
import type { ActionContext } from '../../core/text/context'
import { SelectField } from '../../look/SelectField'

/** Up to three macros on one input: for press, hold and release. */
const props = defineProps<{ action: MacroPartsAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroPartsAction]; one: [macro: string] }>()

const PARTS = [
  withTexts({ part: 'press' }, { text: 'buttons.whenPressed' }),
  withTexts({ part: 'held' }, { text: 'buttons.repeatWhileHeld' }),
  withTexts({ part: 'release' }, { text: 'buttons.whenReleased' }),
] as const
type Part = (typeof PARTS)[number]['part']
const choices = computed(() =>
  [...props.context.macros.values()].sort((a, b) => a.name.localeCompare(b.name)),
)
const taken = computed(() => PARTS.flatMap(({ part }) => props.action[part] ?? []))
/** The last part cannot be removed, because an input without parts would do nothing. */
const isLast = (part: Part) => taken.value.length === 1 && props.action[part] !== undefined

const choicesOf = (part: Part) => [
  { value: '', title: t('buttons.noMacro'), props: { disabled: isLast(part) } },
  ...choices.value.map(({ id, name }) => ({ value: id, title: name, props: {} })),
]

function set(part: Part, macro: string): void {
  const { [part]: _before, ...others } = props.action
  emit('change', macro === '' ? others : { ...others, [part]: macro })
}
</script>

<template>
  <div class="grid justify-items-start gap-1.75 border-s-3 border-bar-macro bg-paper-high px-2.5 py-2">
    <div
      v-for="{ part, text } in PARTS"
      :key="part"
      class="grid grid-cols-[175px_170px] items-center gap-1.75"
    >
      <span class="soft">{{ text }}</span>
      <SelectField
        :aria-label="t('buttons.macro', { text: text.toLowerCase() })"
        :items="choicesOf(part)"
        :model-value="action[part] ?? ''"
        @update:model-value="(macro: string) => set(part, macro)"
      />
    </div>
    <v-btn variant="text" @click="emit('one', taken[0])">{{ t('buttons.useOneMacro') }}</v-btn>
  </div>
</template>

<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import type { DeviceInput, DeviceModel } from '../../core/device/model'
import { actionText, parseAction } from '../../core/profile/action-text'
import { sameAction } from '../../core/profile/edits'
import { actionOf, factoryAction } from '../../core/profile/profile'
import type { Action, Profile } from '../../core/profile/schema'
import ActionChip from './ActionChip.vue'
import ActionEntry from './ActionEntry.vue'

/** What every input does: a row an input, edited where it stands. */
const props = defineProps<{
  model: DeviceModel
  profile: Profile
  /** Inputs whose binding is not on the device. */
  pending: Set<string>
  apply: (inputId: string, action: Action) => string | undefined
  /** Makes several bindings in one edit; says why it is refused, or nothing when it was made. */
  applyAll: (entries: [inputId: string, action: Action][]) => string | undefined
}>()
const emit = defineEmits<{ refused: [reason: string] }>()
const chosen = defineModel<string>('chosen')
const hovered = defineModel<string>('hovered')
const table = useTemplateRef<HTMLElement>('table')

const rows = computed(() =>
  props.model.inputs.map((input) => {
    const action = actionOf(props.profile.layers[0], input)
    const factory = factoryAction(input)
    return { input, action, factory, changed: !sameAction(action, factory) }
  }),
)

async function close(input: DeviceInput): Promise<void> {
  chosen.value = undefined
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-row="${input.id}"]`)?.focus()
}

/** A row that has the focus is copied as its text; a field in it keeps its own copy and paste. */
function copy(event: ClipboardEvent): void {
  const input = focusedRow(event)
  if (!input || !event.clipboardData) return
  event.preventDefault()
  event.clipboardData.setData('text/plain', actionText(actionOf(props.profile.layers[0], input)))
}

/** One line goes to the row that has the focus, each further line to the row below. */
function paste(event: ClipboardEvent): void {
  const input = focusedRow(event)
  const text = event.clipboardData?.getData('text/plain').trim()
  if (!input || !text) return
  event.preventDefault()
  const below = props.model.inputs.slice(props.model.inputs.indexOf(input))
  const read = text.split(/\r?\n/).map((line) => ({ line, parsed: parseAction(line, props.model) }))
  const strange = read.find(({ parsed }) => 'problem' in parsed)
  if (strange && 'problem' in strange.parsed)
    return emit('refused', `Nothing was pasted: ${strange.parsed.problem}`)
  if (read.length > below.length)
    return emit('refused', `Nothing was pasted: ${read.length} lines for ${below.length} rows`)
  const entries = read.flatMap(({ parsed }, index): [string, Action][] =>
    'action' in parsed ? [[below[index].id, parsed.action]] : [],
  )
  const reason = props.applyAll(entries)
  if (reason) emit('refused', reason)
}

function reset(event: KeyboardEvent): void {
  // Vue's modifier takes Backspace for Delete as well, which nobody means by it here.
  const input = event.key === 'Delete' ? focusedRow(event) : undefined
  const reason = input && props.apply(input.id, factoryAction(input))
  if (reason) emit('refused', reason)
}

function focusedRow({ target }: Event): DeviceInput | undefined {
  const row = target instanceof HTMLElement ? target.dataset.row : undefined
  return props.model.inputs.find(({ id }) => id === row)
}

function step(from: DeviceInput, by: 1 | -1): void {
  const index = props.model.inputs.indexOf(from) + by
  chosen.value = props.model.inputs[index]?.id ?? from.id
}
</script>

<template>
  <div ref="table" class="rows" @copy="copy" @paste="paste" @keydown.delete="reset">
    <div class="head caption" aria-hidden="true">
      <span />
      <span>Input</span>
      <span>Does</span>
      <span>From the factory</span>
    </div>
    <div
      v-for="{ input, action, factory, changed } in rows"
      :key="input.id"
      class="row"
      :class="{ chosen: chosen === input.id, hovered: hovered === input.id }"
      @pointerenter="hovered = input.id"
      @pointerleave="hovered = undefined"
    >
      <button
        type="button"
        class="cells"
        :data-row="input.id"
        :aria-expanded="chosen === input.id"
        @click="chosen = chosen === input.id ? undefined : input.id"
      >
        <span class="mono number">{{ input.number }}</span>
        <span>{{ input.name }}</span>
        <span class="does">
          <ActionChip :action="action" :factory="!changed" />
          <span v-if="pending.has(input.id)" class="pending">not on the {{ model.kind }}</span>
        </span>
        <span class="factory"
          ><ActionChip v-if="changed" :action="factory" quiet /><span v-else class="faint"
            >the same</span
          ></span
        >
      </button>
      <ActionEntry
        v-if="chosen === input.id"
        :key="input.id"
        class="editor"
        :model="model"
        :input="input"
        :action="action"
        :apply="(next) => apply(input.id, next)"
        @close="close(input)"
        @step="(by) => step(input, by)"
      />
    </div>
    <p class="caption by-keyboard">
      On a row: <kbd>Enter</kbd> edits, <kbd>Ctrl C</kbd> copies, <kbd>Ctrl V</kbd> pastes one line or
      several, <kbd>Del</kbd> puts back the factory’s.
    </p>
  </div>
</template>

<style scoped>
.rows {
  --columns: 30px minmax(110px, 1fr) minmax(150px, 1.5fr) minmax(90px, 0.9fr);
}

.by-keyboard {
  padding: 10px 8px 0;
}

.head,
.cells {
  display: grid;
  grid-template-columns: var(--columns);
  align-items: center;
  gap: 8px;
}

.head {
  padding: 0 8px 6px;
  border-bottom: 1.5px solid var(--ink);
}

.row {
  border-bottom: 1px solid var(--line);
}

.row.hovered {
  background: color-mix(in srgb, var(--binding-wash) 45%, transparent);
}

.row.chosen {
  background: var(--binding-wash);
}

.cells {
  width: 100%;
  min-height: 36px;
  padding: 4px 8px;
  border: 0;
  background: transparent;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.cells:focus-visible {
  outline-offset: -2px;
}

.number {
  color: var(--ink-soft);
}

.does {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}

.pending {
  color: var(--pending);
  font-size: 12px;
}

.factory {
  font-size: 12px;
}

.editor {
  margin-left: 46px;
}

.row.chosen :deep(.chip.binding) {
  background: var(--paper-high);
}

@media (width < 1000px) {
  .editor {
    margin-left: 8px;
  }
}
</style>

<script setup lang="ts">
import { textOf } from '../../messages/page'
import { computed } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import type { TypingContext } from '../../core/text/context'
import ActionEntry from './ActionEntry.vue'
import SheetCell from './SheetCell.vue'
import { cellKey, type ButtonsView, type CellPlace } from './buttons-view'

/** An input of the sheet: its cells, and below them the editor of the open one. */
const props = defineProps<{
  work: ButtonsView
  context: TypingContext
  input: DeviceInput
  /** The text typed on a cell before its field existed. */
  begun?: string
}>()
const emit = defineEmits<{ close: []; step: [by: 1 | -1]; next: [said: string] }>()

const open = computed((): CellPlace | undefined =>
  props.work.open?.input === props.input.id ? props.work.open : undefined,
)
const hovered = computed(() => props.work.hovered === props.input.id)
</script>

<template>
  <div
    role="row"
    class="row grid scroll-mt-9 grid-cols-[var(--columns)] border-b border-line"
    :class="{ hovered, open }"
    :data-row="input.id"
    @pointerenter="work.hover(input.id)"
    @pointerleave="work.hover(undefined)"
  >
    <span role="gridcell" class="mono stays start-0 text-ink-soft">{{ input.number }}</span>
    <span role="rowheader" class="stays start-7.5 cursor-pointer" @click="work.openInput(input.id)">{{
      textOf(input.name)
    }}</span>
    <SheetCell
      v-for="(_, layer) in work.layers"
      :key="layer"
      :work="work"
      :context="context"
      :input="input"
      :layer="layer"
    />
  </div>
  <div v-if="open" role="row" class="scroll-mt-9">
    <div
      role="gridcell"
      class="editor"
      :class="open.layer === 0 ? 'layer-base' : `layer-${work.layers[open.layer]?.colour}`"
    >
      <ActionEntry
        :key="cellKey(open)"
        :work="work"
        :place="open"
        :context="context"
        :begun="begun"
        @close="emit('close')"
        @step="(by) => emit('step', by)"
        @next="(said) => emit('next', said)"
      />
    </div>
  </div>
</template>

<style scoped>
.row.hovered,
.row.hovered .stays {
  background: color-mix(in srgb, var(--binding-wash) 45%, var(--paper-low));
}

/* As wide as the visible part of the sheet. */
.editor {
  position: sticky;
  inset-inline-start: 0;
  width: 100cqw;
  padding: 2px 0 0 38px;
  border-bottom: 1px solid var(--line);
  background: var(--layer-wash);
  box-shadow: inset 3px 0 0 var(--layer);
}

.editor :deep(.caption) {
  color: var(--ink-soft);
}

@media (width < 1000px) {
  .editor {
    padding-inline-start: 8px;
  }
}
</style>

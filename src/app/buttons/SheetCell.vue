<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import type { ActionContext } from '../../core/text/context'
import { keysOfLayer } from '../../core/edits/layer-edits'
import { factoryAction } from '../../core/terms/profile'
import { deepEqual } from '../../core/base/deep-equal'
import ActionChip from './ActionChip.vue'
import { cellKey, type ButtonsView } from './buttons-view'

/** One cell of the sheet: the action of an input on a layer, its in-game name, and whether the device has it. */
const props = defineProps<{ work: ButtonsView; context: ActionContext; input: DeviceInput; layer: number }>()

const place = computed(() => ({ layer: props.layer, input: props.input.id }))
const key = computed(() => cellKey(place.value))
const binding = computed(() => props.work.bindingAt(place.value))
const atFactory = computed(
  () => props.layer === 0 && deepEqual(binding.value?.action, factoryAction(props.input)),
)
const selected = computed(() => props.work.selectedKeys.has(key.value))
/** Tab reaches one cell of the sheet: the last position of the cursor, or the first cell of the layer. */
const reached = computed(() => {
  const { cursor, layer, rows } = props.work
  return key.value === cellKey(cursor ?? { layer, input: rows[0]?.id ?? '' })
})
const editing = computed(() => props.work.open !== undefined && cellKey(props.work.open) === key.value)
const pending = computed(() => props.work.pending.has(key.value))
const hasError = computed(() => props.work.errors.has(key.value))
const bad = computed(() => props.work.bad === key.value)
/** The text of an inherited cell. */
const below = computed(() => {
  const { profile } = props.work
  const holds =
    profile &&
    keysOfLayer(profile, props.context.model, props.layer).some(
      ({ inputId, layer, how }) => inputId === props.input.id && layer !== props.layer && how === 'hold',
    )
  return holds ? t('buttons.holdsThisLayer') : t('buttons.inherited')
})

function drag(event: DragEvent): void {
  event.dataTransfer?.setData('text/plain', props.work.textAt(place.value))
}
</script>

<template>
  <div
    role="gridcell"
    class="cell flex min-h-9 min-w-0 cursor-pointer flex-wrap items-center gap-x-2 gap-y-0.5 overflow-hidden px-2 py-1 hover:bg-layer/9 focus-visible:-outline-offset-2"
    :class="[layer === 0 ? 'layer-base' : `layer-${work.layers[layer]?.colour}`, { selected, editing, bad }]"
    :data-cell="key"
    :tabindex="reached ? 0 : -1"
    :aria-selected="selected"
    :draggable="binding !== undefined"
    @dragstart="drag"
  >
    <ActionChip v-if="binding" :action="binding.action" :context="context" :factory="atFactory" />
    <span v-else class="soft">{{ below }}</span>
    <span v-if="binding?.name" class="name truncate text-ink-soft">{{ binding.name }}</span>
    <span
      v-if="binding?.note"
      class="text-12 text-ink-soft underline decoration-dotted"
      :title="binding.note"
      >{{ t('buttons.note') }}</span
    >
    <span v-if="hasError" class="text-12 font-semi text-pending">{{ t('buttons.error2') }}</span>
    <span v-if="pending" class="pending text-12 text-pending">{{
      context.model.kind === 'mouse' ? t('buttons.notOnTheMouse') : t('buttons.notOnTheKeyboard')
    }}</span>
  </div>
</template>

<style scoped>
.cell.selected {
  background: var(--layer-wash);
}

.cell.bad {
  box-shadow: inset 0 0 0 2px var(--pending);
}

.cell.editing {
  box-shadow: inset 3px 0 0 var(--layer);
}
</style>

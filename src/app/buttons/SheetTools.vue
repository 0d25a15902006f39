<script setup lang="ts">
import { mdiContentCopy, mdiContentPaste, mdiMagnify, mdiSelectMultiple } from '@mdi/js'
import { computed } from 'vue'
import { pluralOf } from '../../core/base/plurals'
import { keysShown } from '../shared/command-keys'
import { announce } from '../../look/announce'
import { messageOf, useNotices } from '../stores/notices'
import { cellKey } from './selection'
import type { ButtonsWork } from './work'

/** Over the sheet: search and filter, or, once several cells are selected, what can be done with them. */
const props = defineProps<{ work: ButtonsWork }>()
const count = computed(() => props.work.selected.length)
const notices = useNotices()

/** Turns on selecting several cells, and focuses the cell to start from. */
function selectMore(): void {
  const [first] = props.work.rows
  if (!props.work.cursor && first) props.work.select({ layer: props.work.layer, input: first.id })
  props.work.setSelectsMore(true)
  const { cursor } = props.work
  if (cursor) document.querySelector<HTMLElement>(`[data-cell="${cellKey(cursor)}"]`)?.focus()
}

function deselect(): void {
  props.work.setSelectsMore(false)
  const [first] = props.work.selected
  if (first) props.work.select(first)
}

const copied = (act: () => Promise<void>) =>
  act().catch((error: unknown) =>
    notices.refuse(
      `This browser does not let the page use the clipboard: ${messageOf(error)}. Nothing was changed.`,
    ),
  )
const copy = () =>
  copied(async () => {
    await navigator.clipboard.writeText(props.work.copyText())
    announce('Copied')
  })
const paste = () => copied(async () => props.work.paste(await navigator.clipboard.readText()))
</script>

<template>
  <div v-if="count > 1 || work.selectsMore" class="tools chosen" role="toolbar" aria-label="Selected cells">
    <strong class="mr-0.5">{{ pluralOf(count, { one: '1 cell', other: `${count} cells` }) }}</strong>
    <v-btn size="small" :title="keysShown('cell.fill')[0]" @click="work.fillSelected()">
      Fill with the first
    </v-btn>
    <v-btn v-if="count === 2" size="small" @click="work.swapSelected()">Swap</v-btn>
    <v-btn icon size="small" variant="text" aria-label="Copy" title="Copy" @click="copy">
      <v-icon :icon="mdiContentCopy" />
    </v-btn>
    <v-btn icon size="small" variant="text" aria-label="Paste" title="Paste" @click="paste">
      <v-icon :icon="mdiContentPaste" />
    </v-btn>
    <v-btn size="small" title="Del" @click="work.clear(work.selected)">Clear</v-btn>
    <v-btn size="small" @click="work.reset()">Reset to factory</v-btn>
    <v-btn size="small" variant="text" @click="deselect">Deselect</v-btn>
  </div>
  <div v-else class="tools">
    <v-text-field
      :model-value="work.filter.text"
      class="w-[230px] min-w-[110px] flex-initial"
      type="search"
      :prepend-inner-icon="mdiMagnify"
      aria-label="Search the sheet"
      placeholder="Search actions and names"
      @update:model-value="(text: string) => work.setFilter({ text })"
    />
    <v-checkbox
      label="Only changed"
      title="Only inputs that differ from the factory"
      :model-value="work.filter.changedOnly"
      @update:model-value="work.setFilter({ changedOnly: !work.filter.changedOnly })"
    />
    <span v-if="work.hiddenCount > 0" class="caption">{{ work.hiddenCount }} hidden</span>
    <v-btn
      icon
      variant="text"
      aria-label="Select several cells"
      title="Select several cells without Shift (F8)"
      @click="selectMore"
    >
      <v-icon :icon="mdiSelectMultiple" />
    </v-btn>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex: 0 1 auto;
  white-space: nowrap;
  min-width: 0;
  min-height: 36px;
  align-items: center;
  gap: 6px 12px;
}

.chosen {
  flex-wrap: wrap;
  gap: 6px;
}

@media (width < 700px) {
  .tools {
    flex-wrap: wrap;
  }
}
</style>

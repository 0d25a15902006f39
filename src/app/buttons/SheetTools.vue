<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiContentCopy, mdiContentPaste, mdiSelectMultiple } from '@mdi/js'
import { computed } from 'vue'
import { shortcutTexts } from '../shared/command-keys'
import { announce } from '../../look/announce'
import { errorMessage, useNotifications } from '../stores/notifications'
import { cellKey } from './selection'
import type { ButtonsView } from './buttons-view'
import SearchField from '../../look/SearchField.vue'

/** Above the sheet: search and filter, or the actions for selected cells. */
const props = defineProps<{ work: ButtonsView }>()
const count = computed(() => props.work.selected.length)
const notices = useNotifications()

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
    notices.refuse(t('buttons.thisBrowserBlocksTheClipboard', { message: errorMessage(error) })),
  )
const copy = () =>
  copied(async () => {
    await navigator.clipboard.writeText(props.work.copyText())
    announce(t('buttons.copied'))
  })
const paste = () => copied(async () => props.work.paste(await navigator.clipboard.readText()))
</script>

<template>
  <div
    v-if="count > 1 || work.selectsMore"
    class="tools chosen"
    role="toolbar"
    :aria-label="t('buttons.selectedCells')"
  >
    <strong class="me-0.5">{{ t('buttons.n1Cell', { count }) }}</strong>
    <v-btn size="small" :title="shortcutTexts('cell.fill')[0]" @click="work.fillSelected()">
      {{ t('buttons.fillWithTheFirst') }}
    </v-btn>
    <v-btn v-if="count === 2" size="small" @click="work.swapSelected()">{{ t('buttons.swap') }}</v-btn>
    <v-btn
      icon
      size="small"
      variant="text"
      :aria-label="t('buttons.copy')"
      :title="t('buttons.copy')"
      @click="copy"
    >
      <v-icon :icon="mdiContentCopy" />
    </v-btn>
    <v-btn
      icon
      size="small"
      variant="text"
      :aria-label="t('buttons.paste')"
      :title="t('buttons.paste')"
      @click="paste"
    >
      <v-icon :icon="mdiContentPaste" />
    </v-btn>
    <v-btn size="small" :title="t('buttons.del')" @click="work.clear(work.selected)">{{
      t('buttons.clear')
    }}</v-btn>
    <v-btn size="small" @click="work.reset()">{{ t('buttons.resetToFactorySettings') }}</v-btn>
    <v-btn size="small" variant="text" @click="deselect">{{ t('buttons.clearSelection') }}</v-btn>
  </div>
  <div v-else class="tools">
    <SearchField
      :model-value="work.filter.text"
      class="w-[230px] min-w-[110px] flex-initial"
      :label="t('buttons.searchTheBindingSheet')"
      :placeholder="t('buttons.searchActionsAndNames')"
      @update:model-value="(text: string) => work.setFilter({ text })"
    />
    <v-checkbox
      :label="t('buttons.onlyChanged')"
      :title="t('buttons.showOnlyInputsThatDifferFrom')"
      :model-value="work.filter.changedOnly"
      @update:model-value="work.setFilter({ changedOnly: !work.filter.changedOnly })"
    />
    <span v-if="work.hiddenCount > 0" class="caption">{{
      t('buttons.hidden', { count: work.hiddenCount })
    }}</span>
    <v-btn
      icon
      variant="text"
      :aria-label="t('buttons.selectSeveralCells')"
      :title="t('buttons.selectSeveralCellsWithoutShiftF8')"
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

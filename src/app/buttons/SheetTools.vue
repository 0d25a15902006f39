<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed } from 'vue'
import { keysShown } from '../shared/commands'
import type { ButtonsWork } from './work'

/** Over the sheet: search and filter, or, once several cells are selected, what can be done with them. */
const props = defineProps<{ work: ButtonsWork }>()
const count = computed(() => props.work.selected.length)
</script>

<template>
  <div v-if="count > 1" class="tools chosen" role="toolbar" aria-label="Selected cells">
    <strong class="mr-0.5">{{ count }} cells</strong>
    <v-btn size="small" :title="keysShown('cell.fill')[0]" @click="work.fillSelected()">
      Fill with the first
    </v-btn>
    <v-btn v-if="count === 2" size="small" @click="work.swapSelected()">Swap</v-btn>
    <v-btn size="small" title="Del" @click="work.clear(work.selected)">Clear</v-btn>
    <v-btn size="small" @click="work.reset()">Reset to factory</v-btn>
    <v-btn size="small" variant="text" @click="work.select(work.selected[0])">Deselect</v-btn>
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

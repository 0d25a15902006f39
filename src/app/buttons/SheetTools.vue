<script setup lang="ts">
import { computed } from 'vue'
import type { ButtonsDesk } from './desk'

/** Over the sheet: search and filter, or, once several cells are selected, what can be done with them. */
const props = defineProps<{ desk: ButtonsDesk }>()
const count = computed(() => props.desk.selected.length)
const inputs = computed(() => new Set(props.desk.selected.map(({ input }) => input)).size)

const search = ({ target }: Event): void =>
  props.desk.setFilter({ text: target instanceof HTMLInputElement ? target.value : '' })
</script>

<template>
  <div v-if="count > 1" class="tools chosen" role="toolbar" aria-label="Selected cells">
    <strong>{{ count }} cells of {{ inputs }} {{ inputs === 1 ? 'input' : 'inputs' }}</strong>
    <button type="button" class="button" title="Ctrl D" @click="desk.fillSelected()">
      Fill with the first
    </button>
    <button v-if="count === 2" type="button" class="button" @click="desk.swapSelected()">Swap</button>
    <button type="button" class="button" title="Del" @click="desk.clear(desk.selected)">Clear</button>
    <button type="button" class="button" @click="desk.reset()">Reset to factory</button>
    <button type="button" class="button plain" @click="desk.select(desk.selected[0])">Only the first</button>
  </div>
  <div v-else class="tools">
    <input
      :value="desk.filter.text"
      class="field search"
      type="search"
      aria-label="Search the sheet"
      placeholder="Search actions and names"
      @input="search"
    />
    <label class="only" title="Only inputs that differ from the factory">
      <input
        type="checkbox"
        :checked="desk.filter.changedOnly"
        @change="desk.setFilter({ changedOnly: !desk.filter.changedOnly })"
      />
      Only changed<span v-if="desk.hiddenCount > 0" class="caption">· {{ desk.hiddenCount }} hidden</span>
    </label>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  min-width: 0;
  min-height: 36px;
  align-items: center;
  gap: 6px 12px;
}

.chosen {
  flex-wrap: wrap;
  gap: 6px;
}

.chosen strong {
  margin-right: 6px;
}

.chosen .button {
  min-height: 28px;
}

.search {
  min-width: 110px;
  min-height: 28px;
  flex: 0 1 230px;
}

.only {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  color: var(--ink-soft);
  white-space: nowrap;
}

.only input {
  accent-color: var(--ink);
}
</style>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import type { Edit } from '../../core/compile/pending'
import { partOf } from '../../core/compile/apply-differences'
import { partTitle } from '../../core/compile/part-title'

/** Differences by part, each with a checkbox. */
const props = defineProps<{
  differences: readonly Edit[]
  layers: readonly string[]
  /** Titles of the two columns. */
  here: string
  there: string
}>()
const taken = defineModel<ReadonlySet<string>>({ required: true })

const parts = computed(() => {
  const found = new Map<string, Edit[]>()
  for (const edit of props.differences) {
    const part = partOf(edit)
    found.set(part, [...(found.get(part) ?? []), edit])
  }
  return [...found].map(([part, edits]) => ({ part, title: textOf(partTitle(part, props.layers)), edits }))
})

/** All of them, none, or some. */
const standing = (edits: readonly Edit[]) => {
  const count = edits.filter(({ key }) => taken.value.has(key)).length
  return count === 0 ? 'none' : count === edits.length ? 'all' : 'some'
}

function set(edits: readonly Edit[], on: boolean | null): void {
  const next = new Set(taken.value)
  for (const { key } of edits) {
    if (on) next.add(key)
    else next.delete(key)
  }
  taken.value = next
}
</script>

<template>
  <v-table class="differences">
    <thead>
      <tr>
        <th class="w-[34%]" scope="col">{{ t('compare.setting') }}</th>
        <th scope="col">{{ here }}</th>
        <th scope="col">{{ there }}</th>
      </tr>
    </thead>
    <tbody v-for="{ part, title, edits } in parts" :key="part" :data-part="part">
      <tr class="part">
        <th scope="rowgroup" colspan="3">
          <v-checkbox
            :label="`${title}, ${edits.length}`"
            :model-value="standing(edits) === 'all'"
            :indeterminate="standing(edits) === 'some'"
            @update:model-value="(on) => set(edits, on)"
          />
        </th>
      </tr>
      <tr v-for="edit in edits" :key="edit.key" :class="{ taken: taken.has(edit.key) }">
        <th scope="row">
          <v-checkbox
            :label="textOf(edit.what)"
            :model-value="taken.has(edit.key)"
            @update:model-value="(on) => set([edit], on)"
          />
        </th>
        <td class="soft">{{ textOf(edit.from) }}</td>
        <td>{{ textOf(edit.to) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.differences :deep(table) {
  table-layout: fixed;
}

thead th {
  position: sticky;
  z-index: 1;
  top: 0;
  background: var(--paper-low);
}

.differences :deep(.v-table__wrapper) {
  overflow: visible;
}

.part th {
  border-bottom: 1.5px solid var(--ink);
  font-weight: 650;
}

tr:not(.part) th {
  padding-inline-start: 26px;
}

.taken td:last-child {
  background: var(--binding-wash);
}
</style>

<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'
import { nextTick } from 'vue'
import { capitalise } from '../../core/base/names'
import { announce } from '../../look/announce'

/** Moves an item up or down; the focus stays on it. */
const props = defineProps<{
  what: string
  place: number
  count: number
  keys?: { up: string; down: string }
}>()
const emit = defineEmits<{ move: [to: number] }>()

const WAYS = [
  { way: 'up', by: -1, icon: mdiArrowUp },
  { way: 'down', by: 1, icon: mdiArrowDown },
] as const

async function move(by: number, way: string, { currentTarget }: Event): Promise<void> {
  const [{ what, count }, to] = [props, props.place + by]
  const rows = currentTarget instanceof Element ? currentTarget.closest('ul, ol, tbody') : null
  emit('move', to)
  announce(capitalise(t('shared.isNowOf', { item: what, place: to + 1, count })))
  await nextTick()
  const buttons = [...(rows?.querySelectorAll<HTMLButtonElement>(`[data-move-from="${to}"]`) ?? [])]
  const same = buttons.find(({ dataset, disabled }) => dataset.way === way && !disabled)
  const target = same ?? buttons.find(({ disabled }) => !disabled)
  target?.focus()
}
</script>

<template>
  <v-btn
    v-for="{ way, by, icon } in WAYS"
    :key="way"
    icon
    size="small"
    variant="text"
    :data-move-from="place"
    :data-way="way"
    :title="keys?.[way]"
    :aria-label="way === 'up' ? t('shared.moveUp', { item: what }) : t('shared.moveDown', { item: what })"
    :disabled="way === 'up' ? place === 0 : place === count - 1"
    @click="(event: MouseEvent) => move(by, way, event)"
  >
    <v-icon :icon="icon" />
  </v-btn>
</template>

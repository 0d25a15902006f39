<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiDotsVertical } from '@mdi/js'
import { computed, ref } from 'vue'
import type { LibraryEntry } from '../database/library'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { slotCommands } from '../stores/slot-commands'
import type { BoardSlot } from './board'

/** One slot of the board with all its actions, by menu or by dragging. */
const props = defineProps<{
  device: KnownDevice
  slotContent: BoardSlot
  /** Why nothing can be changed now. */
  cannot: string | undefined
  profiles: readonly LibraryEntry[]
}>()
defineEmits<{ write: [entry: LibraryEntry]; drag: []; drop: [] }>()
const devices = useDevices()
const over = ref(false)
const number = computed(() => props.slotContent.index + 1)
const commands = computed(() =>
  slotCommands(props.device, props.slotContent.index, props.slotContent.entry !== undefined),
)
</script>

<template>
  <li
    class="grid min-h-14.5 grid-cols-[16px_minmax(0,1fr)_auto] items-center gap-2.5 border-b border-line px-0 py-1.5"
    :class="{ over, active: slotContent.active }"
    :draggable="slotContent.name !== undefined && cannot === undefined"
    @dragstart="$emit('drag')"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), $emit('drop'))"
  >
    <span class="mono number text-ink-soft">{{ number }}</span>
    <span class="grid min-w-0 gap-0.5">
      <strong class="text-truncate font-semi" :class="{ faint: slotContent.name === undefined }">{{
        slotContent.name ?? slotContent.none
      }}</strong>
      <span class="caption" :class="slotContent.edits > 0 ? 'pending' : 'soft'">
        {{
          [slotContent.active ? t('devices.active') : '', slotContent.standing].filter(Boolean).join(' · ')
        }}
      </span>
      <i class="h-1 rounded-[2px] border border-line-strong" aria-hidden="true"
        ><i class="block h-full bg-bar-binding" :style="{ width: `${100 * slotContent.full}%` }"
      /></i>
    </span>
    <v-menu>
      <template #activator="{ props: activator }">
        <v-btn
          icon
          size="small"
          variant="text"
          v-bind="activator"
          :disabled="cannot !== undefined"
          :title="cannot"
          :aria-label="
            t('devices.slotOf', {
              number,
              title: devices.title(device),
              name: slotContent.name ?? slotContent.none,
            })
          "
        >
          <v-icon :icon="mdiDotsVertical" />
        </v-btn>
      </template>
      <v-list role="menu" max-height="420">
        <v-list-item
          v-if="slotContent.entry"
          role="menuitem"
          :title="t('devices.openProfile')"
          :to="`/profile/${slotContent.entry.id}/buttons`"
        />
        <v-list-item
          v-if="slotContent.entry"
          role="menuitem"
          :title="t('devices.compareWithProfile')"
          :to="`/profile/${slotContent.entry.id}/compare?with=slot:${slotContent.index}`"
        />
        <v-list-item
          v-for="{ text, run } in commands"
          :key="text"
          role="menuitem"
          :title="text"
          @click="run()"
        />
        <v-divider v-if="profiles.length" />
        <v-list-item
          v-for="entry in profiles"
          :key="entry.id"
          role="menuitem"
          :title="t('devices.writeHere', { name: entry.profile.name })"
          @click="$emit('write', entry)"
        />
      </v-list>
    </v-menu>
  </li>
</template>

<style scoped>
.cell.over.takes {
  outline: 2px solid var(--binding);
}

.active .number {
  color: var(--ink);
  font-weight: 700;
}
</style>

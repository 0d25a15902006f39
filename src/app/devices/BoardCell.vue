<script setup lang="ts">
import { mdiDotsVertical } from '@mdi/js'
import { computed, ref } from 'vue'
import type { LibraryEntry } from '../database/library'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { slotCommands } from '../stores/slot-commands'
import type { BoardSlot } from './board'

/** One slot of the board, and all that can be done with it: by its menu, or by dragging. */
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
    class="cell"
    :class="{ over, active: slotContent.active }"
    :draggable="slotContent.name !== undefined && cannot === undefined"
    @dragstart="$emit('drag')"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), $emit('drop'))"
  >
    <span class="mono number">{{ number }}</span>
    <span class="what">
      <strong class="text-truncate" :class="{ faint: slotContent.name === undefined }">{{
        slotContent.name ?? slotContent.none
      }}</strong>
      <span class="caption" :class="slotContent.edits > 0 ? 'pending' : 'soft'">
        {{ [slotContent.active ? 'active' : '', slotContent.standing].filter(Boolean).join(' · ') }}
      </span>
      <i class="room" aria-hidden="true"><i :style="{ width: `${100 * slotContent.full}%` }" /></i>
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
          :aria-label="`Slot ${number} of ${devices.title(device)}, ${slotContent.name ?? slotContent.none}`"
        >
          <v-icon :icon="mdiDotsVertical" />
        </v-btn>
      </template>
      <v-list role="menu" max-height="420">
        <v-list-item
          v-if="slotContent.entry"
          role="menuitem"
          title="Open its profile"
          :to="`/profile/${slotContent.entry.id}/buttons`"
        />
        <v-list-item
          v-if="slotContent.entry"
          role="menuitem"
          title="Compare with its profile"
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
          :title="`Write “${entry.profile.name}” here`"
          @click="$emit('write', entry)"
        />
      </v-list>
    </v-menu>
  </li>
</template>

<style scoped>
.cell {
  display: grid;
  min-height: 58px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  gap: 10px;
  grid-template-columns: 16px minmax(0, 1fr) auto;
}

.cell.over.takes {
  outline: 2px solid var(--binding);
}

.number {
  color: var(--ink-soft);
}

.active .number {
  color: var(--ink);
  font-weight: 700;
}

.what {
  display: grid;
  min-width: 0;
  gap: 2px;
}

strong {
  font-weight: 600;
}

.room {
  height: 4px;
  border: 1px solid var(--line-strong);
  border-radius: 2px;
}

.room i {
  display: block;
  height: 100%;
  background: var(--bar-binding);
}
</style>

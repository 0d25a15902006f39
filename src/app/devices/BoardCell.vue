<script setup lang="ts">
import { mdiDotsVertical } from '@mdi/js'
import { computed, ref } from 'vue'
import type { LibraryEntry } from '../database/library'
import { useDevices, type KnownDevice } from '../stores/devices'
import { copyFromSlot } from '../stores/slots'
import type { BoardSlot } from './board'

/** One slot of the board, and all that can be done with it: by its menu, or by dragging. */
const props = defineProps<{
  device: KnownDevice
  slotContent: BoardSlot
  count: number
  writable: boolean
  profiles: readonly LibraryEntry[]
}>()
defineEmits<{ write: [entry: LibraryEntry]; drag: []; drop: [] }>()
const devices = useDevices()
const over = ref(false)
const number = computed(() => props.slotContent.index + 1)
const others = computed(() =>
  Array.from({ length: props.count }, (_, index) => index).filter(
    (index) => index !== props.slotContent.index,
  ),
)

async function readBack(): Promise<void> {
  const there = props.device.slots[props.slotContent.index]?.profile
  if (there) await copyFromSlot(there, props.slotContent.index)
}
</script>

<template>
  <li
    class="cell"
    :class="{ over, active: slotContent.active }"
    :draggable="slotContent.name !== undefined && writable"
    @dragstart="$emit('drag')"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), $emit('drop'))"
  >
    <span class="mono number">{{ number }}</span>
    <span class="what">
      <strong class="text-truncate" :class="{ faint: slotContent.name === undefined }">{{
        slotContent.name ?? 'empty'
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
          :disabled="!writable"
          :title="writable ? undefined : 'Connect it by cable or receiver first'"
          :aria-label="`Slot ${number} of ${device.model.name}, ${slotContent.name ?? 'empty'}`"
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
          v-else-if="slotContent.name !== undefined"
          role="menuitem"
          title="Copy to the library"
          @click="readBack"
        />
        <v-list-item
          v-if="slotContent.name !== undefined && !slotContent.active"
          role="menuitem"
          title="Make active"
          @click="devices.select(device.id, slotContent.index)"
        />
        <v-list-item
          v-if="slotContent.name !== undefined && !slotContent.active"
          role="menuitem"
          title="Clear"
          @click="devices.clear(device.id, slotContent.index)"
        />
        <v-divider v-if="slotContent.name !== undefined && others.length" />
        <template v-if="slotContent.name !== undefined">
          <v-list-item
            v-for="other in others"
            :key="other"
            role="menuitem"
            :title="`Swap with slot ${other + 1}`"
            @click="devices.swap(device.id, slotContent.index, other)"
          />
        </template>
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

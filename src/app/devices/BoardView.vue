<script setup lang="ts">
import { t } from '../../messages/page'
import { ref } from 'vue'
import type { LibraryEntry } from '../database/library'
import { deviceLine } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { useLibrary } from '../stores/library'
import { useBoard, useBoardWrites } from './board'
import BoardCell from './BoardCell.vue'
import DevicesNav from './DevicesNav.vue'

/** All slots of all devices: their contents and their state in the library; written, swapped and cleared here. */
const devices = useDevices()
const library = useLibrary()
const { columns, stale } = useBoard()
const { put, writeAll } = useBoardWrites()
const busy = ref(false)

async function all(): Promise<void> {
  busy.value = true
  await writeAll(stale.value)
  busy.value = false
}

const profilesFor = (device: KnownDevice): LibraryEntry[] =>
  library.entries.filter(({ profile }) => profile.model === device.model.id)

/** The dragged profile or slot. */
type Dragged = { entry: LibraryEntry } | { device: KnownDevice; slot: number }
const dragged = ref<Dragged>()

function drop(device: KnownDevice, slot: number): void {
  const what = dragged.value
  dragged.value = undefined
  if (!what) return
  if ('entry' in what) void put(device, slot, what.entry)
  else if (what.device.id === device.id) void devices.swap(device.id, what.slot, slot)
}
const takes = (device: KnownDevice) => {
  const what = dragged.value
  return (
    what && ('entry' in what ? what.entry.profile.model === device.model.id : what.device.id === device.id)
  )
}
</script>

<template>
  <div class="overflow-auto px-7 py-5.5">
    <header class="mb-4.5 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div>
        <h1>{{ t('devices.allSlots') }}</h1>
        <p class="soft">{{ t('devices.dragAProfileOntoASlotTo') }}</p>
      </div>
      <DevicesNav />
      <v-btn variant="flat" color="ink" :disabled="stale.length === 0 || busy" @click="all">
        {{
          stale.length === 0
            ? t('devices.noUnwrittenChanges')
            : t('devices.writeOneSlot', { count: stale.length })
        }}
      </v-btn>
    </header>
    <div class="grid grid-cols-[repeat(auto-fit,minmax(240px,1fr))] items-start gap-5">
      <section
        v-for="{ device, slots, cannot } in columns"
        :key="device.id"
        :aria-label="devices.title(device)"
      >
        <h2>{{ devices.title(device) }}</h2>
        <p class="caption soft">{{ device.name ? `${device.model.name} · ` : '' }}{{ deviceLine(device) }}</p>
        <p v-if="device.connected && device.info && cannot" class="caption pending">{{ cannot }}</p>
        <v-progress-linear
          v-if="device.writing"
          :model-value="(100 * device.writing.progress.doneBytes) / device.writing.progress.totalBytes"
          :aria-label="t('devices.writingSlot', { slot: device.writing.slot + 1 })"
        />
        <v-progress-linear
          v-else-if="device.swapping"
          indeterminate
          :aria-label="
            t('devices.swappingSlotsAnd', {
              first: device.swapping[0] + 1,
              second: device.swapping[1] + 1,
            })
          "
        />
        <ol class="mx-0 mt-2 mb-0 list-none border-t-[1.5px] border-ink p-0" :aria-label="t('devices.slots')">
          <BoardCell
            v-for="slot in slots"
            :key="slot.index"
            :device="device"
            :slot-content="slot"
            :cannot="cannot"
            :profiles="profilesFor(device)"
            :class="{ takes: takes(device) }"
            @write="(entry) => put(device, slot.index, entry)"
            @drag="dragged = { device, slot: slot.index }"
            @drop="drop(device, slot.index)"
          />
        </ol>
        <h3 v-if="profilesFor(device).length" class="mt-3.5 text-14">{{ t('devices.library') }}</h3>
        <ul
          class="mx-0 mt-2 mb-0 list-none p-0"
          :aria-label="t('devices.profilesFor', { title: devices.title(device) })"
        >
          <li
            v-for="entry in profilesFor(device)"
            :key="entry.id"
            draggable="true"
            class="mb-1 cursor-grab rounded-5 border border-line px-2 py-1"
            @dragstart="dragged = { entry }"
            @dragend="dragged = undefined"
          >
            <RouterLink
              class="wrap-anywhere text-inherit no-underline hover:underline"
              :to="`/profile/${entry.id}/buttons`"
              >{{ entry.profile.name }}</RouterLink
            >
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
header > div {
  flex: 1 1 300px;
}
</style>

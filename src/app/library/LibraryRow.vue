<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { mdiDotsHorizontal, mdiDrag } from '@mdi/js'
import { computed } from 'vue'
import { modelById } from '../../core/device/models'
import type { LibraryEntry } from '../database/library'
import { useDevices } from '../stores/devices'
import type { KnownDevice, SlotContent } from '../stores/known-device'
import { useMacros } from '../stores/macros'
import type { RowDragging } from './row-order'
import { countUnwrittenEdits, summaryOf } from '../../core/find/summary'
import { matchesShortcut } from '../shared/command-keys'
import { useLightStrip } from '../shared/light-strip'

/** One profile of the library: its name and tags, its state on its device, and its actions. */
const props = defineProps<{
  entry: LibraryEntry
  place: number
  /** Its row in the list: rows are reused by position, and the ids that name their controls stay. */
  row: number
  /** Whether it can be moved: the list is complete and in its own order. */
  movable: boolean
  chosen: boolean
  /** Where the dragged row would be dropped. */
  gap?: 'before' | 'after'
  /** Shared by all rows: new handlers would render every row at each key of a search. */
  dragging: RowDragging
}>()
const emit = defineEmits<{
  move: [entry: LibraryEntry, to: number]
  choose: [entry: LibraryEntry, on: boolean]
  more: [entry: LibraryEntry, place: number, at: HTMLElement]
}>()
const devices = useDevices()
const macros = useMacros()

/** Named by reference, so that a changed name does not render the controls again. */
const nameId = `library-row-${props.row}`
const profile = computed(() => props.entry.profile)
const model = computed(() => modelById(profile.value.model))
const summary = computed(() => summaryOf(profile.value, model.value).map(textOf).join(' · '))

const onDevice = computed(() => {
  const holds = ({ profile: there }: SlotContent) => there?.name === profile.value.name
  const all = devices.ofModel(profile.value.model)
  const device = all.find(({ slots }) => slots.some(holds))
  const slot = device?.slots.findIndex(holds) ?? -1
  const held = device?.slots[slot]?.profile
  if (!device || !held || !model.value) return { text: notFound(all), pending: false }
  const count = countUnwrittenEdits(held, profile.value, model.value, macros.wholeShelf)
  if (count === 0)
    return { text: t('library.onSlot', { title: devices.title(device), slot: slot + 1 }), pending: false }
  return { text: t('library.slotUnwrittenEdit', { count, slot: slot + 1 }), pending: true }
})

/** Omits devices that have not been read. */
function notFound(all: readonly KnownDevice[]): string {
  const unread = all.filter(({ slots }) => slots.length === 0)
  if (!devices.ready || unread.some(({ connected, info }) => connected && !info)) return '…'
  return unread.length > 0
    ? t('library.hasNotBeenReadYet', { title: devices.title(itemAt(unread, 0)) })
    : t('library.notOnADevice')
}

function moveByKey(event: KeyboardEvent): void {
  const by = matchesShortcut(event, 'row.up') ? -1 : matchesShortcut(event, 'row.down') ? 1 : 0
  if (by === 0) return
  event.preventDefault()
  if (props.movable) emit('move', props.entry, props.place + by)
}

const strip = useLightStrip(() => ({ profile: profile.value, model: model.value }))
</script>

<template>
  <div
    class="entry"
    role="listitem"
    :data-place="place"
    :class="[{ chosen }, gap]"
    @dragstart="dragging.dragstart($event, entry)"
    @dragover="dragging.dragover($event, place)"
    @drop="dragging.drop"
    @dragend="dragging.dragend"
    @keydown="moveByKey"
  >
    <v-checkbox-btn
      :model-value="chosen"
      :aria-labelledby="`library-choose ${nameId}`"
      class="tick col-auto row-auto"
      @update:model-value="(on: unknown) => emit('choose', entry, on === true)"
    />
    <span class="grip cursor-grab text-ink-soft">
      <span v-if="movable" draggable="true" :title="t('library.dragToReorderOrPressAltOr')">
        <v-icon :icon="mdiDrag" />
      </span>
    </span>
    <span class="who grid min-w-0">
      <RouterLink
        :id="nameId"
        class="name truncate text-15 font-strong text-inherit no-underline hover:underline"
        :to="`/profile/${entry.id}/buttons`"
        :title="profile.name"
        >{{ profile.name }}</RouterLink
      >
      <span class="caption soft truncate">
        {{ model?.name ?? profile.model
        }}<span
          v-for="tag in profile.tags"
          :key="tag"
          class="ms-1 rounded-4 border border-line-strong px-1.25 py-0"
        >
          {{ tag }}</span
        >
      </span>
    </span>
    <span
      class="glance grid min-w-0 grid-cols-[128px_minmax(0,1fr)] items-center gap-x-2 gap-y-0.5"
      :title="summary"
    >
      <!-- Its room is kept until the strip comes. -->
      <i class="strip" :style="{ backgroundImage: strip && `url(${strip})` }" />
      <span class="inline-flex gap-0.75" aria-hidden="true">
        <i
          v-for="(step, index) in profile.steps"
          :key="index"
          class="h-2.5 w-2.5 rounded-full border border-ink-soft"
          :style="{ background: step.colour }"
        />
      </span>
      <span class="caption soft col-span-full truncate">{{ summary }}</span>
    </span>
    <span class="state" :class="onDevice.pending ? 'pending' : 'soft'">{{ onDevice.text }}</span>
    <v-btn
      icon
      variant="text"
      :title="t('library.more')"
      :aria-labelledby="`library-more ${nameId}`"
      aria-haspopup="menu"
      @click="({ currentTarget }: MouseEvent) => emit('more', entry, place, currentTarget as HTMLElement)"
    >
      <v-icon :icon="mdiDotsHorizontal" />
    </v-btn>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  height: 56px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  gap: 12px;
  grid-template-columns: 26px 22px minmax(140px, 1fr) minmax(0, 1.3fr) minmax(110px, 0.7fr) auto;
}

.entry.chosen {
  background: var(--system-wash);
}

.entry.before {
  box-shadow: inset 0 2px var(--ink);
}

.entry.after {
  box-shadow: inset 0 -2px var(--ink);
}

.strip {
  width: 128px;
  height: 20px;
  border-radius: 3px;
  background: var(--unlit) 0 0 / 100% 100%;
  image-rendering: pixelated;
}

@media (width < 700px) {
  .entry {
    height: auto;
    padding: 8px 0;
    grid-template-columns: 26px 22px minmax(0, 1fr);
    grid-template-rows: none;
  }

  .entry > :not(.tick, .grip, .who) {
    grid-row: auto;
    grid-column: 3;
  }
}
</style>

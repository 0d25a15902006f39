<script setup lang="ts">
import { computed, ref } from 'vue'
import { modelById } from '../../core/device/models'
import { rename } from '../../core/document/edits'
import { editsBetween } from '../../core/compile/pending'
import { differsFromFactory } from '../../core/document/profile'
import type { LibraryEntry } from '../database/library'
import { useDevices } from '../stores/devices'
import { profileFile, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { lightStrip } from '../shared/light-strip'
import MoveButtons from '../shared/MoveButtons.vue'
import NameDialog from '../shared/NameDialog.vue'
import { saveFile } from '../shared/save-file'

/** One profile of the library: what it is for, where it stands on its device, what can be done with it. */
const props = defineProps<{
  entry: LibraryEntry
  place: number
  count: number
  /** Whether it can be moved: the list stands in its own order, whole. */
  movable: boolean
}>()
const chosen = defineModel<boolean>('chosen', { required: true })
const library = useLibrary()
const devices = useDevices()
const macros = useMacros()
const renaming = ref(false)

const profile = computed(() => props.entry.profile)
const model = computed(() => modelById(profile.value.model))
const summary = computed(() => {
  const { steps, layers } = profile.value
  const changed =
    model.value?.inputs.filter(
      ({ id }) => model.value && differsFromFactory(profile.value, model.value, id),
    ) ?? []
  const count = changed.length
  return [
    `${count} ${count === 1 ? 'input' : 'inputs'} changed`,
    ...(layers.length > 1
      ? [
          `${layers.length > 2 ? 'layers' : 'layer'} ${layers
            .slice(1)
            .map(({ name }) => name)
            .join(', ')}`,
        ]
      : []),
    ...(steps.length > 0 ? [`${steps.map(({ dpi }) => dpi).join(', ')} DPI`] : []),
  ].join(' · ')
})

const onDevice = computed(() => {
  const device = devices.forModel(profile.value.model)
  const slot = device?.slots.findIndex((content) => content.profile?.name === profile.value.name) ?? -1
  const held = device?.slots[slot]?.profile
  if (!device || !held || !model.value) return { text: 'not on a device', pending: false }
  const count = editsBetween(held, profile.value, model.value, macros.wholeShelf).length
  if (count === 0) return { text: `on ${device.model.name}, slot ${slot + 1}`, pending: false }
  return { text: `slot ${slot + 1}; ${count} ${count === 1 ? 'edit' : 'edits'} not on it`, pending: true }
})

const strip = computed(() => (model.value ? lightStrip(profile.value, model.value) : undefined))

const moveTo = (place: number) => void library.move(props.entry.id, place)

function applyName(name: string): string | undefined {
  const text = `“${profile.value.name}” is called “${name}” now`
  return library.change(props.entry.id, text, (now) => rename(now, name))
}
</script>

<template>
  <div
    class="entry"
    role="listitem"
    :class="{ chosen }"
    @keydown.alt.up.prevent="movable && moveTo(place - 1)"
    @keydown.alt.down.prevent="movable && moveTo(place + 1)"
  >
    <v-checkbox v-model="chosen" :aria-label="`Choose ${profile.name}`" class="tick" />
    <span class="order">
      <MoveButtons
        v-if="movable"
        :what="profile.name"
        :place="place"
        :count="count"
        :keys="{ up: 'Alt ↑', down: 'Alt ↓' }"
        @move="moveTo"
      />
    </span>
    <span class="who">
      <RouterLink class="name" :to="`/profile/${entry.id}/buttons`" :title="profile.name">{{
        profile.name
      }}</RouterLink>
      <span class="caption soft cut">
        {{ model?.name ?? profile.model
        }}<span v-for="tag in profile.tags" :key="tag" class="tag"> {{ tag }}</span>
      </span>
    </span>
    <span class="glance" :title="summary">
      <img v-if="strip" :src="strip" alt="" />
      <span class="dots" aria-hidden="true">
        <i v-for="(step, index) in profile.steps" :key="index" :style="{ background: step.colour }" />
      </span>
      <span class="caption soft cut summary">{{ summary }}</span>
    </span>
    <span class="state" :class="onDevice.pending ? 'pending' : 'soft'">{{ onDevice.text }}</span>
    <span class="acts">
      <v-btn variant="text" :aria-label="`Rename ${profile.name}`" @click="renaming = true">Rename</v-btn>
      <v-btn variant="text" :aria-label="`Duplicate ${profile.name}`" @click="library.duplicate(entry)">
        Duplicate
      </v-btn>
      <v-btn
        variant="text"
        :aria-label="`Save as a file: ${profile.name}`"
        @click="saveFile(profileFile(profile, macros.shelf))"
      >
        Save as a file
      </v-btn>
      <v-btn
        variant="text"
        :aria-label="`Delete ${profile.name}`"
        @click="library.remove({ id: entry.id, name: profile.name })"
      >
        Delete
      </v-btn>
    </span>
    <NameDialog
      v-if="renaming"
      v-model="renaming"
      :name="profile.name"
      :apply="applyName"
      :taken="library.isTaken"
    />
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  height: 56px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  gap: 12px;
  grid-template-columns: 26px 52px minmax(140px, 0.9fr) minmax(0, 1.3fr) minmax(110px, 0.7fr) auto;
}

.entry.chosen {
  background: var(--system-wash);
}

.order {
  display: flex;
}

.who {
  display: grid;
  min-width: 0;
}

.glance {
  display: grid;
  min-width: 0;
  align-items: center;
  gap: 2px 8px;
  grid-template-columns: 128px minmax(0, 1fr);
}

.glance img {
  width: 128px;
  height: 20px;
  border-radius: 3px;
  background: #10151d;
  image-rendering: pixelated;
}

.summary {
  grid-column: 1 / -1;
}

.name,
.cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name {
  color: inherit;
  font-size: 1.07rem;
  font-weight: 650;
  text-decoration: none;
}

.name:hover {
  text-decoration: underline;
}

.tag {
  padding: 0 5px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  margin-left: 4px;
}

.dots {
  display: inline-flex;
  gap: 3px;
}

.dots i {
  width: 10px;
  height: 10px;
  border: 1px solid var(--ink-soft);
  border-radius: 50%;
}

.acts {
  display: flex;
  justify-content: flex-end;
}

@media (width < 1180px) {
  .entry {
    height: 96px;
    grid-template-columns: 26px 52px minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: 46px 40px;
    row-gap: 0;
  }

  .glance {
    grid-column: 4;
  }

  .acts {
    grid-row: 2;
    grid-column: 4;
    justify-content: flex-start;
  }

  .entry > .state {
    grid-row: 2;
    grid-column: 3;
  }
}

@media (width < 700px) {
  .entry {
    height: auto;
    padding: 8px 0;
    grid-template-columns: 26px 52px minmax(0, 1fr);
    grid-template-rows: none;
  }

  .entry > :not(.tick, .order, .who) {
    grid-row: auto;
    grid-column: 3;
  }

  .acts {
    flex-wrap: wrap;
  }
}
</style>

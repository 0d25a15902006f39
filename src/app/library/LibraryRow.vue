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
import MoveButtons from '../shared/MoveButtons.vue'
import NameDialog from '../shared/NameDialog.vue'
import { saveFile } from '../shared/save-file'

/** One profile of the library: what it is for, where it stands on its device, what can be done with it. */
const props = defineProps<{ entry: LibraryEntry; place: number; count: number }>()
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
    @keydown.alt.up.prevent="moveTo(place - 1)"
    @keydown.alt.down.prevent="moveTo(place + 1)"
  >
    <span class="order">
      <MoveButtons
        :what="profile.name"
        :place="place"
        :count="count"
        :keys="{ up: 'Alt ↑', down: 'Alt ↓' }"
        @move="moveTo"
      />
    </span>
    <RouterLink class="name" :to="`/profile/${entry.id}/buttons`" :title="profile.name">{{
      profile.name
    }}</RouterLink>
    <span class="soft">{{ model?.name ?? profile.model }}</span>
    <span class="soft summary" :title="summary">
      <span class="dots" aria-hidden="true">
        <i v-for="(step, index) in profile.steps" :key="index" :style="{ background: step.colour }" />
      </span>
      {{ summary }}
    </span>
    <span :class="onDevice.pending ? 'pending' : 'soft'">{{ onDevice.text }}</span>
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
  height: 52px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  gap: 12px;
  grid-template-columns: 52px minmax(120px, 0.9fr) 74px minmax(0, 1.6fr) minmax(110px, 0.8fr) auto;
}

.order {
  display: flex;
}

.name,
.summary {
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

.dots {
  display: inline-flex;
  gap: 3px;
  margin-right: 6px;
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
    height: 88px;
    grid-template-columns: 52px minmax(0, 1fr) 74px minmax(0, 1fr);
    grid-template-rows: 40px 40px;
    row-gap: 0;
  }

  .summary {
    display: none;
  }

  .acts {
    grid-column: 2 / -1;
    justify-content: flex-start;
  }
}

@media (width < 700px) {
  .entry {
    height: auto;
    padding: 8px 0;
    grid-template-columns: 52px minmax(0, 1fr);
    grid-template-rows: none;
  }

  .entry > :not(.order, .name) {
    grid-column: 2;
  }

  .acts {
    flex-wrap: wrap;
  }
}
</style>

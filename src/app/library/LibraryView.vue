<script setup lang="ts">
import { mdiMagnify, mdiPlus } from '@mdi/js'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { DEVICE_MODELS } from '../../core/device/models'
import type { DeviceModel } from '../../core/device/model'
import FileProgress from '../shared/FileProgress.vue'
import ProfileClash from './ProfileClash.vue'
import { useProfileFiles } from './profile-files'
import { useFileDrop } from '../shared/file-drop'
import { matchesFilter } from '../shared/filter'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import LibraryRow from './LibraryRow.vue'
import SetAsideRow from './SetAsideRow.vue'
import { useLibrary } from '../stores/library'
import { useSetAside } from '../stores/set-aside'

/** Every profile kept in this browser. */
const library = useLibrary()
const setAside = useSetAside()
const router = useRouter()
const { reading, refusal, clash, open, settle, stop } = useProfileFiles()

async function create(model: DeviceModel): Promise<void> {
  const id = await library.create(model, 0)
  if (id) await router.push(`/profile/${id}/buttons`)
}

/** More profiles than are taken in at a glance are searched. */
const MOST_AT_A_GLANCE = 9
const wanted = ref('')
const shown = computed(() => {
  return library.entries
    .map((entry, place) => ({ entry, place }))
    .filter(({ entry: { profile } }) => matchesFilter(wanted.value, [profile.name]))
})

const { over, dropping } = useFileDrop(([file]) => file && void open(file))
</script>

<template>
  <div class="library" :class="{ over }" v-on="dropping">
    <header>
      <div>
        <h1>Library</h1>
        <p class="soft">
          Profiles kept in this browser. Open one to edit it and to write it to a slot of its device.
        </p>
      </div>
      <FileButton label="Open a file…" accept=".json,application/json" @files="([file]) => open(file)" />
    </header>
    <div class="new" role="group" aria-label="New profile">
      <v-icon :icon="mdiPlus" />New profile for
      <v-btn
        v-for="model in DEVICE_MODELS"
        :key="model.id"
        :aria-label="`New for ${model.name}`"
        @click="create(model)"
      >
        {{ model.name }}
      </v-btn>
      <v-spacer />
      <v-text-field
        v-if="library.entries.length > MOST_AT_A_GLANCE"
        v-model="wanted"
        width="240"
        type="search"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Name of a profile"
        aria-label="Search profiles"
      />
    </div>
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
    <v-virtual-scroll
      v-if="shown.length"
      class="list"
      role="list"
      aria-label="Profiles"
      :items="shown"
      item-key="entry.id"
      :item-height="52"
    >
      <template #default="{ item }">
        <LibraryRow
          :key="item.entry.id"
          :entry="item.entry"
          :place="item.place"
          :count="library.entries.length"
        />
      </template>
    </v-virtual-scroll>
    <v-empty-state
      v-else-if="library.contents"
      class="sheet"
      :title="library.entries.length ? 'No profile is called that' : 'No profiles yet'"
      :text="
        library.entries.length
          ? 'Search for another name.'
          : 'Make a new one above: it starts from what the factory set.'
      "
    />
    <p v-if="library.complete && library.entries.length <= MOST_AT_A_GLANCE" class="room sheet soft">
      A profile that was saved as a file can be dropped here.
    </p>
    <section v-if="setAside.list.length" class="aside">
      <h2>Set aside</h2>
      <p class="soft">These could not be read. They are kept as they are; nothing else is touched by them.</p>
      <ul>
        <SetAsideRow v-for="item in setAside.list" :key="`${item.table} ${item.id}`" :item="item" />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.library {
  display: flex;
  flex-direction: column;
  padding: 22px 28px;
}

.library.over {
  background: var(--binding-wash);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 8px;
  margin-bottom: 16px;
}

.new {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-bottom: 14px;
}

header div {
  flex: 1 1 200px;
}

.list {
  min-height: 110px;
  flex: 0 1 auto;
  border-top: 1.5px solid var(--ink);
}

.room {
  display: grid;
  min-height: 56px;
  flex: 1 1 56px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  margin-top: 20px;
  place-items: center;
}

.aside {
  display: grid;
  max-height: 40%;
  flex: none;
  gap: 8px;
  margin-top: 24px;
  overflow: auto;
}

.aside ul {
  padding: 0;
  border-top: 1.5px solid var(--ink);
  margin: 0;
  list-style: none;
}
</style>

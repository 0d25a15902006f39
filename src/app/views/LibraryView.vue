<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { useRouter } from 'vue-router'
import { DEVICE_MODELS } from '../../core/device/models'
import type { DeviceModel } from '../../core/device/model'
import FileProgress from '../files/FileProgress.vue'
import ProfileClash from '../files/ProfileClash.vue'
import { useProfileFiles } from '../files/profile-files'
import AppIcon from '../parts/AppIcon.vue'
import FileRefusal from '../parts/FileRefusal.vue'
import LibraryRow from '../parts/LibraryRow.vue'
import SetAsideRow from '../parts/SetAsideRow.vue'
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

function choose({ target }: Event): void {
  const [file] = target instanceof HTMLInputElement ? (target.files ?? []) : []
  if (file) void open(file)
  if (target instanceof HTMLInputElement) target.value = ''
}
</script>

<template>
  <div class="library">
    <header>
      <div>
        <h1>Library</h1>
        <p class="soft">
          Profiles kept in this browser. Open one to edit it and to write it to a slot of its device.
        </p>
      </div>
      <label class="button">
        Open a file…
        <input type="file" accept=".json,application/json" class="visually-hidden" @change="choose" />
      </label>
    </header>
    <div class="new" role="group" aria-label="New profile">
      <AppIcon :path="mdiPlus" />New profile for
      <button
        v-for="model in DEVICE_MODELS"
        :key="model.id"
        type="button"
        class="button"
        :aria-label="`New for ${model.name}`"
        @click="create(model)"
      >
        {{ model.name }}
      </button>
    </div>
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
    <ul v-if="library.entries.length" class="list" aria-label="Profiles">
      <LibraryRow v-for="entry in library.entries" :key="entry.id" :entry="entry" />
    </ul>
    <div v-else-if="library.contents" class="none sheet">
      <h2>No profiles yet</h2>
      <p class="soft">Make a new one above: it starts from what the factory set.</p>
    </div>
    <section v-if="setAside.list.length" class="aside">
      <h2>Set aside</h2>
      <p class="soft">These could not be read. They are kept as they are; nothing else is touched by them.</p>
      <ul class="list">
        <SetAsideRow v-for="item in setAside.list" :key="`${item.table} ${item.id}`" :item="item" />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.library {
  padding: 22px 28px;
  overflow: auto;
}

header {
  display: flex;
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
  flex: 1;
}

header label:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.list {
  padding: 0;
  border-top: 1.5px solid var(--ink);
  margin: 0;
  list-style: none;
}

.none {
  display: grid;
  gap: 8px;
  padding: 48px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  justify-items: center;
}

.aside {
  display: grid;
  gap: 8px;
  margin-top: 32px;
}
</style>

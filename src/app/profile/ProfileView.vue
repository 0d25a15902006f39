<script setup lang="ts">
import { computed, watch } from 'vue'
import ProfileMenu from './ProfileMenu.vue'
import TitleBlock from './TitleBlock.vue'
import UndoButtons from '../shared/UndoButtons.vue'
import { deviceLine } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useLastUsed } from '../stores/last-used'

const props = defineProps<{ id: string }>()
const editor = useEditor()
const library = useLibrary()
const devices = useDevices()

watch(
  () => props.id,
  (id) => {
    editor.open(id)
    useLastUsed().used(id)
  },
  { immediate: true },
)

const device = computed(() => (editor.profile ? devices.forModel(editor.profile.model) : undefined))
const views = [
  { path: 'buttons', title: 'Buttons' },
  { path: 'motion', title: 'Motion' },
  { path: 'light', title: 'Light' },
  { path: 'compare', title: 'Compare' },
]
</script>

<template>
  <div v-if="editor.profile && editor.model" class="profile">
    <header>
      <ProfileMenu />
      <span class="device soft"
        >on {{ device ? devices.title(device) : editor.model.name
        }}{{ device?.name ? `, ${editor.model.name}` : ''
        }}{{ device ? ` · ${deviceLine(device)}` : '' }}</span
      >
      <nav aria-label="Views of the profile">
        <RouterLink v-for="view in views" :key="view.path" :to="`/profile/${id}/${view.path}`">{{
          view.title
        }}</RouterLink>
      </nav>
      <span class="stretch" />
      <UndoButtons :editor="editor" />
      <v-btn href="/unplugged.html" target="unplugged">Try it unplugged</v-btn>
    </header>
    <div class="view">
      <h1 class="visually-hidden">{{ editor.profile.name }}, {{ $route.meta.title }}</h1>
      <RouterView />
    </div>
    <TitleBlock />
  </div>
  <div v-else-if="library.complete" class="missing sheet">
    <h1>This profile is not here</h1>
    <p class="soft">It may have been deleted, or belongs to another browser.</p>
    <v-btn variant="flat" color="ink" to="/library">Open the library</v-btn>
  </div>
  <div v-else class="missing sheet"><p class="soft">Reading the library…</p></div>
</template>

<style scoped>
.profile {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: 56px minmax(0, 1fr) auto;
  height: 100%;
}

header {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 16px 0 20px;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}

.device {
  min-width: 0;
  overflow: hidden;
  flex-shrink: 1;
  text-overflow: ellipsis;
}

nav {
  display: flex;
  gap: 2px;
  margin-left: 16px;
}

nav a {
  padding: 7px 14px;
  border-radius: 6px;
  color: var(--ink-soft);
  font-weight: 550;
  text-decoration: none;
}

nav a:hover:not(.router-link-active) {
  background: var(--paper-low);
}

nav .router-link-active {
  background: var(--ink);
  color: var(--paper);
}

.stretch {
  flex: 1;
}

.view {
  min-height: 0;
  overflow: hidden;
}

.missing {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 12px;
}

@media (width < 1150px) {
  nav {
    margin-left: 0;
  }

  nav a {
    padding: 7px 10px;
  }
}

@media (width < 1000px) {
  .profile {
    display: block;
    height: auto;
  }

  header,
  nav {
    flex-wrap: wrap;
  }

  header {
    padding-block: 8px;
  }

  .view {
    overflow: visible;
  }
}
</style>

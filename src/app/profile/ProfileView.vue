<script setup lang="ts">
import { computed, watch } from 'vue'
import ProfileMenu from './ProfileMenu.vue'
import TitleBlock from './TitleBlock.vue'
import ViewBar from '../shared/ViewBar.vue'
import UndoButtons from '../shared/UndoButtons.vue'
import { deviceLine } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useLastUsed } from '../stores/last-used'
import ViewBoundary from '../../faults/ViewBoundary.vue'

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
  <div
    v-if="editor.profile && editor.model"
    class="grid h-full grid-cols-1 grid-rows-[minmax(0,1fr)_auto] max-[1000px]:block max-[1000px]:h-auto"
  >
    <ViewBar class="whitespace-nowrap">
      <ProfileMenu />
      <span class="device soft"
        >on {{ device ? devices.title(device) : editor.model.name
        }}{{ device?.name ? `, ${editor.model.name}` : ''
        }}{{ device ? ` · ${deviceLine(device)}` : '' }}</span
      >
      <nav aria-label="Views of the profile">
        <RouterLink
          v-for="view in views"
          :key="view.path"
          class="rounded-6 px-3.5 py-1.75 font-medium text-ink-soft no-underline max-[1150px]:px-2.5 max-[1150px]:py-1.75"
          :to="`/profile/${id}/${view.path}`"
          >{{ view.title }}</RouterLink
        >
      </nav>
      <span class="flex-1" />
      <UndoButtons :editor="editor" />
      <v-btn href="/unplugged.html" target="unplugged">Try it unplugged</v-btn>
    </ViewBar>
    <div class="min-h-0 overflow-hidden max-[1000px]:overflow-visible">
      <h1 class="visually-hidden">{{ editor.profile.name }}, {{ $route.meta.title }}</h1>
      <RouterView v-slot="{ Component }">
        <ViewBoundary :address="$route.path"><component :is="Component" /></ViewBoundary>
      </RouterView>
    </div>
    <TitleBlock />
  </div>
  <div v-else-if="library.complete" class="sheet flex flex-col items-center justify-center gap-3">
    <h1>This profile is not here</h1>
    <p class="soft">It may have been deleted, or belongs to another browser.</p>
    <v-btn variant="flat" color="ink" to="/library">Open the library</v-btn>
  </div>
  <div v-else class="sheet flex flex-col items-center justify-center gap-3">
    <p class="soft">Reading the library…</p>
  </div>
</template>

<style scoped>
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

nav a:hover:not(.router-link-active) {
  background: var(--paper-low);
}

nav .router-link-active {
  background: var(--ink);
  color: var(--paper);
}

@media (width < 1150px) {
  nav {
    margin-left: 0;
  }
}

@media (width < 1000px) {
  nav {
    flex-wrap: wrap;
  }
}
</style>

<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
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
  withTexts({ path: 'buttons' }, { title: 'profile.buttons' }),
  withTexts({ path: 'motion' }, { title: 'profile.motion' }),
  withTexts({ path: 'light' }, { title: 'profile.light' }),
  withTexts({ path: 'compare' }, { title: 'profile.compare' }),
]
</script>

<template>
  <div
    v-if="editor.profile && editor.model"
    class="grid h-full grid-cols-1 grid-rows-[minmax(0,1fr)_auto] max-[1000px]:block max-[1000px]:h-auto"
  >
    <ViewBar class="whitespace-nowrap">
      <ProfileMenu />
      <span class="device soft">{{
        device?.name
          ? device
            ? t('profile.on', {
                device: device ? devices.title(device) : editor.model.name,
                slot: editor.model.name,
                status: deviceLine(device),
              })
            : t('profile.on2', {
                device: device ? devices.title(device) : editor.model.name,
                slot: editor.model.name,
              })
          : device
            ? t('profile.on3', {
                device: device ? devices.title(device) : editor.model.name,
                status: deviceLine(device),
              })
            : t('profile.on4', { device: device ? devices.title(device) : editor.model.name })
      }}</span>
      <nav :aria-label="t('profile.profileViews')">
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
      <v-btn href="/unplugged.html" target="unplugged">{{ t('profile.tryInUnplugged') }}</v-btn>
    </ViewBar>
    <div class="min-h-0 overflow-hidden max-[1000px]:overflow-visible">
      <h1 class="visually-hidden">
        {{
          $route.meta.title
            ? t('profile.text', { name: editor.profile.name, view: t($route.meta.title) })
            : editor.profile.name
        }}
      </h1>
      <RouterView v-slot="{ Component }">
        <ViewBoundary :address="$route.path"><component :is="Component" /></ViewBoundary>
      </RouterView>
    </div>
    <TitleBlock />
  </div>
  <div v-else-if="library.complete" class="sheet flex flex-col items-center justify-center gap-3">
    <h1>{{ t('profile.profileNotFound') }}</h1>
    <p class="soft">{{ t('profile.itMayHaveBeenDeletedOrIt') }}</p>
    <v-btn variant="flat" color="ink" to="/library">{{ t('profile.openTheLibrary') }}</v-btn>
  </div>
  <div v-else class="sheet flex flex-col items-center justify-center gap-3">
    <p class="soft">{{ t('profile.readingTheLibrary') }}</p>
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
  margin-inline-start: 16px;
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
    margin-inline-start: 0;
  }
}

@media (width < 1000px) {
  nav {
    flex-wrap: wrap;
  }
}
</style>

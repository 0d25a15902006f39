<script setup lang="ts">
import {
  mdiBookshelf,
  mdiMagnify,
  mdiMouse,
  mdiPowerPlugOffOutline,
  mdiRuler,
  mdiThemeLightDark,
  mdiTimelineOutline,
  mdiTuneVariant,
} from '@mdi/js'
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, getCurrentInstance, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useTheme } from './composables/theme'
import AppIcon from './parts/AppIcon.vue'
import NoticeBar from './parts/NoticeBar.vue'
import { beginLibrary, standingOf, wasWritten } from './start'
import { useDeeds, type DeedPlace } from './stores/deeds'
import { useDevices } from './stores/devices'
import { useLibrary } from './stores/library'

/** Loaded when it is first asked for. */
const FindBox = defineAsyncComponent(() => import('./find/FindBox.vue'))
const finding = ref(false)
useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey || event.code !== 'KeyK') return
  event.preventDefault()
  finding.value = true
})

const theme = useTheme()
const devices = useDevices()
const library = useLibrary()

const nextTheme = computed(() => (theme.value === 'dark' ? 'light' : 'dark'))
const gone = ref(false)

/** Loaded when it is needed, which is hardly ever; with the component library it is made of. */
const app = getCurrentInstance()?.appContext.app
const GoneLibrary = defineAsyncComponent(async () => {
  const [{ installComponentLibrary }, view] = await Promise.all([
    import('./component-library'),
    import('./parts/GoneLibrary.vue'),
  ])
  if (app) installComponentLibrary(app)
  return view
})

async function begin(how: 'demo' | 'empty'): Promise<void> {
  const demo = how === 'demo' ? await import('./demo') : undefined
  await library.attempt(() =>
    beginLibrary(library.library, () => demo?.fillLibrary(library.library) ?? Promise.resolve()),
  )
  gone.value = false
}

onMounted(async () => {
  const blank: string[] = []
  let written = false
  await devices.start(async (client, id) => {
    if (await wasWritten(client, id)) written = true
    else blank.push(id)
  })
  const standing = await library.attempt(() => standingOf(library.library, written))
  if (standing === 'gone') gone.value = true
  if (standing !== 'first visit') return
  await begin('demo')
  const { fillDevice } = await import('./demo')
  for (const id of blank) {
    if (devices.simulator) await fillDevice(devices.simulator, id)
    await devices.refresh(id, true)
  }
})

/** What was done outside an editor is taken back where it was done. */
const route = useRoute()
const deeds = useDeeds()
const PLACES: Record<string, DeedPlace | undefined> = {
  '/library': 'library',
  '/settings': 'library',
  '/macros': 'macros',
  '/devices': 'devices',
  '/measure': 'measure',
}
useEventListener('keydown', (event) => {
  const place = PLACES[route.path]
  const command = (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey
  if (!place || !command || event.code !== 'KeyZ' || event.target instanceof HTMLInputElement) return
  event.preventDefault()
  void deeds.undo(place)
})
</script>

<template>
  <div class="application">
    <div class="shell">
      <nav class="rail" aria-label="Places">
        <img class="mark" src="/mark.svg" alt="Unisera" width="34" height="34" />
        <RouterLink to="/devices"><AppIcon :path="mdiMouse" />Devices</RouterLink>
        <RouterLink to="/library" :class="{ here: $route.path.startsWith('/profile') }">
          <AppIcon :path="mdiBookshelf" />Library
        </RouterLink>
        <RouterLink to="/macros"><AppIcon :path="mdiTimelineOutline" />Macros</RouterLink>
        <RouterLink to="/measure"><AppIcon :path="mdiRuler" />Measure</RouterLink>
        <a href="/unplugged.html" target="unplugged"><AppIcon :path="mdiPowerPlugOffOutline" />Unplugged</a>
        <button type="button" title="Find anything (Ctrl K)" @click="finding = true">
          <AppIcon :path="mdiMagnify" />Find
          <kbd>Ctrl K</kbd>
        </button>
        <span class="stretch" />
        <RouterLink to="/settings"><AppIcon :path="mdiTuneVariant" />Settings</RouterLink>
        <button type="button" :aria-label="`Use the ${nextTheme} theme`" @click="theme = nextTheme">
          <AppIcon :path="mdiThemeLightDark" />{{ nextTheme === 'dark' ? 'Dark' : 'Light' }}
        </button>
      </nav>
      <main class="place">
        <p v-if="library.failure" class="failure" role="alert">
          The library could not be read: {{ library.failure }}. Nothing in it was changed. Reload the page; if
          private browsing is on, it may forbid storage.
        </p>
        <p v-if="devices.failure" class="failure" role="alert">
          Devices cannot be reached: {{ devices.failure }} Profiles can still be edited and are kept.
        </p>
        <GoneLibrary v-if="gone" @begin="begin" />
        <RouterView v-else />
      </main>
    </div>
    <FindBox v-if="finding" @close="finding = false" />
    <NoticeBar />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  height: 100vh;
}

.rail {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  padding: 13px 0;
  background: var(--rail);
}

.mark {
  margin-bottom: 12px;
  border: 1px solid #4a5160;
  border-radius: 8px;
}

.rail a,
.rail button {
  display: flex;
  width: 68px;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  padding: 8px 0;
  border: 0;
  border-radius: 6px;
  background: transparent;
  color: var(--rail-ink);
  font: inherit;
  font-size: 12px;
  text-decoration: none;
  cursor: pointer;
}

.rail kbd {
  color: inherit;
  font-size: 12px;
  opacity: 0.8;
}

.rail :focus-visible {
  outline-color: #fff;
}

.rail a:hover,
.rail button:hover {
  background: rgb(255 255 255 / 8%);
}

.rail .router-link-active,
.rail .here {
  background: rgb(255 255 255 / 14%);
  color: #fff;
}

.stretch {
  flex: 1;
}

.place {
  display: flex;
  min-width: 0;
  height: 100vh;
  flex-direction: column;
  overflow: hidden;
}

.place > :last-child {
  min-height: 0;
  flex: 1;
}

.failure {
  padding: 8px 20px;
  border-bottom: 1px solid var(--pending);
  background: var(--pending-wash);
  color: var(--pending);
}

@media (width < 1000px) {
  .shell {
    grid-template-columns: 72px minmax(0, 1fr);
  }

  .place {
    overflow: auto;
  }
}
</style>

<script setup lang="ts">
import { COMMON_AREAS } from '../../messages/areas'
import { recordFault } from '../../faults/faults'
import { loadMessages, t, withMessages } from '../../messages/page'
import { until, useEventListener, useMediaQuery } from '@vueuse/core'
import {
  computed,
  defineAsyncComponent,
  effectScope,
  onMounted,
  ref,
  shallowRef,
  useTemplateRef,
  watch,
} from 'vue'
import { useRoute } from 'vue-router'
import { useTheme } from '../../look/component-library'
import { useLightsMove } from '../../look/lights-move'
import { runByKey, useCommands } from '../shared/commands'
import { shownFault } from '../../faults/faults'
import ViewBoundary from '../../faults/ViewBoundary.vue'
import { useNotifications } from '../stores/notifications'
import { useFocusKeeping, useViewTitle } from './focus'
import PlacesRail from './PlacesRail.vue'
import AnnounceRegion from '../../look/AnnounceRegion.vue'
import { pageOfView, useHelp } from '../shared/help'
import { useLostParts } from './lost-parts'
import { useOffline } from './offline'
import { recordLibrary, devicesToFill, fillDevices, libraryState, wasEverWritten } from './start'
import { useUndoableActions, type ActionPlace } from '../stores/undoable-actions'
import { useDevices } from '../stores/devices'
import { useStorageQueue } from '../stores/storage-queue'
import { useLibrary } from '../stores/library'
import type { useLostLibrary } from '../stores/lost-library'
import { useStorageCare } from '../stores/storage-care'
import { useOwnSetting } from '../../look/own-storage'

/** After the first view: rarely needed before, and notifications are rare. */
const NotificationBar = defineAsyncComponent(() => import('./NotificationBar.vue'))
const FileOpening = defineAsyncComponent(() => import('../files/FileOpening.vue'))
const TitleTooltip = defineAsyncComponent(() => import('../../look/TitleTooltip.vue'))
/** Loaded on first use. */
const FindBox = defineAsyncComponent(withMessages(['settings'], () => import('./find/FindBox.vue')))
const FaultBar = defineAsyncComponent(() => import('../../faults/FaultBar.vue'))
const finding = ref(false)
const ShortcutsDialog = defineAsyncComponent(() => import('./ShortcutsDialog.vue'))
const keysOpen = ref(false)
useEventListener('keydown', runByKey)

const theme = useTheme()
useFocusKeeping()
useOffline()
useLostParts()
useViewTitle()
const devices = useDevices()
const library = useLibrary()

const nextTheme = computed(() => (theme.value === 'dark' ? 'light' : 'dark'))
const gone = ref(false)
const care = useStorageCare()

/** Loaded when needed, which is rare. */
const DeletedLibrary = defineAsyncComponent(withMessages(['library'], () => import('./DeletedLibrary.vue')))

async function begin(how: 'demo' | 'empty', blank: readonly string[] = []): Promise<void> {
  const demo = how === 'demo' ? await import('./demo') : undefined
  await library.attempt(() =>
    recordLibrary(library.library, () => demo?.fillLibrary(library.library) ?? Promise.resolve(), blank),
  )
  gone.value = false
}

const scope = effectScope()
onMounted(async () => {
  const blank: string[] = []
  let written = false
  const [ids] = await Promise.all([
    library.attempt(() => devicesToFill(library.library)),
    loadMessages(COMMON_AREAS).catch(recordFault),
  ])
  const due = new Set(ids)
  await devices.start(async (client, id) => {
    const was = await wasEverWritten(client, id)
    if (was) written = true
    else blank.push(id)
    return !was || due.has(id)
  })
  const standing = await library.attempt(() => libraryState(library.library, written))
  if (standing === 'gone') gone.value = true
  if (standing === 'first visit') {
    await begin('demo', blank)
    if (tourSeen.value === '') void startTourAt('/devices')
  }
  library.begun = true
  await library.attempt(() =>
    fillDevices(library.library, async (id) => {
      const { fillDevice } = await import('./demo')
      if (devices.simulator) await fillDevice(devices.simulator, id)
      await devices.releaseUnread(id)
    }),
  )
  for (const { id } of devices.list) await devices.releaseUnread(id)
  const [{ useReadyMacros }, lostLibrary, { useMenuKeys }] = await Promise.all([
    import('../stores/ready-macros'),
    import('../stores/lost-library'),
    import('./menu-keys'),
  ])
  scope.run(useReadyMacros)
  scope.run(useMenuKeys)
  lost.value = lostLibrary.useLostLibrary()
})

/** Its entries come from all views: it loads after the first view. */
const lost = shallowRef<ReturnType<typeof useLostLibrary>>()
const LostLibrary = defineAsyncComponent(() => import('./LostLibrary.vue'))
/** The page's documents are stored again, and the library counts as existing. */
async function storeHeld(): Promise<boolean> {
  const stored = await library.attempt(async () => {
    await recordLibrary(library.library, () => Promise.resolve())
    await lost.value?.held?.store()
    return true
  })
  return stored === true
}

const route = useRoute()
const notices = useNotifications()
const keeping = useStorageQueue()
const begun = computed(() => devices.ready || devices.failure !== undefined || notices.current !== undefined)
watch(() => route.path, notices.left)

/** Automatic backups start after everything else. */
const BACKUP_LOOK_MS = 60_000
onMounted(() => {
  let begun = false
  async function look(): Promise<void> {
    const { useAutoBackup } = await withMessages(['library'], () => import('../library/auto-backup'))()
    const auto = useAutoBackup()
    if (!begun) await auto.look()
    begun = true
    await auto.tick()
    await care.lookAtRoom()
  }
  setInterval(() => void look(), BACKUP_LOOK_MS)
})

const view = useTemplateRef<{ $el: HTMLElement }>('view')
const toView = () => view.value?.$el.focus()

/** In a narrow window, the places have icons without labels. */
const narrow = useMediaQuery('(width < 700px)')

/** Changes outside an editor are undone where they were made. */
const deeds = useUndoableActions()
const PLACES: Record<string, ActionPlace | undefined> = {
  '/library': 'library',
  '/shelf': 'library',
  '/open': 'library',
  '/settings': 'library',
  '/macros': 'macros',
  '/devices': 'devices',
  '/devices/slots': 'devices',
  '/devices/rules': 'devices',
  '/measure': 'measure',
}
const place = computed(() => PLACES[route.path])

const help = useHelp()
/** Loaded on first use. */
const HelpPanel = defineAsyncComponent(() => import('./help/HelpPanel.vue'))
const ShowMe = defineAsyncComponent(() => import('./help/ShowMe.vue'))
const helpAsked = computed(() => help.page.value !== undefined || help.term.value !== undefined)
const tourSeen = useOwnSetting('unisera-tour', '')
async function startTour(): Promise<void> {
  tourSeen.value = 'seen'
  const { createTour: tourOf } = await import('./help/tour')
  await until(() => library.entries.length).toMatch((count) => count > 0, { timeout: 5000 })
  help.task.value = tourOf(library.entries[0]?.id)
}

/** A first visit may start elsewhere, such as at a shared link: the tour waits for its first view. */
async function startTourAt(path: string): Promise<void> {
  await until(() => route.path).toBe(path)
  await startTour()
}

const playing = useLightsMove()
useCommands({
  find: () => (finding.value = true),
  keys: () => (keysOpen.value = true),
  help: () => (help.page.value = pageOfView(route.path)),
  tour: startTour,
  theme: { run: () => (theme.value = nextTheme.value), about: () => `to ${nextTheme.value}` },
  'lights.move': {
    run: () => (playing.value = !playing.value),
    about: () => (playing.value ? t('shell.lightsAreMoving') : t('shell.lightsAreStill')),
  },
  undo: {
    run: () => place.value && deeds.undo(place.value),
    can: () => place.value !== undefined,
    about: () => t('shell.theLastChangeInThisView'),
  },
})
</script>

<template>
  <v-app>
    <a class="skip" href="#view" @click.prevent="toView">{{ t('shell.skipToTheView') }}</a>
    <PlacesRail :narrow :next-theme @find="finding = true" @theme="theme = nextTheme" />
    <v-main id="view" ref="view" class="place" tabindex="-1">
      <v-alert v-if="keeping.trouble" class="sticky top-0 z-2" data-testid="waiting">
        {{ keeping.trouble }}
        <template #append
          ><v-btn @click="keeping.tryAgain()">{{ t('shell.tryAgainNow') }}</v-btn></template
        >
      </v-alert>
      <LostLibrary v-if="lost?.held" :held="lost.held" :restore="storeHeld" @leave="lost?.leave()" />
      <div class="contents" role="status">
        <v-alert v-if="library.blocked" role="none">
          {{ t('shell.anotherTabHasAnOlderVersionOf') }}
        </v-alert>
      </div>
      <v-alert v-if="library.failure">
        {{ t('shell.theLibraryCouldNotBeReadNothing', { problem: library.failure }) }}
      </v-alert>
      <v-alert v-if="devices.failure">
        {{ t('shell.devicesCannotBeReachedYouCanStill', { problem: devices.failure }) }}
      </v-alert>
      <FileOpening v-if="begun" />
      <DeletedLibrary v-if="gone" @begin="begin" />
      <RouterView v-else v-slot="{ Component }">
        <ViewBoundary :address="route.path"><component :is="Component" /></ViewBoundary>
      </RouterView>
    </v-main>
    <FindBox v-if="finding" @close="finding = false" />
    <ShortcutsDialog v-if="keysOpen" @close="keysOpen = false" />
    <NotificationBar v-if="begun" />
    <TitleTooltip v-if="begun" />
    <AnnounceRegion />
    <FaultBar v-if="shownFault" />
    <HelpPanel v-if="helpAsked" />
    <ShowMe v-if="help.task.value" />
  </v-app>
</template>

<style scoped>
.skip {
  position: fixed;
  z-index: 4000;
  top: 8px;
  inset-inline-start: 84px;
  padding: 6px 12px;
  border-radius: 6px;
  background: var(--ink);
  color: var(--paper);
  transform: translateY(-60px);
}

.skip:focus {
  transform: none;
}

.place:focus {
  outline: none;
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

@media (width < 1000px) {
  .place {
    overflow: auto;
  }
}
</style>

import { t, withTexts, textOf } from '../../../messages/page'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../../core/device/models'
import type { Macro } from '../../../core/document/macro'
import type { LibraryEntry } from '../../database/library'
import { SETTINGS, settingIds } from '../../settings/settings'
import { useEditor } from '../../stores/editor'
import { useLibrary } from '../../stores/library'
import { useMacros } from '../../stores/macros'
import { useFoundCommands } from './commands-found'
import { searchText } from '../../../core/find/search-text'
import { actionsOf, findablesOf, searchProfiles } from '../../../core/find/findables'
import { useFoundHelp } from './help-found'
import { useFoundSlots } from './slots-found'
import type { FindEntry } from './find-entry'

/** All results that are possible now. Views come first: Enter in an empty box must not change a device. */
export function useFindables(typed: () => string) {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  const router = useRouter()
  const commands = useFoundCommands()
  const help = useFoundHelp()
  const slots = useFoundSlots()
  const go = (path: string) => () => router.push(path)
  /** The open profile, or otherwise the first one. */
  const nearest = computed(() => editor.openId ?? library.entries[0]?.id)
  const inProfile = (view: string, id = nearest.value) => go(`/profile/${id}/${view}`)

  const views = computed<FindEntry[]>(() => {
    const open = nearest.value === undefined ? undefined : library.entry(nearest.value)?.profile.name
    const ofProfile = open === undefined ? [] : PROFILE_VIEWS
    return [
      ...ofProfile.map(({ text, view, about, words }): FindEntry => {
        return {
          kind: 'view',
          text,
          detail: t('shell.ofProfile', { about, profile: open ?? '' }),
          words,
          run: inProfile(view),
        }
      }),
      ...PLACES.map(({ path, ...place }): FindEntry => ({ kind: 'view', ...place, run: go(path) })),
      ...settingIds.map((id): FindEntry => {
        const { title, about, words } = SETTINGS[id]
        return { kind: 'setting', text: title, detail: about, words, run: go(`/settings#${id}`) }
      }),
      UNPLUGGED,
    ]
  })

  const profiles = computed(() => profilesOf(go, library.entries))

  const inside = computed<FindEntry[]>(() => {
    const { profile, model } = editor
    const placed = profile && model ? findablesOf(profile, model, macros.shelf, textOf) : []
    return placed.map(({ view, ...findable }) => ({ ...findable, run: inProfile(view) }))
  })

  const elsewhere = useFoundElsewhere(typed, inProfile)

  /** All actions, to be bound to an input that is selected next. */
  const actions = computed<FindEntry[]>(() => {
    const { profile, model } = editor
    if (!profile || !model) return []
    return actionsOf(profile, model, macros.shelf, textOf).map((action) => ({
      ...action,
      run: inProfile(`buttons?carry=${encodeURIComponent(action.text)}`),
    }))
  })

  return computed(() => [
    ...views.value,
    ...profiles.value,
    ...inside.value,
    ...macrosOf(go, macros.list),
    ...commands.value,
    ...slots.value,
    ...elsewhere.value,
    ...actions.value,
    ...help.value,
  ])
}

/** Contents of closed profiles: only those with every word of the search. */
function useFoundElsewhere(typed: () => string, inProfile: (view: string, id: string) => () => unknown) {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  return computed<FindEntry[]>(() => {
    const words = typed().toLowerCase().split(/\s+/).filter(Boolean)
    if (words.join('').length < SHORTEST_SEARCH) return []
    const holding = library.entries.filter(({ id, profile }) => {
      const text = id === editor.openId ? '' : searchText(profile, macros.shelf, textOf)
      return text !== '' && words.every((word) => text.includes(word))
    })
    return holding.slice(0, MAX_PROFILES).flatMap(({ id, profile }) => {
      const model = modelById(profile.model)
      const found = model ? searchProfiles(profile, model, macros.shelf, typed(), textOf) : []
      return found.map(({ view, ...findable }) => ({ ...findable, run: inProfile(view, id) }))
    })
  })
}

/** A shorter text would match everything. */
const SHORTEST_SEARCH = 2
/** Maximum number of profiles searched. */
const MAX_PROFILES = 40

const profilesOf = (go: (path: string) => () => unknown, entries: readonly LibraryEntry[]): FindEntry[] =>
  entries.map(({ id, profile }) => ({
    kind: 'profile',
    text: profile.name,
    detail: modelById(profile.model)?.name ?? profile.model,
    words: 'open',
    run: go(`/profile/${id}/buttons`),
  }))

const macrosOf = (go: (path: string) => () => unknown, list: readonly Macro[]): FindEntry[] =>
  list.map(({ id, name, tags, events }) => ({
    kind: 'macro',
    text: name,
    detail: t('shell.events', { count: events.length }),
    words: ['macro', ...tags, ...typedBy(events)].join(' '),
    run: go(`/macros/${id}`),
  }))

/** Texts typed by a macro, and macros it plays, are found by their own names. */
const typedBy = (events: Macro['events']): string[] =>
  events.flatMap((event) => (event.kind === 'text' ? event.text : []))

const UNPLUGGED: FindEntry = withTexts(
  { kind: 'view', words: 'try test', run: () => window.open('/unplugged.html', 'unplugged') },
  { text: 'shell.unplugged', detail: 'shell.aComputerWithoutUnisera' },
)

const PLACES = [
  withTexts(
    { words: 'firmware version serial battery charge connection memory', path: '/devices' },
    { text: 'shell.devices', detail: 'shell.connectedDevicesAndTheirSlots' },
  ),
  withTexts(
    { words: 'deleted bin', path: '/library' },
    { text: 'shell.library', detail: 'shell.allProfiles' },
  ),
  withTexts({ path: '/measure' }, { text: 'shell.measure', detail: 'shell.pollingRateTrueDpiClicks' }),
  withTexts(
    { words: 'record combo sequence clicker autoclicker turbo rapid fire repeat', path: '/macros' },
    { text: 'shell.macros', detail: 'shell.allMacros' },
  ),
  withTexts(
    { words: 'board swap clear read back active onboard memory', path: '/devices/slots' },
    { text: 'shell.allSlots', detail: 'shell.everySlotOfEveryDevice' },
  ),
  withTexts(
    { words: 'game automatic switch', path: '/devices/rules' },
    { text: 'shell.appRules', detail: 'shell.slotsThatFollowTheProgramInFront' },
  ),
  withTexts(
    { words: 'shared', path: '/shelf' },
    { text: 'shell.shelf', detail: 'shell.profilesSharedByOthers' },
  ),
  withTexts(
    { words: 'preferences options', path: '/settings' },
    { text: 'shell.settings', detail: 'shell.appearanceNotificationsStorage' },
  ),
]

const PROFILE_VIEWS = [
  withTexts(
    { view: 'buttons', words: 'bindings keys remap assign layers keybinds' },
    { text: 'shell.buttons', about: 'shell.actionsOfEveryInput' },
  ),
  withTexts(
    { view: 'motion', words: 'dpi sensitivity speed try-out targets train practise aim trainer' },
    { text: 'shell.motion', about: 'shell.dpiStepsAndPollingRate' },
  ),
  withTexts(
    { view: 'light', words: 'rgb led colours backlight' },
    { text: 'shell.light', about: 'shell.zonesAndEffects' },
  ),
]

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
import { actionsOf, findablesOf, foundIn } from '../../../core/find/findables'
import { useFoundHelp } from './help-found'
import { useFoundSlots } from './slots-found'
import type { FindEntry } from './find-entry'

/** Everything there is to find now. Places first: Enter in an empty box must not do anything to a device. */
export function useFindables(typed: () => string) {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  const router = useRouter()
  const commands = useFoundCommands()
  const help = useFoundHelp()
  const slots = useFoundSlots()
  const go = (path: string) => () => router.push(path)
  /** The open profile, or else the first one. */
  const nearest = computed(() => editor.openId ?? library.entries[0]?.id)
  const inProfile = (view: string, id = nearest.value) => go(`/profile/${id}/${view}`)

  const views = computed<FindEntry[]>(() => {
    const open = nearest.value === undefined ? undefined : library.entry(nearest.value)?.profile.name
    const ofProfile = open === undefined ? [] : PROFILE_VIEWS
    return [
      ...ofProfile.map(({ text, view, about, words }): FindEntry => {
        return { kind: 'view', text, detail: `${about}, ${open}`, words, run: inProfile(view) }
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
    const placed = profile && model ? findablesOf(profile, model, macros.shelf) : []
    return placed.map(({ view, ...findable }) => ({ ...findable, run: inProfile(view) }))
  })

  const elsewhere = useFoundElsewhere(typed, inProfile)

  /** Every action there is, to be put on an input that is chosen next. */
  const actions = computed<FindEntry[]>(() => {
    const { profile, model } = editor
    if (!profile || !model) return []
    return actionsOf(profile, model, macros.shelf).map((action) => ({
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

/** What profiles that are not open do and hold: those alone that have every word of the search in them. */
function useFoundElsewhere(typed: () => string, inProfile: (view: string, id: string) => () => unknown) {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  return computed<FindEntry[]>(() => {
    const words = typed().toLowerCase().split(/\s+/).filter(Boolean)
    if (words.join('').length < SHORTEST_SEARCH) return []
    const holding = library.entries.filter(({ id, profile }) => {
      const text = id === editor.openId ? '' : searchText(profile, macros.shelf)
      return text !== '' && words.every((word) => text.includes(word))
    })
    return holding.slice(0, MOST_PROFILES).flatMap(({ id, profile }) => {
      const model = modelById(profile.model)
      const found = model ? foundIn(profile, model, macros.shelf, typed()) : []
      return found.map(({ view, ...findable }) => ({ ...findable, run: inProfile(view, id) }))
    })
  })
}

/** Shorter than this, everything would be found. */
const SHORTEST_SEARCH = 2
/** Profiles that are looked into. */
const MOST_PROFILES = 40

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
    detail: `${events.length} events`,
    words: ['macro', ...tags, ...typedBy(events)].join(' '),
    run: go(`/macros/${id}`),
  }))

/** Texts that a macro types, and macros that it plays are found by their own names. */
const typedBy = (events: Macro['events']): string[] =>
  events.flatMap((event) => (event.kind === 'text' ? event.text : []))

const UNPLUGGED: FindEntry = {
  kind: 'view',
  text: 'Unplugged',
  detail: 'a computer without Unisera',
  words: 'try test',
  run: () => window.open('/unplugged.html', 'unplugged'),
}

const PLACES = [
  {
    text: 'Devices',
    detail: 'what is here and what it holds',
    words: 'firmware version serial battery charge connection memory',
    path: '/devices',
  },
  { text: 'Library', detail: 'all profiles', words: 'deleted bin', path: '/library' },
  { text: 'Measure', detail: 'polling rate, true DPI, clicks', path: '/measure' },
  {
    text: 'Macros',
    detail: 'all macros',
    words: 'record combo sequence clicker autoclicker turbo rapid fire repeat',
    path: '/macros',
  },
  {
    text: 'All slots',
    detail: 'every slot of every device',
    words: 'board swap clear read back active onboard memory',
    path: '/devices/slots',
  },
  {
    text: 'App rules',
    detail: 'which slot while which program is in front',
    words: 'game automatic switch',
    path: '/devices/rules',
  },
  { text: 'Shelf', detail: 'profiles of others', words: 'shared', path: '/shelf' },
  {
    text: 'Settings',
    detail: 'look, notices, what is kept, backup',
    words: 'preferences options',
    path: '/settings',
  },
]

const PROFILE_VIEWS = [
  {
    text: 'Buttons',
    view: 'buttons',
    about: 'what every input does',
    words: 'bindings keys remap assign layers keybinds',
  },
  {
    text: 'Motion',
    view: 'motion',
    about: 'steps and polling rate',
    words: 'dpi sensitivity speed try-out targets train practise aim trainer',
  },
  { text: 'Light', view: 'light', about: 'zones and effects', words: 'rgb led colours backlight' },
]

import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../../core/device/models'
import type { Macro } from '../../../core/document/macro'
import { SETTINGS, settingIds } from '../../settings/settings'
import { useEditor } from '../../stores/editor'
import { useLibrary } from '../../stores/library'
import { useMacros } from '../../stores/macros'
import { useFoundCommands } from './commands-found'
import { actionsOf, findablesOf } from './of-profile'
import { useFoundHelp } from './help-found'
import { useFoundSlots } from './slots-found'
import type { FindEntry } from './rank'

/** Everything there is to find now. Places first: Enter in an empty box must not do anything to a device. */
export function useFindables() {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  const router = useRouter()
  const commands = useFoundCommands()
  const help = useFoundHelp()
  const slots = useFoundSlots()
  const go = (path: string) => () => router.push(path)
  const inProfile = (view: string) => go(`/profile/${editor.openId}/${view}`)

  const views = computed<FindEntry[]>(() => {
    const open = editor.profile?.name
    const ofProfile = open === undefined ? [] : PROFILE_VIEWS
    return [
      ...ofProfile.map(({ text, view, about }): FindEntry => {
        return { kind: 'view', text, detail: `${about}, ${open}`, run: inProfile(view) }
      }),
      ...PLACES.map(({ path, ...place }): FindEntry => ({ kind: 'view', ...place, run: go(path) })),
      ...settingIds.map((id): FindEntry => {
        const { title, about, words } = SETTINGS[id]
        return { kind: 'setting', text: title, detail: about, words, run: go(`/settings#${id}`) }
      }),
      UNPLUGGED,
    ]
  })

  const profiles = computed<FindEntry[]>(() =>
    library.entries.map(({ id, profile }) => ({
      kind: 'profile',
      text: profile.name,
      detail: modelById(profile.model)?.name ?? profile.model,
      words: 'open',
      run: go(`/profile/${id}/buttons`),
    })),
  )

  const inside = computed<FindEntry[]>(() => {
    const { profile, model } = editor
    const placed = profile && model ? findablesOf(profile, model, macros.shelf) : []
    return placed.map(({ view, ...findable }) => ({ ...findable, run: inProfile(view) }))
  })

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
    ...actions.value,
    ...help.value,
  ])
}

const macrosOf = (go: (path: string) => () => unknown, list: readonly Macro[]): FindEntry[] =>
  list.map(({ id, name, tags, events }) => ({
    kind: 'macro',
    text: name,
    detail: `${events.length} events`,
    words: ['macro', ...tags].join(' '),
    run: go(`/macros/${id}`),
  }))

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
  { text: 'Macros', detail: 'all macros', path: '/macros' },
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
  { text: 'Buttons', view: 'buttons', about: 'what every input does' },
  { text: 'Motion', view: 'motion', about: 'steps and polling rate' },
  { text: 'Light', view: 'light', about: 'zones and effects' },
]

import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../../core/device/models'
import type { Macro } from '../../../core/document/macro'
import { usePending } from '../../stores/pending'
import { useTheme } from '../../../look/component-library'
import { useEditor } from '../../stores/editor'
import { useLibrary } from '../../stores/library'
import { useMacros } from '../../stores/macros'
import { actionsOf, findablesOf } from './of-profile'
import type { Findable } from './rank'

/** A thing that can be found, and what finding it does. */
export interface FindEntry extends Findable {
  run: () => unknown
}

/** Everything there is to find now. Places first: Enter in an empty box must not do anything to a device. */
export function useFindables() {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()
  const router = useRouter()
  const commands = useCommands()
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
      {
        kind: 'view',
        text: 'Unplugged',
        detail: 'a computer without Unisera',
        words: 'try test',
        run: () => window.open('/unplugged.html', 'unplugged'),
      },
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
    ...shortcutsOf(go, editor.openId).value,
    ...actions.value,
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

/** What keys do, and where. */
const KEYS: { text: string; shortcut: string; view?: string }[] = [
  { text: 'Find anything', shortcut: 'Ctrl K' },
  { text: 'Edit a cell', shortcut: 'Enter', view: 'buttons' },
  { text: 'Capture a key or chord', shortcut: 'F9', view: 'buttons' },
  { text: 'Fill the selected cells', shortcut: 'Ctrl D', view: 'buttons' },
  { text: 'Clear the selected cells', shortcut: 'Del', view: 'buttons' },
  { text: 'Copy cells', shortcut: 'Ctrl C', view: 'buttons' },
  { text: 'Paste cells', shortcut: 'Ctrl V', view: 'buttons' },
  { text: 'Select cells', shortcut: 'Shift + arrows', view: 'buttons' },
]

const shortcutsOf = (go: (path: string) => () => unknown, openId: string | undefined) =>
  computed<FindEntry[]>(() =>
    KEYS.filter(({ view }) => view === undefined || openId !== undefined).map(({ text, shortcut, view }) => ({
      kind: 'shortcut',
      text,
      shortcut,
      detail: view ? 'in the binding sheet' : 'everywhere',
      words: 'key',
      run: view ? go(`/profile/${openId}/${view}`) : () => {},
    })),
  )

const PLACES = [
  { text: 'Devices', detail: 'what is here and what it holds', path: '/devices' },
  { text: 'Library', detail: 'all profiles', path: '/library' },
  { text: 'Measure', detail: 'polling rate, true DPI, clicks', path: '/measure' },
  { text: 'Macros', detail: 'all macros', path: '/macros' },
  { text: 'All slots', detail: 'every slot of every device', path: '/devices/slots' },
  {
    text: 'App rules',
    detail: 'which slot while which program is in front',
    words: 'game automatic switch',
    path: '/devices/rules',
  },
  { text: 'Shelf', detail: 'profiles of others', words: 'shared', path: '/shelf' },
  { text: 'Settings', detail: 'what is kept here, backups', path: '/settings' },
]

const PROFILE_VIEWS = [
  { text: 'Buttons', view: 'buttons', about: 'what every input does' },
  { text: 'Motion', view: 'motion', about: 'steps and polling rate' },
  { text: 'Light', view: 'light', about: 'zones and effects' },
  { text: 'Cheat sheet', view: 'cheat-sheet', about: 'one page to print' },
]

function useCommands() {
  const editor = useEditor()
  const theme = useTheme()
  const { onDevice, compiled, device, slot, write } = usePending()

  return computed<FindEntry[]>(() => {
    const entries: FindEntry[] = []
    if (device.value?.connected && compiled.value?.bytes && !onDevice.value) {
      const detail = editor.profile?.name ?? ''
      entries.push({ kind: 'command', text: `Write to slot ${slot.value + 1}`, detail, run: write })
    }
    const [last, next] = [editor.past.at(-1), editor.future.at(-1)]
    if (last)
      entries.push({
        kind: 'command',
        text: 'Undo',
        detail: last.label,
        shortcut: 'Ctrl Z',
        run: editor.undo,
      })
    if (next) {
      entries.push({
        kind: 'command',
        text: 'Redo',
        detail: next.label,
        shortcut: 'Ctrl Shift Z',
        run: editor.redo,
      })
    }
    const other = theme.value === 'dark' ? 'light' : 'dark'
    const text = `${other === 'dark' ? 'Dark' : 'Light'} theme`
    entries.push({
      kind: 'command',
      text,
      detail: 'colours of the interface',
      run: () => (theme.value = other),
    })
    return entries
  })
}

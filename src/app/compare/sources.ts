import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import { moveProfile } from '../../core/compile/move'
import { PURPOSES, withPurpose } from '../../core/compile/purposes'
import type { DeviceModel } from '../../core/device/model'
import { modelById } from '../../core/device/models'
import { factoryProfile, macrosUsed } from '../../core/terms/profile'
import type { MacroShelf } from '../../core/document/macro'
import type { ProfileFile } from '../../core/files/profile-file'
import type { Profile } from '../../core/document/schema'
import type { EarlierState } from '../database/states'
import { clockText } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useStates } from '../stores/states'

/** What the open profile can be held against, and taken from. */
export interface Source {
  /** As the address says it: `starter:aim`, `profile:…`, `state:…`, `slot:…`. */
  key: string
  title: string
  about: string
  /** Worked out when it is chosen. Undefined where it cannot be read. */
  profile(): Profile | undefined
  problems?: readonly string[]
  /** A state, which can be deleted. */
  state?: EarlierState
  /** A profile of the library of this model, which can be given to as well. */
  entryId?: string
  /** Makes what it plays part of the library. @returns whether it is */
  adopt?(): Promise<boolean>
}

export interface SourceGroup {
  id: 'starters' | 'states' | 'profiles' | 'slots'
  title: string
  sources: readonly Source[]
}

export function useSources(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
) {
  const devices = useDevices()
  const macros = useMacros()
  const { earlier } = useEarlierStates()
  const profiles = useProfileSources()
  /** A file that was opened to be held against this profile. */
  const opened = shallowRef<OpenedFile>()

  const groups = computed((): SourceGroup[] => {
    const [now, of] = [profile.value, model.value]
    if (!now || !of) return []
    const alike = devices.ofModel(of.id)
    const meant = devices.forModel(of.id)
    return [
      { id: 'starters', title: 'Begin from', sources: starterSources(now, of, macros.shelf) },
      { id: 'states', title: 'Earlier states', sources: earlier.value.map(stateSource) },
      {
        id: 'slots',
        title: `Slots of ${alike.length === 1 && meant ? devices.title(meant) : of.name}`,
        sources: alike.flatMap((device) =>
          device.slots.flatMap((content, slot) =>
            content.bytes
              ? [
                  slotSource(
                    device === meant ? '' : device.id,
                    alike.length > 1 ? devices.title(device) : '',
                    slot,
                    content.profile,
                    macros.adopt,
                  ),
                ]
              : [],
          ),
        ),
      },
      {
        id: 'profiles',
        title: 'Other profiles',
        sources: [...(opened.value ? [profiles.ofFile(opened.value, of)] : []), ...profiles.others(of)],
      },
    ]
  })

  return { groups, opened }
}

interface OpenedFile {
  name: string
  file: ProfileFile
}

/** Those of the open profile, read anew whenever one is kept or goes. */
function useEarlierStates() {
  const editor = useEditor()
  const library = useLibrary()
  const states = useStates()
  const earlier = shallowRef<readonly EarlierState[]>([])
  watch(
    [() => editor.openId, () => states.changed],
    async () => {
      const id = editor.openId
      const read = id === undefined ? [] : ((await library.attempt(() => states.of(id))) ?? [])
      if (editor.openId === id) earlier.value = read
    },
    { immediate: true },
  )
  return { earlier }
}

/** Other profiles, as this model can have them where they are for another. */
function useProfileSources() {
  const editor = useEditor()
  const library = useLibrary()
  const macros = useMacros()

  function asHere(there: Profile, here: DeviceModel): Profile {
    const from = modelById(there.model)
    return from && from.id !== here.id ? moveProfile(there, from, here, macros.shelf).profile : there
  }

  const others = (of: DeviceModel): Source[] =>
    library.entries
      .filter(({ id }) => id !== editor.openId)
      .map(({ id, profile }) => ({
        key: `profile:${id}`,
        title: profile.name,
        about:
          profile.model === of.id ? of.name : `${modelById(profile.model)?.name}, as ${of.name} can have it`,
        profile: () => asHere(profile, of),
        ...(profile.model === of.id && { entryId: id }),
      }))

  const ofFile = ({ name, file }: OpenedFile, of: DeviceModel): Source => ({
    key: 'file',
    title: file.profile.name,
    about: `from ${name}`,
    profile: () => asHere(file.profile, of),
    adopt: async () => file.macros.length === 0 || (await macros.bring(file.macros)) !== undefined,
  })

  return { others, ofFile }
}

const starterSources = (now: Profile, of: DeviceModel, macros: MacroShelf): Source[] => [
  {
    key: 'starter:factory',
    title: 'As the factory has it',
    about: 'Nothing bound, the steps and the light it came with',
    profile: () => ({ ...factoryProfile(of, now.name, now.computer), tags: now.tags, rules: now.rules }),
  },
  ...PURPOSES.map((purpose) => ({
    key: `starter:${purpose.id}`,
    title: purpose.name,
    about: purpose.about,
    profile: () => withPurpose(now, of, purpose, macros),
  })),
]

/** @param of id of the device, where it is another than the one the profile is written to @param title of it, among several */
const slotSource = (
  of: string,
  title: string,
  slot: number,
  there: Profile | undefined,
  adopt: (macros: string[]) => Promise<void>,
): Source => ({
  key: of ? `slot:${of}:${slot}` : `slot:${slot}`,
  title: `Slot ${slot + 1}${title && ` of ${title}`}`,
  about: there?.name ?? 'cannot be read',
  profile: () => there,
  adopt: async () => {
    if (there) await adopt(macrosUsed(there))
    return true
  },
})

const WHY: Record<EarlierState['why'], (words: string) => string> = {
  written: (words) => `written to ${words}`,
  changed: (words) => `before ${words}`,
  day: () => 'before the first edit of that day',
  kept: () => 'kept by hand',
}

const DATE = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' })

function stateSource(state: EarlierState): Source {
  const when = `${DATE.format(state.at)}, ${clockText(state.at)}`
  const readable = 'document' in state
  return {
    key: `state:${state.id}`,
    title: state.why === 'kept' ? state.words : when,
    about: state.why === 'kept' ? `${when}, kept by hand` : WHY[state.why](state.words),
    profile: () => (readable ? state.document : undefined),
    ...(!readable && { problems: state.problems }),
    state,
  }
}

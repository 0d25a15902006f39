import { t, textOf } from '../../messages/page'
import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import { moveProfile } from '../../core/compile/move'
import { PURPOSES, applyPurpose } from '../../core/compile/purposes'
import type { DeviceModel } from '../../core/device/model'
import { modelById } from '../../core/device/models'
import { factoryProfile, macrosUsed } from '../../core/terms/profile'
import type { MacroShelf } from '../../core/document/macro'
import type { ProfileFile } from '../../core/files/profile-file'
import type { Profile } from '../../core/document/schema'
import type { SavedVersion } from '../database/saved-versions'
import { clockText } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useSavedVersions } from '../stores/saved-versions'

/** A source that the open profile can be compared with. */
export interface Source {
  /** As in the address: `starter:aim`, `profile:…`, `state:…`, `slot:…`. */
  key: string
  title: string
  about: string
  /** Computed when selected. Undefined if it is unreadable. */
  profile(): Profile | undefined
  problems?: readonly string[]
  /** A saved version, which can be deleted. */
  state?: SavedVersion
  /** A profile of the library for this model, to which differences can be copied as well. */
  entryId?: string
  /** Adds its macros to the library. @returns whether that succeeded */
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
  /** A file that was opened for the comparison. */
  const opened = shallowRef<OpenedFile>()

  const groups = computed((): SourceGroup[] => {
    const [now, of] = [profile.value, model.value]
    if (!now || !of) return []
    const alike = devices.ofModel(of.id)
    const meant = devices.forModel(of.id)
    return [
      { id: 'starters', title: t('compare.starters'), sources: starterSources(now, of, macros.shelf) },
      { id: 'states', title: t('compare.savedVersions'), sources: earlier.value.map(stateSource) },
      {
        id: 'slots',
        title: t('compare.slotsOf', { device: alike.length === 1 && meant ? devices.title(meant) : of.name }),
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
        title: t('compare.otherProfiles'),
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

/** Saved versions of the open profile, read again when one is added or deleted. */
function useEarlierStates() {
  const editor = useEditor()
  const library = useLibrary()
  const states = useSavedVersions()
  const earlier = shallowRef<readonly SavedVersion[]>([])
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

/** Other profiles, converted to this model if necessary. */
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
          profile.model === of.id
            ? of.name
            : t('compare.adaptedTo', { name: modelById(profile.model)?.name, model: of.name }),
        profile: () => asHere(profile, of),
        ...(profile.model === of.id && { entryId: id }),
      }))

  const ofFile = ({ name, file }: OpenedFile, of: DeviceModel): Source => ({
    key: 'file',
    title: file.profile.name,
    about: t('compare.from', { name }),
    profile: () => asHere(file.profile, of),
    adopt: async () => file.macros.length === 0 || (await macros.bring(file.macros)) !== undefined,
  })

  return { others, ofFile }
}

const starterSources = (now: Profile, of: DeviceModel, macros: MacroShelf): Source[] => [
  {
    key: 'starter:factory',
    title: t('compare.factorySettings'),
    about: t('compare.noBindingsFactoryStepsAndLight'),
    profile: () => ({ ...factoryProfile(of, now.name, now.computer), tags: now.tags, rules: now.rules }),
  },
  ...PURPOSES.map((purpose) => ({
    key: `starter:${purpose.id}`,
    title: textOf(purpose.name),
    about: textOf(purpose.about),
    profile: () => applyPurpose(now, of, purpose, macros),
  })),
]

/**
 * @param of id of the device, if it is not the one the profile is written to @param title its title, if there are
 *   several
 */
const slotSource = (
  of: string,
  title: string,
  slot: number,
  there: Profile | undefined,
  adopt: (macros: string[]) => Promise<void>,
): Source => ({
  key: of ? `slot:${of}:${slot}` : `slot:${slot}`,
  title: t('compare.slot', { slot: slot + 1, value: title && ` of ${title}` }),
  about: there?.name ?? t('compare.unreadable'),
  profile: () => there,
  adopt: async () => {
    if (there) await adopt(macrosUsed(there))
    return true
  },
})

const WHY: Record<SavedVersion['why'], (words: string) => string> = {
  written: (words) => t('compare.writtenTo', { slot: words }),
  changed: (words) => `before ${words}`,
  day: () => t('compare.beforeTheFirstEditThatDay'),
  kept: () => t('compare.savedByYou'),
}

const DATE = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' })

function stateSource(state: SavedVersion): Source {
  const when = `${DATE.format(state.at)}, ${clockText(state.at)}`
  const readable = 'document' in state
  return {
    key: `state:${state.id}`,
    title: state.why === 'kept' ? state.words : when,
    about: state.why === 'kept' ? t('compare.savedByYou2', { when }) : WHY[state.why](state.words),
    profile: () => (readable ? state.document : undefined),
    ...(!readable && { problems: state.problems.map(textOf) }),
    state,
  }
}

import { t } from '../messages/page'
import { createGlobalState, StorageSerializers, useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import type { DeviceView } from '../simulator/api'
import { useOwnSetting } from './own-storage'

/** Position of notes on the screen. */
export const NOTE_PLACES = ['top', 'bottom', 'corner'] as const

export interface NoteOptions {
  shown: boolean
  seconds: number
  sound: boolean
  at: (typeof NOTE_PLACES)[number]
}

const USUAL: NoteOptions = { shown: true, seconds: 2, sound: false, at: 'top' }
const LONGEST_S = 10

const useKept = createGlobalState(() =>
  useOwnSetting<Partial<NoteOptions> | null>('unisera-screen-notes', null, {
    serializer: StorageSerializers.object,
  }),
)

/** Settings of on-screen notes for both pages; defaults for unreadable values. */
export function useNoteOptions() {
  const kept = useKept()
  const options = computed((): NoteOptions => {
    const { shown, seconds, sound, at } = kept.value ?? {}
    return {
      shown: typeof shown === 'boolean' ? shown : USUAL.shown,
      seconds: typeof seconds === 'number' && seconds >= 1 && seconds <= LONGEST_S ? seconds : USUAL.seconds,
      sound: typeof sound === 'boolean' ? sound : USUAL.sound,
      at: NOTE_PLACES.find((place) => place === at) ?? USUAL.at,
    }
  })
  const setNotes = (change: Partial<NoteOptions>): void => {
    kept.value = { ...options.value, ...change }
  }
  return { options, setNotes }
}

export interface ScreenNote {
  text: string
  colour?: string
}

/** Names from a profile; on a computer without one, only numbers are used. */
export interface NoteNames {
  steps?: readonly { name?: string; colour: string }[]
  layers?: readonly { name: string }[]
}

type Seen = Pick<
  DeviceView,
  'step' | 'dpi' | 'dpiY' | 'stepHeld' | 'slot' | 'layers' | 'rateHz' | 'light' | 'pairing'
>

/** A note on the change of a device between two states; the most likely action of a hand comes first. */
export function describeChange(before: Seen, now: Seen, names: NoteNames = {}): ScreenNote | undefined {
  if (now.stepHeld && before.dpi !== now.dpi) return { text: t('look.holdStep', { dpi: dpiText(now) }) }
  if (before.slot !== now.slot) return { text: t('look.slot', { slot: now.slot }) }
  if (before.pairing !== now.pairing)
    return { text: now.pairing ? t('look.pairing2') : t('look.pairingEnded') }
  if (now.step > 0 && (before.step !== now.step || before.stepHeld !== now.stepHeld)) {
    const { name, colour } = names.steps?.[now.step - 1] ?? {}
    return {
      text: name
        ? t('look.step', { step: now.step, name, dpi: dpiText(now) })
        : t('look.step2', { step: now.step, dpi: dpiText(now) }),
      ...(colour && { colour }),
    }
  }
  if (before.layers.join() !== now.layers.join()) {
    const on = now.layers.map((layer) => names.layers?.[layer]?.name ?? `${layer}`)
    return { text: on.length > 0 ? t('look.layer', { on: on.join(' over ') }) : t('look.baseLayer') }
  }
  // A device that has just been connected had no rate before.
  if (before.rateHz !== now.rateHz && before.rateHz > 0 && now.rateHz > 0)
    return { text: t('look.pollingHz', { rateHz: now.rateHz }) }
  return lightNote(before.light, now.light)
}

function lightNote(before: Seen['light'], now: Seen['light']): ScreenNote | undefined {
  if (before.dark !== now.dark) return { text: now.dark ? t('look.lightsOff') : t('look.lightsOn') }
  if (before.alone !== now.alone)
    return {
      text: now.alone === 0 ? t('look.lightAllEffects') : t('look.lightOnlyEffect', { alone: now.alone }),
    }
  return before.percent === now.percent ? undefined : { text: t('look.brightness', { percent: now.percent }) }
}

const dpiText = ({ dpi, dpiY }: Seen): string =>
  dpiY === undefined ? t('look.dpi', { dpi }) : t('look.dpi2', { dpi, dpiY })

/** The current note, with an optional short sound. */
export function useScreenNote() {
  const { options } = useNoteOptions()
  const note = shallowRef<ScreenNote>()
  const { start } = useTimeoutFn(
    () => (note.value = undefined),
    () => options.value.seconds * 1000,
    { immediate: false },
  )

  function show(next: ScreenNote | undefined): void {
    if (!next || !options.value.shown) return
    note.value = next
    start()
    if (options.value.sound) beep()
  }

  return { note, show }
}

let audio: AudioContext | undefined
/** A twentieth of a second, quiet. Browsers allow no sound on a page before the first interaction. */
function beep(): void {
  audio ??= new AudioContext()
  const [tone, level] = [audio.createOscillator(), audio.createGain()]
  tone.frequency.value = 880
  level.gain.setValueAtTime(0.08, audio.currentTime)
  level.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.05)
  tone.connect(level).connect(audio.destination)
  tone.start()
  tone.stop(audio.currentTime + 0.05)
}

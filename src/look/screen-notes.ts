import { createGlobalState, StorageSerializers, useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import type { DeviceSight } from '../simulator/face'
import { useOwnSetting } from './own-storage'

/** Where on the screen a note stands. */
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

/** How notes on the screen are, for both pages; what cannot be read is as it was made. */
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

/** What a profile calls things; on a computer that knows no profile they have numbers alone. */
export interface NoteNames {
  steps?: readonly { name?: string; colour: string }[]
  layers?: readonly { name: string }[]
}

type Seen = Pick<
  DeviceSight,
  'step' | 'dpi' | 'dpiY' | 'stepHeld' | 'slot' | 'layers' | 'rateHz' | 'light' | 'pairing'
>

/** What changed on a device between two looks, as a note; the first of what a hand is most likely to have done. */
export function noteBetween(before: Seen, now: Seen, names: NoteNames = {}): ScreenNote | undefined {
  if (now.stepHeld && before.dpi !== now.dpi) return { text: `Held: ${dpiText(now)}` }
  if (before.slot !== now.slot) return { text: `Slot ${now.slot}` }
  if (before.pairing !== now.pairing)
    return { text: now.pairing ? 'Looks for one to pair with' : 'Pairing ended' }
  if (now.step > 0 && (before.step !== now.step || before.stepHeld !== now.stepHeld)) {
    const { name, colour } = names.steps?.[now.step - 1] ?? {}
    return { text: `Step ${now.step}${name ? `, ${name}` : ''}: ${dpiText(now)}`, ...(colour && { colour }) }
  }
  if (before.layers.join() !== now.layers.join()) {
    const on = now.layers.map((layer) => names.layers?.[layer]?.name ?? `${layer}`)
    return { text: on.length > 0 ? `Layer ${on.join(' over ')}` : 'Base layer' }
  }
  // One that has just been connected was at no rate before.
  if (before.rateHz !== now.rateHz && before.rateHz > 0 && now.rateHz > 0)
    return { text: `Polling ${now.rateHz} Hz` }
  return lightNote(before.light, now.light)
}

function lightNote(before: Seen['light'], now: Seen['light']): ScreenNote | undefined {
  if (before.dark !== now.dark) return { text: now.dark ? 'Lights off' : 'Lights on' }
  if (before.alone !== now.alone)
    return { text: now.alone === 0 ? 'Light: all effects' : `Light: effect ${now.alone} alone` }
  return before.percent === now.percent ? undefined : { text: `Brightness ${now.percent} %` }
}

const dpiText = ({ dpi, dpiY }: Seen): string => (dpiY === undefined ? `${dpi} DPI` : `${dpi} × ${dpiY} DPI`)

/** The note that stands on the screen now, and a short sound with each where one is wanted. */
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
/** A twentieth of a second, quiet. A page that nobody has touched yet may make no sound: then it makes none. */
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

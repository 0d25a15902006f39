import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, reactive, ref, shallowRef } from 'vue'
import { useUnfinishedWork } from '../stores/unfinished'
import {
  macroFromRecording,
  type RawEvent,
  type Recording,
  type RecordingOptions,
} from '../../core/edits/recording'

/** Pixels that browsers scroll for one detent. */
const PIXELS_A_DETENT = 100
/** `MouseEvent.button` to the numbers of a mouse report: left, middle and right, then the side buttons. */
const BUTTONS = [1, 3, 2, 4, 5]

export interface RecorderOptions extends RecordingOptions {
  /** The code of the key that starts and stops a recording. */
  toggleKey: string
  /** Stops a recording after this time without input; 0 for never. */
  silenceS: number
}

/** Why a recording stopped by itself. */
export type RecordingEnd = 'chosen' | 'silence' | 'focus lost'

/**
 * Records the person's input in this window, timed by the stamp of each event. Input that starts or stops it is never
 * recorded: the recorder's own controls are marked with `data-recorder`.
 */
export function useRecorder(
  options: RecorderOptions,
  done: (recording: Recording, why: RecordingEnd) => void,
) {
  const raw = shallowRef<RawEvent[]>([])
  const recording = ref(false)
  const startedMs = ref(0)
  let silence: ReturnType<typeof setTimeout> | undefined
  const unfinished = useUnfinishedWork()
  let ended = () => {}
  let lastMove = { x: 0, y: 0 }
  /** Held keys that operate a button of the recorder: their release is not recorded either. */
  const forButton = new Set<string>()

  function start(): void {
    raw.value = []
    forButton.clear()
    startedMs.value = performance.now()
    recording.value = true
    ended = unfinished.begin('recording')
  }

  function stop(why: RecordingEnd = 'chosen'): void {
    if (!recording.value) return
    recording.value = false
    ended()
    clearTimeout(silence)
    done(macroFromRecording(raw.value, options), why)
  }

  function cancel(): void {
    recording.value = false
    ended()
    clearTimeout(silence)
  }

  function add(event: RawEvent): void {
    raw.value = [...raw.value, event]
    clearTimeout(silence)
    if (options.silenceS > 0) silence = setTimeout(() => stop('silence'), options.silenceS * 1000)
  }

  /** Whether a key operates the recorder's own buttons; Shift does if Shift and Tab lead back to Stop. */
  function isForButton({ type, target, code }: KeyboardEvent): boolean {
    if (type === 'keyup' && forButton.delete(code)) return true
    const button = target instanceof Element ? target.closest('[data-recorder] button') : null
    const leadsBack = code.startsWith('Shift') && button !== null && button.previousElementSibling !== null
    if (!button || (!leadsBack && !BUTTON_KEYS.includes(code))) return false
    if (type === 'keydown') forButton.add(code)
    return true
  }

  function onKey(event: KeyboardEvent): void {
    if (recording.value && isForButton(event)) {
      if (event.code === 'Escape' && event.type === 'keydown') stop()
      return
    }
    const toggles = event.code === options.toggleKey
    if (!recording.value && !(toggles && event.type === 'keydown' && !typing(event))) return
    event.preventDefault()
    event.stopPropagation()
    if (toggles) {
      if (event.type !== 'keydown' || event.repeat) return
      if (recording.value) stop()
      else start()
      return
    }
    if (event.repeat) return
    add({ kind: 'key', code: event.code, down: event.type === 'keydown', atMs: event.timeStamp })
  }

  function onButton(event: MouseEvent): void {
    if (!recording.value || !options.buttons || own(event)) return
    event.preventDefault()
    const button = BUTTONS[event.button] ?? 0
    if (button > 0) add({ kind: 'button', button, down: event.type === 'mousedown', atMs: event.timeStamp })
  }

  useEventListener('keydown', onKey, { capture: true })
  useEventListener('keyup', onKey, { capture: true })
  useEventListener('mousedown', onButton, { capture: true })
  useEventListener('mouseup', onButton, { capture: true })
  useEventListener('contextmenu', (event) => {
    if (recording.value && options.buttons && !own(event)) event.preventDefault()
  })
  useEventListener(
    'wheel',
    (event) => {
      if (!recording.value || !options.wheel) return
      event.preventDefault()
      const detentsOf = (pixels: number) => Math.round(pixels / PIXELS_A_DETENT)
      const [detents, sideways] = [detentsOf(event.deltaY), detentsOf(event.deltaX)]
      if (detents === 0 && sideways === 0) return
      // Down is positive in a page, up in a report; `0 -` avoids negative zero.
      add({ kind: 'wheel', detents: 0 - detents, sideways, atMs: event.timeStamp })
    },
    { passive: false, capture: true },
  )
  useEventListener('mousemove', (event) => {
    const at = { x: event.screenX, y: event.screenY }
    const [x, y] = [at.x - lastMove.x, at.y - lastMove.y]
    lastMove = at
    if (!recording.value || !options.movement || own(event) || (x === 0 && y === 0)) return
    add({ kind: 'move', x, y, atMs: event.timeStamp })
  })
  useEventListener('blur', () => stop('focus lost'))
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'hidden') stop('focus lost')
  })
  onScopeDispose(cancel)

  return reactive({ recording, raw, startedMs, count: computed(() => raw.value.length), start, stop, cancel })
}

const BUTTON_KEYS = ['Tab', 'Enter', 'NumpadEnter', 'Space', 'Escape']

const own = ({ target }: Event): boolean =>
  target instanceof Element && target.closest('[data-recorder]') !== null

const typing = ({ target }: Event): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable)

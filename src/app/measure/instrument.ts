import { t } from '../../messages/page'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, type Ref } from 'vue'
import { itemAt } from '../../core/base/items'
import type { Press } from '../../core/document/session-log'
import type { ReceivedReports } from '../../core/measure/reception'
import { useUnfinishedWork } from '../stores/unfinished'
import { MovementLog } from '../../core/measure/movement-log'

const LOOK_MS = 250
const BUTTONS = ['left button', 'middle button', 'right button', 'side button 4', 'side button 5']
/** Each report of the mouse, if the browser supports it; otherwise those collected during a frame. */
const RAW = typeof window === 'object' && 'onpointerrawupdate' in window

/**
 * Records the person's own mouse and keyboard: movement as raw and complete as the browser provides it, presses with
 * their own time stamps. Alternatively, it receives the output of a test device.
 */
export function useInstrument(surface: Ref<HTMLElement | null>) {
  const log = new MovementLog()
  const clicks: Press[] = []
  const keys: Press[] = []
  const recording = ref(false)
  const locked = ref(false)
  const unadjusted = ref(false)
  /** Increases a few times per second while there are new events, so that results are computed again. */
  const version = shallowRef(0)
  const startedAt = ref(0)
  let heard = 0
  let shown = 0
  let startMs = 0
  const unfinished = useUnfinishedWork()
  let ended = () => {}

  function clear(): void {
    log.clear()
    clicks.length = keys.length = 0
    heard++
    version.value++
  }

  async function start(): Promise<void> {
    clear()
    startMs = performance.now()
    startedAt.value = Date.now()
    recording.value = true
    ended = unfinished.begin('session')
    const element = surface.value
    element?.focus()
    try {
      await element?.requestPointerLock({ unadjustedMovement: true })
      unadjusted.value = true
    } catch {
      unadjusted.value = false
      // Without the locked pointer, events over the surface are received as well.
      await Promise.resolve(element?.requestPointerLock()).catch(() => {})
    }
  }

  function stop(): void {
    recording.value = false
    ended()
    if (document.pointerLockElement === surface.value) document.exitPointerLock()
    version.value++
  }

  const since = (event: Event): number => event.timeStamp - startMs
  const concerns = (event: Event): boolean =>
    recording.value &&
    (locked.value || (event.target instanceof Node && surface.value?.contains(event.target) === true))

  useEventListener(document, RAW ? 'pointerrawupdate' : 'pointermove', (event: Event) => {
    if (!concerns(event) || !(event instanceof PointerEvent)) return
    const all = event.getCoalescedEvents()
    for (const each of all.length > 0 ? all : [event]) {
      if (each.movementX === 0 && each.movementY === 0) continue
      log.add(since(each), each.movementX, each.movementY)
      heard++
    }
  })
  const button = (event: MouseEvent, down: boolean): void => {
    if (!concerns(event)) return
    event.preventDefault()
    clicks.push({
      what: BUTTONS[event.button] ?? t('measure.button2', { number: event.button + 1 }),
      atMs: since(event),
      down,
    })
    heard++
  }
  useEventListener(document, 'mousedown', (event) => button(event, true))
  useEventListener(document, 'mouseup', (event) => button(event, false))
  useEventListener(document, 'contextmenu', (event) => {
    if (concerns(event)) event.preventDefault()
  })
  const key = (event: KeyboardEvent, down: boolean): void => {
    if (!recording.value || event.repeat) return
    if (event.code === 'Escape') return stop()
    if (document.activeElement !== surface.value && !locked.value) return
    event.preventDefault()
    keys.push({ what: event.code, atMs: since(event), down })
    heard++
  }
  useEventListener(document, 'keydown', (event) => key(event, true))
  useEventListener(document, 'keyup', (event) => key(event, false))
  useEventListener(document, 'pointerlockchange', () => {
    const before = locked.value
    locked.value = document.pointerLockElement === surface.value
    if (before && !locked.value && recording.value) stop()
  })
  useIntervalFn(() => {
    if (heard === shown) return
    shown = heard
    version.value++
  }, LOOK_MS)

  /** The output of a test device, in place of the person's own hardware. */
  function take({ timesMs, dx, dy, presses, keys: pressedKeys }: ReceivedReports): void {
    stop()
    clear()
    timesMs.forEach((atMs, at) => log.add(atMs, itemAt(dx, at), itemAt(dy, at)))
    clicks.push(...presses)
    keys.push(...pressedKeys)
    heard++
    version.value++
  }

  /** The number of events so far, as text. */
  const tally = computed(() => {
    void version.value
    const down = (presses: Press[]) => presses.filter((press) => press.down).length
    return [
      t('measure.report', { count: log.length }),
      t('measure.click', { count: down(clicks) }),
      t('measure.key', { count: down(keys) }),
    ].join(' · ')
  })

  return {
    log,
    clicks,
    keys,
    recording,
    locked,
    unadjusted,
    version,
    startedAt,
    tally,
    raw: RAW,
    start,
    stop,
    clear,
    take,
  }
}

export type Instrument = ReturnType<typeof useInstrument>

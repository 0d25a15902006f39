import { useRafFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import type { InputRole } from '../../core/device/model'
import { Computer } from '../../core/computer/computer'
import { reportDescriptor } from '../../core/hid/descriptor'
import { layoutOn } from '../../core/computer/layouts'
import type { Stroke } from '../../core/motion/hand-strokes'
import { MM_PER_INCH } from '../../core/motion/steps'
import { listenToSimulator } from '../../simulator/client'
import type { DeviceSight } from '../../simulator/face'
import { noteBetween, useScreenNote } from '../../look/screen-notes'
import { useDevices } from '../stores/devices'
import { useLentDevice, type TryOutSource } from './lent-device'
import { usePointerTrace, type TracePoint } from './pointer-trace'

const BUTTON_ROLES: InputRole[] = ['primary', 'middle', 'secondary', 'back', 'forward']

/**
 * A device of its own that runs the open profile as it is at this moment, written or not, and a computer that hears
 * it: the person's hand moves the one, the pointer of the other is drawn.
 */
export function useTryOut(source: TryOutSource) {
  const devices = useDevices()
  /** The step that is in force when the profile comes on; the default if none is tried. */
  const step = ref<number>()
  /** While steps are compared, nothing may tell which one is in force. */
  const untold = ref(false)
  const heldInput = ref<string>()
  const ownDpi = ref(800)
  const sight = shallowRef<DeviceSight>()
  const { note, show } = useScreenNote()
  const view = usePointerTrace()
  const { screen, pointer, counts, trail, handTrail, beginAt, clear } = view
  const pressed = new Set<(at: TracePoint, down: boolean) => void>()
  const moved = new Set<(at: TracePoint) => void>()
  let computer = new Computer(reportDescriptor(), layoutOn('us', 'windows'))

  const { id, problem, resemble, holdsProfile } = useLentDevice(source, step, () => {
    heldInput.value = undefined
    computer = new Computer(reportDescriptor(), layoutOn('us', 'windows'))
  })

  onScopeDispose(
    listenToSimulator((event) => {
      if (event.kind !== 'report' || event.deviceId !== id.value) return
      for (const heard of computer.receive(event.report)) {
        if (heard.kind === 'pointer') {
          view.take(heard, event.atUs / 1000)
          for (const hear of moved) hear(pointer.value)
        } else if (heard.kind === 'button' && heard.button === 1)
          for (const hear of pressed) hear(pointer.value, heard.down)
      }
    }),
  )

  /** The hand moves the device. The trail it would leave by itself is drawn beside the device's. */
  function move(dxMm: number, dyMm: number): void {
    const device = id.value
    if (!device) return
    void devices.simulator?.move(device, dxMm, dyMm)
    const { dpi = 0, dpiY = dpi } = sight.value ?? {}
    view.drawHand((dxMm * dpi) / MM_PER_INCH, (dyMm * dpiY) / MM_PER_INCH)
  }

  /** What the person's own mouse moved, in its counts. */
  const moveOwn = (countsX: number, countsY: number): void =>
    move((countsX / ownDpi.value) * MM_PER_INCH, (countsY / ownDpi.value) * MM_PER_INCH)

  const byRole = (role: InputRole) => source.model()?.inputs.find((input) => input.role === role)

  /** The person's own button is the input of the same role. */
  function pressOwn(button: number, down: boolean): void {
    const input = byRole(itemAt(BUTTON_ROLES, button))
    if (!input || !id.value) return
    if (down) void devices.simulator?.press(id.value, input.id)
    else void devices.simulator?.release(id.value, input.id)
  }

  /** Keeps one input down, whichever the person's own mouse has not; undefined lets it go. */
  function hold(inputId: string | undefined): void {
    const [client, device] = [devices.simulator, id.value]
    if (client && device && heldInput.value) void client.release(device, heldInput.value)
    if (client && device && inputId) void client.press(device, inputId)
    heldInput.value = inputId
  }

  function turnOwn(up: boolean): void {
    const input = byRole(up ? 'wheel-up' : 'wheel-down')
    if (input && id.value) void devices.simulator?.turn(id.value, input.id, 1)
  }

  /** A simulated hand draws a stroke in real time, from the left or, a round one, from the top. */
  async function draw(stroke: Stroke, round = false): Promise<void> {
    const { width, height } = screen.value
    beginAt(round ? { x: width / 2, y: height / 4 } : { x: width / 10, y: height / 3 })
    const startMs = performance.now()
    for (let at = 0; at < stroke.length;) {
      await new Promise(requestAnimationFrame)
      const until = Math.min(stroke.length, Math.floor(performance.now() - startMs))
      for (; at < until; at++) {
        const { dx, dy, heightMm } = itemAt(stroke, at)
        if (heightMm !== undefined && id.value) void devices.simulator?.lift(id.value, heightMm)
        move(dx, dy)
      }
    }
    if (id.value) void devices.simulator?.lift(id.value, 0)
  }

  let looking = false
  async function look(): Promise<void> {
    const [client, device] = [devices.simulator, id.value]
    if (looking || !client || !device) return
    looking = true
    const now = await client.look(device).catch(() => undefined)
    looking = false
    if (!now || device !== id.value) return
    tell(now)
    sight.value = now
  }
  useRafFn(() => void look())

  /** What it was when it was last told; nothing until the profile is on it. */
  let told: DeviceSight | undefined
  /** Says on the screen what changed on the device, as it changes. */
  function tell(now: DeviceSight): void {
    const profile = source.profile()
    if (told && profile) show(noteBetween(told, now, profile))
    told = holdsProfile() ? now : undefined
  }

  return {
    id,
    problem,
    step,
    ownDpi,
    curveId: view.curveId,
    systemFactor: view.systemFactor,
    sight,
    note,
    pointer,
    counts,
    trail,
    handTrail,
    pressed,
    moved,
    move,
    moveOwn,
    pressOwn,
    turnOwn,
    hold,
    heldInput,
    clear,
    draw,
    resemble,
    screen,
    untold,
    tryStep: (index: number | undefined, tell = true) => {
      step.value = index
      untold.value = !tell
    },
    setScreen: view.setScreen,
    setOwnDpi: (dpi: number) => (ownDpi.value = dpi),
    setSystem: view.setSystem,
  }
}

export type TryOut = ReturnType<typeof useTryOut>

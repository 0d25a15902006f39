import { useRafFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import type { InputRole } from '../../core/device/model'
import { Computer } from '../../core/computer/computer'
import { reportDescriptor } from '../../core/hid/descriptor'
import { layoutFor } from '../../core/computer/layouts'
import type { Stroke } from '../../core/motion/hand-strokes'
import { MM_PER_INCH } from '../../core/motion/steps'
import { listenToSimulator } from '../../simulator/client'
import type { DeviceView } from '../../simulator/api'
import { describeChange, useScreenNote } from '../../look/screen-notes'
import { useDevices } from '../stores/devices'
import { useBorrowedDevice, type TryOutSource } from './borrowed-device'
import { usePointerTrace, type TracePoint } from './pointer-trace'

const BUTTON_ROLES: InputRole[] = ['primary', 'middle', 'secondary', 'back', 'forward']

/**
 * A separate device that runs the current profile, written or not, and a computer that receives it: the person's hand
 * moves the device, and the pointer is painted.
 */
export function useTryOut(source: TryOutSource) {
  const devices = useDevices()
  /** The initial step of the profile; its default if none is tried. */
  const step = ref<number>()
  /** During a comparison, nothing may show which step is active. */
  const untold = ref(false)
  const heldInput = ref<string>()
  const ownDpi = ref(800)
  const sight = shallowRef<DeviceView>()
  const { note, show } = useScreenNote()
  const view = usePointerTrace()
  const { screen, pointer, counts, trail, handTrail, beginAt, clear } = view
  const pressed = new Set<(at: TracePoint, down: boolean) => void>()
  const moved = new Set<(at: TracePoint) => void>()
  let computer = new Computer(reportDescriptor(), layoutFor('us', 'windows'))

  const { id, problem, resemble, holdsProfile } = useBorrowedDevice(source, step, () => {
    heldInput.value = undefined
    computer = new Computer(reportDescriptor(), layoutFor('us', 'windows'))
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

  /** The hand moves the device. Its own trail is painted next to the device's. */
  function move(dxMm: number, dyMm: number): void {
    const device = id.value
    if (!device) return
    void devices.simulator?.move(device, dxMm, dyMm)
    const { dpi = 0, dpiY = dpi } = sight.value ?? {}
    view.drawHand((dxMm * dpi) / MM_PER_INCH, (dyMm * dpiY) / MM_PER_INCH)
  }

  /** Movement of the person's own mouse, in its counts. */
  const moveOwn = (countsX: number, countsY: number): void =>
    move((countsX / ownDpi.value) * MM_PER_INCH, (countsY / ownDpi.value) * MM_PER_INCH)

  const byRole = (role: InputRole) => source.model()?.inputs.find((input) => input.role === role)

  /** The person's own button presses the input with the same role. */
  function pressOwn(button: number, down: boolean): void {
    const input = byRole(itemAt(BUTTON_ROLES, button))
    if (!input || !id.value) return
    if (down) void devices.simulator?.press(id.value, input.id)
    else void devices.simulator?.release(id.value, input.id)
  }

  /** Holds an input that the person's own mouse does not have; undefined releases it. */
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

  /** A simulated hand draws a stroke in real time, from the left or, for a circle, from the top. */
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

  /** The last known state; undefined until the profile is on it. */
  let told: DeviceView | undefined
  /** Shows changes of the device on the screen. */
  function tell(now: DeviceView): void {
    const profile = source.profile()
    if (told && profile) show(describeChange(told, now, profile))
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

import { useEventListener, useRafFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { itemAt } from '../../core/base/items'
import type { Connection, DeviceModel, InputRole } from '../../core/device/model'
import { Computer } from '../../core/computer/computer'
import { reportDescriptor } from '../../core/hid/descriptor'
import { layoutOn } from '../../core/computer/layouts'
import { CompileError, compileProfile } from '../../core/compile/compile'
import { LinkSession } from '../../core/link/session'
import type { Stroke } from '../../core/motion/hand-strokes'
import { PointerBallistics, pointerCurveById, type PointerCurve } from '../../core/motion/pointer-curve'
import { MM_PER_INCH } from '../../core/motion/steps'
import type { Profile } from '../../core/document/schema'
import { listenToSimulator, simulatedTransport } from '../../simulator/client'
import type { DeviceSight } from '../../simulator/face'
import { noteBetween, useScreenNote } from '../../look/screen-notes'
import { useDevices } from '../stores/devices'
import { useMacros } from '../stores/macros'
import { messageOf } from '../stores/notices'

/** The screen that the try-out's pointer moves on, in px, while it is a small picture of one. */
const SMALL_SCREEN = { width: 1920, height: 1200 }
const MOST_TRAIL = 4000
const BUTTON_ROLES: InputRole[] = ['primary', 'middle', 'secondary', 'back', 'forward']

export interface TracePoint {
  x: number
  y: number
}

/**
 * A device of its own that runs the open profile as it is at this moment, written or not, and a computer that hears
 * it: the person's hand moves the one, the pointer of the other is drawn.
 */
export function useTryOut(source: {
  profile: () => Profile | undefined
  model: () => DeviceModel | undefined
  connectionId: () => Connection['id']
  /** The person's own device of that model, if there is one: what is tried lies where it lies. */
  deviceId: () => string | undefined
}) {
  const devices = useDevices()
  const macros = useMacros()
  const id = ref<string>()
  const problem = ref<string>()
  /** The step that is in force when the profile comes on; the default if none is tried. */
  const step = ref<number>()
  /** While steps are compared, nothing may tell which one is in force. */
  const untold = ref(false)
  const heldInput = ref<string>()
  const ownDpi = ref(800)
  const curveId = ref<PointerCurve['id']>('off')
  const systemFactor = ref(1)
  const sight = shallowRef<DeviceSight>()
  const { note, show } = useScreenNote()
  /** As large as what it is drawn on when that is the whole screen: then a count is a px. */
  const screen = shallowRef(SMALL_SCREEN)
  const middle = (): TracePoint => ({ x: screen.value.width / 2, y: screen.value.height / 2 })
  const pointer = shallowRef<TracePoint>(middle())
  const counts = shallowRef({ x: 0, y: 0 })
  /** Where the pointer went, and where it would have gone by the hand alone. Drawn each frame, so not reactive. */
  const trail: TracePoint[] = [pointer.value]
  const handTrail: TracePoint[] = [pointer.value]
  const pressed = new Set<(at: TracePoint, down: boolean) => void>()
  const moved = new Set<(at: TracePoint) => void>()
  let ballistics = new PointerBallistics(pointerCurveById('off'))
  let computer = new Computer(reportDescriptor(), layoutOn('us', 'windows'))
  let base: Uint8Array | undefined
  let wanted: Uint8Array | undefined
  let writing = false
  let borrowings = 0

  watch([curveId, systemFactor], ([curve, factor]) => {
    ballistics = new PointerBallistics(pointerCurveById(curve), factor)
  })

  /** Takes a device for as long as this view is open; another one when model or connection change. */
  async function borrow(): Promise<void> {
    const turn = ++borrowings
    const [model, client] = [source.model(), devices.simulator]
    if (!model?.sensor || !client) return
    const before = id.value
    id.value = undefined
    if (before) await client.giveBack(before)
    const lent = await client.borrow(model.id, source.connectionId())
    // Asked again meanwhile, or the view is gone: this one is not needed.
    if (turn !== borrowings) return void client.giveBack(lent)
    id.value = lent
    heldInput.value = undefined
    computer = new Computer(reportDescriptor(), layoutOn('us', 'windows'))
    base = undefined
    await resemble()
    void write()
  }

  async function resemble(): Promise<void> {
    const [own, client] = [source.deviceId(), devices.simulator]
    if (id.value && own) await client?.resemble(id.value, own)
  }
  watch([source.model, source.connectionId, () => devices.simulator], () => void borrow(), {
    immediate: true,
  })
  function giveBack(): void {
    borrowings++
    if (id.value) void devices.simulator?.giveBack(id.value)
  }
  onScopeDispose(giveBack)
  useEventListener('beforeunload', giveBack)

  /** The profile's image with the step that is tried as its default; the same bytes the device would get. */
  function image(): Uint8Array | undefined {
    const [profile, model] = [source.profile(), source.model()]
    if (!profile || !model) return undefined
    try {
      const tried = Math.min(step.value ?? profile.defaultStep, profile.steps.length - 1)
      problem.value = undefined
      return compileProfile({ ...profile, defaultStep: Math.max(0, tried) }, model, macros.shelf).bytes
    } catch (error) {
      if (!(error instanceof CompileError)) throw error
      problem.value = 'The profile has an error, so the device keeps what it had: see the checks.'
      return undefined
    }
  }

  /** Writes over the link as anywhere else; while one write is under way only the newest state waits. */
  async function write(): Promise<void> {
    wanted = image() ?? wanted
    const [client, device] = [devices.simulator, id.value]
    if (writing || !client || !device) return
    writing = true
    try {
      while (wanted && device === id.value) {
        const next = wanted
        wanted = undefined
        await new LinkSession(simulatedTransport(client, device)).writeSlot(0, next, base)
        base = next
      }
    } catch (error) {
      base = undefined
      if (device === id.value) problem.value = messageOf(error)
    }
    writing = false
    // Another device was taken meanwhile: it has nothing yet.
    if (device !== id.value) void write()
  }
  watch([source.profile, step, () => macros.shelf], () => void write())

  onScopeDispose(
    listenToSimulator((event) => {
      if (event.kind !== 'report' || event.deviceId !== id.value) return
      for (const heard of computer.receive(event.report)) {
        if (heard.kind === 'pointer') {
          counts.value = { x: counts.value.x + heard.x, y: counts.value.y + heard.y }
          const go = ballistics.take(heard.x, heard.y, event.atUs / 1000)
          pointer.value = within({ x: pointer.value.x + go.x, y: pointer.value.y + go.y }, screen.value)
          keep(trail, pointer.value)
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
    const last = handTrail.at(-1) ?? pointer.value
    keep(handTrail, { x: last.x + (dxMm * dpi) / MM_PER_INCH, y: last.y + (dyMm * dpiY) / MM_PER_INCH })
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

  const clear = (): void => beginAt(middle())

  function beginAt(point: TracePoint): void {
    pointer.value = point
    trail.splice(0, trail.length, point)
    handTrail.splice(0, handTrail.length, point)
    counts.value = { x: 0, y: 0 }
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
    told = base && now
  }

  return {
    id,
    problem,
    step,
    ownDpi,
    curveId,
    systemFactor,
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
    /** The real size of what it is drawn on; left out, the small picture again. */
    setScreen: (size = SMALL_SCREEN) => {
      screen.value = size
      clear()
    },
    setOwnDpi: (dpi: number) => (ownDpi.value = dpi),
    setSystem: (curve: PointerCurve['id'], factor: number) => {
      curveId.value = curve
      systemFactor.value = factor
    },
  }
}

export type TryOut = ReturnType<typeof useTryOut>

function keep(trail: TracePoint[], point: TracePoint): void {
  trail.push(point)
  if (trail.length > MOST_TRAIL) trail.splice(0, trail.length - MOST_TRAIL)
}

const within = ({ x, y }: TracePoint, { width, height }: typeof SMALL_SCREEN): TracePoint => ({
  x: Math.max(0, Math.min(width, x)),
  y: Math.max(0, Math.min(height, y)),
})

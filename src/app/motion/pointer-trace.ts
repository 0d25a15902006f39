import { clamp } from '../../core/base/numbers'
import { ref, shallowRef, watch } from 'vue'
import { PointerConverter, pointerCurveById, type PointerCurve } from '../../core/motion/pointer-curve'

/** A position on the screen, in px. */
export interface TracePoint {
  x: number
  y: number
}

/** The screen of the try-out's pointer, in px, while it is reduced. */
const SMALL_SCREEN = { width: 1920, height: 1200 }
const MAX_TRAIL = 4000

/** The pointer of a computer that receives the device, and its trail. */
export function usePointerTrace() {
  /** At actual size, it has the size of its canvas, and one count is one px. */
  const screen = shallowRef(SMALL_SCREEN)
  const middle = (): TracePoint => ({ x: screen.value.width / 2, y: screen.value.height / 2 })
  const pointer = shallowRef<TracePoint>(middle())
  const counts = shallowRef({ x: 0, y: 0 })
  /** The trail of the pointer, and of the hand without the device. Not reactive, because it is painted each frame. */
  const trail: TracePoint[] = [pointer.value]
  const handTrail: TracePoint[] = [pointer.value]
  const curveId = ref<PointerCurve['id']>('off')
  const systemFactor = ref(1)
  let ballistics = new PointerConverter(pointerCurveById('off'))
  watch([curveId, systemFactor], ([curve, factor]) => {
    ballistics = new PointerConverter(pointerCurveById(curve), factor)
  })

  /** Moves the pointer by the counts of a report, with the system's pointer curve. */
  function take(moved: TracePoint, atMs: number): void {
    counts.value = { x: counts.value.x + moved.x, y: counts.value.y + moved.y }
    const go = ballistics.take(moved.x, moved.y, atMs)
    pointer.value = within({ x: pointer.value.x + go.x, y: pointer.value.y + go.y }, screen.value)
    keep(trail, pointer.value)
  }

  /** Adds to the trail of the hand, in px. */
  function drawHand(dx: number, dy: number): void {
    const last = handTrail.at(-1) ?? pointer.value
    keep(handTrail, { x: last.x + dx, y: last.y + dy })
  }

  /** Places the pointer and clears both trails. */
  function beginAt(point: TracePoint): void {
    pointer.value = point
    trail.splice(0, trail.length, point)
    handTrail.splice(0, handTrail.length, point)
    counts.value = { x: 0, y: 0 }
  }
  const clear = (): void => beginAt(middle())

  /** Sets the actual size of its canvas; without one, it is reduced again. */
  function setScreen(size = SMALL_SCREEN): void {
    screen.value = size
    clear()
  }

  function setSystem(curve: PointerCurve['id'], factor: number): void {
    curveId.value = curve
    systemFactor.value = factor
  }

  return {
    screen,
    pointer,
    counts,
    trail,
    handTrail,
    curveId,
    systemFactor,
    take,
    drawHand,
    beginAt,
    clear,
    setScreen,
    setSystem,
  }
}

function keep(trail: TracePoint[], point: TracePoint): void {
  trail.push(point)
  if (trail.length > MAX_TRAIL) trail.splice(0, trail.length - MAX_TRAIL)
}

const within = ({ x, y }: TracePoint, { width, height }: typeof SMALL_SCREEN): TracePoint => ({
  x: clamp(x, 0, width),
  y: clamp(y, 0, height),
})

import { ref, shallowRef, watch } from 'vue'
import { PointerBallistics, pointerCurveById, type PointerCurve } from '../../core/motion/pointer-curve'

/** A place on the screen, in px. */
export interface TracePoint {
  x: number
  y: number
}

/** The screen that the try-out's pointer moves on, in px, while it is a small picture of one. */
const SMALL_SCREEN = { width: 1920, height: 1200 }
const MOST_TRAIL = 4000

/** The pointer of a computer that hears the device, and where it went. */
export function usePointerTrace() {
  /** As large as what it is drawn on when that is the whole screen: then a count is a px. */
  const screen = shallowRef(SMALL_SCREEN)
  const middle = (): TracePoint => ({ x: screen.value.width / 2, y: screen.value.height / 2 })
  const pointer = shallowRef<TracePoint>(middle())
  const counts = shallowRef({ x: 0, y: 0 })
  /** Where the pointer went, and where it would have gone by the hand alone. Drawn each frame, so not reactive. */
  const trail: TracePoint[] = [pointer.value]
  const handTrail: TracePoint[] = [pointer.value]
  const curveId = ref<PointerCurve['id']>('off')
  const systemFactor = ref(1)
  let ballistics = new PointerBallistics(pointerCurveById('off'))
  watch([curveId, systemFactor], ([curve, factor]) => {
    ballistics = new PointerBallistics(pointerCurveById(curve), factor)
  })

  /** Moves the pointer by the counts of a report, as the system's pointer curve has it. */
  function take(moved: TracePoint, atMs: number): void {
    counts.value = { x: counts.value.x + moved.x, y: counts.value.y + moved.y }
    const go = ballistics.take(moved.x, moved.y, atMs)
    pointer.value = within({ x: pointer.value.x + go.x, y: pointer.value.y + go.y }, screen.value)
    keep(trail, pointer.value)
  }

  /** Draws the trail of the hand alone, in px. */
  function drawHand(dx: number, dy: number): void {
    const last = handTrail.at(-1) ?? pointer.value
    keep(handTrail, { x: last.x + dx, y: last.y + dy })
  }

  /** Puts the pointer somewhere, and clears both trails. */
  function beginAt(point: TracePoint): void {
    pointer.value = point
    trail.splice(0, trail.length, point)
    handTrail.splice(0, handTrail.length, point)
    counts.value = { x: 0, y: 0 }
  }
  const clear = (): void => beginAt(middle())

  /** Sets the actual size of what it is drawn on; left out, the small picture again. */
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
  if (trail.length > MOST_TRAIL) trail.splice(0, trail.length - MOST_TRAIL)
}

const within = ({ x, y }: TracePoint, { width, height }: typeof SMALL_SCREEN): TracePoint => ({
  x: Math.max(0, Math.min(width, x)),
  y: Math.max(0, Math.min(height, y)),
})

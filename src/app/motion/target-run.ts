import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import { quantile } from '../../core/base/statistics'
import {
  blindOrder,
  compareTimes,
  hitsTarget,
  planTargets,
  TARGET_SIZES,
  type ReachedTarget,
  type Target,
} from '../../core/motion/targets'
import type { TryOut } from './try-out'
import type { TracePoint } from './pointer-trace'

const TARGETS_A_RUN = 12
const BLOCKS = 4

/** Targets in the try-out: with the active step, or two steps without naming them. */
export function useTargetRun(tryOut: TryOut) {
  const plan = shallowRef<Target[]>([])
  const reached = shallowRef<ReachedTarget[]>([])
  /** In a blind comparison: the setting of each round, and the compared steps, from 0. */
  const order = shallowRef<('a' | 'b')[]>([])
  const steps = ref({ a: 0, b: 1 })
  let since = 0
  let misses = 0
  /** The step that was tried before a comparison, and is restored afterwards. */
  let before: number | undefined

  const at = computed(() => reached.value.length)
  const target = computed(() => plan.value[at.value])
  const running = computed(() => target.value !== undefined)
  const blind = computed(() => order.value.length > 0)
  const block = computed(() => Math.min(BLOCKS - 1, Math.floor(at.value / TARGETS_A_RUN)))

  function start(seed: number): void {
    order.value = []
    begin(planTargets(TARGETS_A_RUN, seed, tryOut.screen.value))
  }

  /** The same targets with each setting, in a hidden order. */
  function startBlind(seed: number): void {
    if (!blind.value || !running.value) before = tryOut.step.value
    order.value = blindOrder(BLOCKS, seed)
    const blocks = [seed, seed + 1].map((each) => planTargets(TARGETS_A_RUN, each, tryOut.screen.value))
    begin(order.value.flatMap((_, index) => itemAt(blocks, Math.floor(index / 2))))
    setStep()
  }

  function begin(targets: Target[]): void {
    plan.value = targets
    reached.value = []
    misses = 0
    since = performance.now()
    tryOut.clear()
  }

  function setStep(): void {
    const setting = order.value[block.value]
    if (setting) tryOut.tryStep(steps.value[setting], false)
  }

  function stop(): void {
    if (blind.value && running.value) tryOut.tryStep(before)
    plan.value = []
    order.value = []
  }

  function take(): void {
    const now = performance.now()
    reached.value = [...reached.value, { target: itemAt(plan.value, at.value), ms: now - since, misses }]
    misses = 0
    since = now
    if (!blind.value || at.value % TARGETS_A_RUN > 0) return
    if (running.value) setStep()
    else tryOut.tryStep(before)
    tryOut.clear()
  }

  const onMove = (point: TracePoint): void => {
    if (target.value?.kind === 'cross' && hitsTarget(target.value, point)) take()
  }
  const onPress = (point: TracePoint, down: boolean): void => {
    if (!down || target.value?.kind !== 'hit') return
    if (hitsTarget(target.value, point)) take()
    else misses++
  }
  tryOut.moved.add(onMove)
  tryOut.pressed.add(onPress)
  onScopeDispose(() => {
    tryOut.moved.delete(onMove)
    tryOut.pressed.delete(onPress)
  })

  /** Median time by size of target; the first target of each round does not count, because the hand starts anywhere. */
  const bySize = computed(() =>
    TARGET_SIZES.map((size) => {
      const times = counted(reached.value).filter((each) => each.target.size === size)
      const sorted = times.map(({ ms }) => ms).sort((a, b) => a - b)
      const missed = times.reduce((sum, each) => sum + each.misses, 0)
      return { size, count: times.length, medianMs: quantile(sorted, 0.5), missed }
    }),
  )

  const comparison = computed(() => {
    if (!blind.value || running.value) return undefined
    const times = (setting: 'a' | 'b') =>
      order.value.flatMap((each, index) =>
        each === setting
          ? counted(reached.value.slice(index * TARGETS_A_RUN, (index + 1) * TARGETS_A_RUN)).map(
              ({ ms }) => ms,
            )
          : [],
      )
    return compareTimes(times('a'), times('b'))
  })

  return {
    plan,
    reached,
    target,
    running,
    blind,
    block,
    steps,
    bySize,
    comparison,
    start,
    startBlind,
    stop,
    choose: (setting: 'a' | 'b', step: number) => (steps.value = { ...steps.value, [setting]: step }),
    blocks: BLOCKS,
    targetsARun: TARGETS_A_RUN,
  }
}

export type TargetRun = ReturnType<typeof useTargetRun>

const counted = (reached: readonly ReachedTarget[]): ReachedTarget[] =>
  reached.filter((_, index) => index % TARGETS_A_RUN > 0)

import { MM_PER_INCH } from '../motion/steps'
import type { Press } from './clicks'

/** What was done in one stretch of play or work, by slices of time. */
export interface SessionLog {
  startedAt: number
  durationMs: number
  sliceMs: number
  /** Presses in each slice. */
  actions: number[]
  /** Counts moved in each slice. */
  counts: number[]
  clicks: Record<string, number>
  keys: Record<string, number>
  /** What the mouse was set to, for distances. */
  dpi: number
}

export interface SessionFigures {
  actionsPerMinute: number
  peakPerMinute: number
  metres: number
  clicks: number
  keys: number
  /** Actions a minute over time. */
  overTime: { minute: number; perMinute: number; metres: number }[]
}

const SLICE_MS = 5000

/** Begins at a moment of the wall clock, in ms. */
export const emptySession = (startedAt: number, dpi: number): SessionLog => ({
  ...{ startedAt, durationMs: 0, sliceMs: SLICE_MS, actions: [], counts: [], clicks: {}, keys: {}, dpi },
})

/** Notes a press of a button or a key; releases do not count. Changes the log. */
export function notePress(log: SessionLog, { what, atMs, down }: Press, kind: 'clicks' | 'keys'): void {
  if (!down) return
  log[kind][what] = (log[kind][what] ?? 0) + 1
  add(log.actions, atMs, 1)
  log.durationMs = Math.max(log.durationMs, atMs)
}

/** Notes movement. Changes the log. */
export function noteMovement(log: SessionLog, atMs: number, x: number, y: number): void {
  add(log.counts, atMs, Math.hypot(x, y))
  log.durationMs = Math.max(log.durationMs, atMs)
}

function add(slices: number[], atMs: number, by: number): void {
  const slice = Math.floor(atMs / SLICE_MS)
  while (slices.length <= slice) slices.push(0)
  slices[slice] += by
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)

/** What a log comes to. The peak is over the busiest half minute. */
export function sessionFigures(log: SessionLog): SessionFigures {
  const minutes = Math.max(log.durationMs, 1) / 60_000
  const metres = (counts: number) => ((counts / log.dpi) * MM_PER_INCH) / 1000
  const slices = Math.ceil(log.durationMs / log.sliceMs)
  const perMinute = 60_000 / log.sliceMs
  const window = 30_000 / log.sliceMs
  const actions = Array.from({ length: Math.max(1, slices) }, (_, at) => log.actions[at] ?? 0)
  const busiest = Math.max(
    ...actions.map((_, at) => sum(actions.slice(Math.max(0, at - window + 1), at + 1))),
  )
  return {
    actionsPerMinute: sum(log.actions) / minutes,
    peakPerMinute: Math.max((busiest * perMinute) / Math.min(window, actions.length), 0),
    metres: metres(sum(log.counts)),
    clicks: sum(Object.values(log.clicks)),
    keys: sum(Object.values(log.keys)),
    overTime: actions.map((count, at) => ({
      minute: ((at + 0.5) * log.sliceMs) / 60_000,
      perMinute: count * perMinute,
      metres: metres(log.counts[at] ?? 0),
    })),
  }
}

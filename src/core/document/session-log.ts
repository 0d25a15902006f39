import Papa from 'papaparse'
import { array, number, object, string } from 'yup'
import { itemAt } from '../base/items'
import { MM_PER_INCH } from '../motion/steps'
import { ProfileError } from './schema'
import { mapSchema, validate, integerSchema } from './schema-parts'
import { message } from '../message/message'

/** A press or release of a button or key. */
export interface Press {
  what: string
  atMs: number
  down: boolean
}

/** Activity during a session of play or work, in slices of time. */
export interface SessionLog {
  name: string
  startedAt: number
  durationMs: number
  sliceMs: number
  /** Presses in each slice. */
  actions: number[]
  /** Counts moved in each slice. */
  counts: number[]
  clicks: Record<string, number>
  keys: Record<string, number>
  /** DPI of the mouse, for distances. */
  dpi: number
}

export interface SessionFigures {
  actionsPerMinute: number
  peakPerMinute: number
  metres: number
  clicks: number
  keys: number
  /** Actions per minute over time. */
  overTime: { minute: number; perMinute: number; metres: number }[]
}

const SLICE_MS = 5000
const PEAK_MS = 30_000

/** Creates a log that starts at a wall-clock time, in ms. */
export const emptySession = (startedAt: number, dpi: number): SessionLog => ({
  name: '',
  startedAt,
  durationMs: 0,
  sliceMs: SLICE_MS,
  actions: [],
  counts: [],
  clicks: {},
  keys: {},
  dpi,
})

/** Records a press of a button or key; releases do not count. Changes the log. */
export function recordPress(log: SessionLog, { what, atMs, down }: Press, kind: 'clicks' | 'keys'): void {
  if (!down) return
  log[kind][what] = (log[kind][what] ?? 0) + 1
  add(log.actions, atMs, 1)
  log.durationMs = Math.max(log.durationMs, atMs)
}

/** Records movement. Changes the log. */
export function recordMovement(log: SessionLog, atMs: number, x: number, y: number): void {
  add(log.counts, atMs, Math.hypot(x, y))
  log.durationMs = Math.max(log.durationMs, atMs)
}

function add(slices: number[], atMs: number, by: number): void {
  const slice = Math.floor(atMs / SLICE_MS)
  while (slices.length <= slice) slices.push(0)
  slices[slice] = itemAt(slices, slice) + by
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)

/** Figures of a log. The peak is the mean of the busiest half minute. */
export function sessionFigures(log: SessionLog): SessionFigures {
  const minutes = Math.max(log.durationMs, 1) / 60_000
  const metres = (counts: number) => ((counts / log.dpi) * MM_PER_INCH) / 1000
  const slices = Math.ceil(log.durationMs / log.sliceMs)
  const perMinute = 60_000 / log.sliceMs
  const window = PEAK_MS / log.sliceMs
  const actions = Array.from({ length: Math.max(1, slices) }, (_, at) => log.actions[at] ?? 0)
  const busiest = Math.max(
    ...actions.map((_, at) => sum(actions.slice(Math.max(0, at - window + 1), at + 1))),
  )
  return {
    actionsPerMinute: sum(log.actions) / minutes,
    peakPerMinute: (busiest * 60_000) / Math.max(1, Math.min(PEAK_MS, log.durationMs)),
    metres: metres(sum(log.counts)),
    clicks: sum(Object.values(log.clicks)),
    keys: sum(Object.values(log.keys)),
    // The unfinished slice is ignored unless it is the only one.
    overTime: actions.slice(0, Math.max(1, Math.floor(log.durationMs / log.sliceMs))).map((count, at) => ({
      minute: ((at + 0.5) * log.sliceMs) / 60_000,
      perMinute: count * perMinute,
      metres: metres(log.counts[at] ?? 0),
    })),
  }
}

const slices = () => array(number().strict().required().min(0)).strict().required().max(100_000)
const tally = () => mapSchema(() => integerSchema().min(0))
/** The schema of a session; use {@link parseSession} to validate. */
export const sessionShape = object({
  name: string().strict().defined().max(120),
  startedAt: number().strict().required().min(0),
  durationMs: number().strict().required().min(0),
  sliceMs: number().strict().required().min(100),
  actions: slices(),
  counts: slices(),
  clicks: tally(),
  keys: tally(),
  dpi: number().strict().required().min(1),
}).noUnknown()

/** Validates a saved log. @throws ProfileError with all problems */
export function parseSession(value: unknown): SessionLog {
  if (typeof value !== 'object' || value === null) throw new ProfileError([message('problems.notSession')])
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Yup infers records as unions of undefined; the schema is as strict as the type
  return validate(sessionShape, value) as SessionLog
}

/** One row per slice, for spreadsheets. */
export const sessionToCsv = (log: SessionLog): string =>
  `${Papa.unparse(
    sessionFigures(log).overTime.map(({ minute, perMinute, metres }) => ({
      minute: minute.toFixed(3),
      'actions a minute': perMinute,
      metres: metres.toFixed(4),
    })),
    { newline: '\n' },
  )}\n`

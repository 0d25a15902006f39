import { itemAt } from '../core/base/items'
import type { ImageAction } from '../core/actions/registry'
import { BUDGET } from '../core/onboard/macro-budget'
import type { MacroOp } from '../core/onboard/macro-ops'
import { chordUsages } from '../core/actions/key'
import type { Alarm, PoweredAlarms } from './clock'
import { MacroControls } from './macro-controls'
import type { Outbox } from './outbox'

/** Functions for macros besides reports. */
export interface MacroTargets {
  /** A macro that no device can play, or that takes no time, is not played. */
  refuse(): void
  /** An operation from a later version, which is skipped. */
  unknown(code: number): void
  signal(colour: Extract<MacroOp, { kind: 'signal' }>['colour']): void
  step(to: Extract<MacroOp, { kind: 'step' }>['to']): void
  toggleLayer(layer: number): void
}

type MacroAction = Extract<ImageAction, { kind: 'macro' | 'macro-parts' }>
type Chord = { kind: 'chord'; usages: number[]; down: boolean }
/** A step: an operation, half of a stroke, or the time its key stays down or up. */
type Step = MacroOp | Chord | { kind: 'down-time' | 'up-time' }

interface Frame {
  steps: readonly Step[]
  at: number
  /** Remaining passes after this one. */
  left: number
}

/** Reports by their queue: each queue sends one per poll. */
interface Reports {
  keys: number
  pointer: number
  controls: number
}
const noReports = (): Reports => ({ keys: 0, pointer: 0, controls: 0 })

/** The queue for everything that needs its own report; movement is added to any report. */
const LINES: Partial<Record<Step['kind'], keyof Reports>> = {
  key: 'keys',
  chord: 'keys',
  button: 'pointer',
  wheel: 'pointer',
  consumer: 'controls',
}

interface Run {
  input: number
  action: MacroAction
  frames: Frame[]
  /** Passes still to start; Infinity if it repeats as long as wanted. */
  passes: number
  body: readonly Step[]
  gapUs: number
  /** Ideal time of the next step: delays add up here, so that timing does not drift. */
  dueUs: number
  passBeganUs: number
  macro: number
  beganUs: number
  /** Operations since the macro last took time itself. */
  atOnce: number
  /** Number of reports requested in this pass. */
  reports: Reports
  keys: Set<number>
  buttons: Set<number>
  controls: Set<number>
  alarm: Alarm | undefined
  /** The next part of a macro in parts. */
  then: (() => void) | undefined
}

/**
 * Maximum number of operations at one moment before a macro waits for the next poll, so that no byte code can block the
 * device.
 */
const MAX_A_POLL = 64

/**
 * Plays the byte code of macros. A run ends by itself, when its input requires it, when another slot becomes active or
 * the connection ends; its pressed keys are then released.
 */
export class MacroPlayer {
  private readonly runs = new Map<number, Run>()
  private readonly bodies = new WeakMap<MacroOp, readonly Step[]>()
  private readonly controls: MacroControls
  /** xorshift32: the same script always gives the same reports. */
  private random = 0x9e3779b9

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly outbox: Outbox,
    private readonly codeOf: (macro: number) => readonly MacroOp[] | undefined,
    private readonly targets: MacroTargets,
  ) {
    this.controls = new MacroControls(alarms, outbox)
  }

  press(input: number, action: MacroAction): void {
    const running = this.runs.get(input)
    if (running && action.kind === 'macro') {
      if (action.play === 'toggle' || action.again === 'stop') return this.stop(input)
      if (action.again === 'ignore') return
    }
    this.stop(input)
    if (action.kind === 'macro') return this.begin(input, action, action.macro, passesOf(action))
    this.begin(input, action, action.press, 1, () => this.begin(input, action, action.held, Infinity))
  }

  release(input: number, action: MacroAction): void {
    if (action.kind === 'macro' && action.play === 'held') this.stop(input)
    if (action.kind !== 'macro-parts') return
    this.stop(input)
    this.begin(input, action, action.release, 1)
  }

  /** Another input was pressed: macros set to stop on that do so. */
  otherPressed(input: number): void {
    for (const run of [...this.runs.values()])
      if (run.input !== input && run.action.kind === 'macro' && run.action.others === 'stop')
        this.stop(run.input)
  }

  /** Running macros by number, with their start times. */
  get running(): { macro: number; atUs: number }[] {
    return [...this.runs.values()].map(({ macro, beganUs }) => ({ macro, atUs: beganUs }))
  }

  stopAll(): void {
    for (const input of [...this.runs.keys()]) this.stop(input)
    this.controls.releaseAll()
  }

  private begin(input: number, action: MacroAction, macro: number, passes: number, then?: () => void): void {
    if (this.outbox.intervalUs === 0) return
    if (macro === 0) return then?.()
    const ops = this.codeOf(macro)
    if (!ops) {
      this.targets.refuse()
      return then?.()
    }
    const body = this.stepsOf(ops)
    if (body.length === 0) return then?.()
    const now = this.alarms.nowUs
    const gapUs = action.kind === 'macro' ? action.gapMs * 1000 : 0
    const run: Run = {
      input,
      action,
      passes: passes - 1,
      body,
      gapUs,
      then,
      alarm: undefined,
      frames: [{ steps: body, at: 0, left: 0 }],
      dueUs: now,
      passBeganUs: now,
      macro,
      beganUs: now,
      atOnce: 0,
      reports: noReports(),
      keys: new Set(),
      buttons: new Set(),
      controls: new Set(),
    }
    this.runs.set(input, run)
    this.goOn(run)
  }

  private stop(input: number): void {
    const run = this.runs.get(input)
    if (!run) return
    this.runs.delete(input)
    if (run.alarm) this.alarms.cancel(run.alarm)
    this.lift(run)
  }

  private lift(run: Run): void {
    if (run.keys.size > 0) this.outbox.releaseKeys([...run.keys])
    for (const button of run.buttons) this.outbox.releaseButton(button)
    for (const usage of run.controls) this.controls.release(usage)
    for (const down of [run.keys, run.buttons, run.controls]) down.clear()
  }

  /** Performs everything due by now, then sleeps until the next step. */
  private goOn(run: Run): void {
    run.alarm = undefined
    for (let done = 0; run.dueUs <= this.alarms.nowUs; done++) {
      const step = this.nextStep(run)
      if (!step) return this.finish(run)
      if (done >= MAX_A_POLL) {
        run.dueUs += this.outbox.intervalUs
        done = 0
      }
      const before = run.dueUs
      this.perform(run, step)
      run.atOnce = run.dueUs > before ? 0 : run.atOnce + 1
      // Code within the budget never reaches this limit; it only protects against faults of the device itself.
      if (run.atOnce > 2 * BUDGET.atOnce) {
        this.stop(run.input)
        return this.targets.refuse()
      }
      if (this.runs.get(run.input) !== run) return
    }
    run.alarm = this.alarms.at(run.dueUs, () => this.goOn(run))
  }

  /** The next step. Each round enters a repeat, leaves one, or starts its next pass; bodies are never empty. */
  private nextStep(run: Run): Step | undefined {
    for (;;) {
      const frame = run.frames.at(-1)
      if (!frame) {
        if (!this.nextPass(run)) return undefined
        if (run.dueUs > this.alarms.nowUs) return { kind: 'wait', ms: 0 }
        continue
      }
      if (frame.at < frame.steps.length) {
        const step = itemAt(frame.steps, frame.at++)
        if (step.kind !== 'repeat') return step
        run.frames.push({ steps: this.bodyOf(step), at: 0, left: step.times - 1 })
        continue
      }
      if (frame.left > 0) Object.assign(frame, { at: 0, left: frame.left - 1 })
      else run.frames.pop()
    }
  }

  /**
   * A pass takes the time of its delays, but at least one polling interval and the time for its reports. A repeating
   * macro therefore never blocks time, and a stopped one leaves no waiting reports.
   */
  private nextPass(run: Run): boolean {
    if (run.passes <= 0) return false
    run.passes--
    const { intervalUs, backlog } = this.outbox
    const { keys, pointer, controls } = run.reports
    const minUs = Math.max(1, keys, pointer, controls) * intervalUs
    run.dueUs = Math.max(run.dueUs + run.gapUs, run.passBeganUs + minUs)
    // Other senders share the queue: the backlog must not grow from pass to pass.
    const waitsUs = backlog * intervalUs
    if (waitsUs > run.dueUs - run.passBeganUs) run.dueUs = Math.max(run.dueUs, this.alarms.nowUs + waitsUs)
    run.passBeganUs = run.dueUs
    run.reports = noReports()
    run.frames.push({ steps: run.body, at: 0, left: 0 })
    return true
  }

  private finish(run: Run): void {
    this.runs.delete(run.input)
    this.lift(run)
    run.then?.()
  }

  private perform(run: Run, step: Step): void {
    const line = LINES[step.kind]
    if (line) run.reports[line]++
    switch (step.kind) {
      case 'wait':
        run.dueUs += step.ms * 1000
        return
      case 'down-time':
        run.dueUs += this.outbox.pressUs
        return
      case 'up-time':
        run.dueUs += this.outbox.intervalUs
        return
      case 'random-wait':
        run.dueUs += 1000 * (step.fromMs + this.drawn(step.toMs - step.fromMs + 1))
        return
      case 'chord':
        return this.stroke(run, step)
      case 'signal':
        return this.targets.signal(step.colour)
      case 'step':
        return this.targets.step(step.to)
      case 'layer':
        return this.targets.toggleLayer(step.layer)
      case 'unknown':
        return this.targets.unknown(step.code)
      default:
        this.report(run, step)
    }
  }

  /** The run knows the key of a stroke, so that a stop in the middle releases it. */
  private stroke(run: Run, { usages, down }: Chord): void {
    const wanted = usages.filter((usage) => run.keys.has(usage) !== down)
    for (const usage of wanted) toggled(run.keys, usage)
    if (down) this.outbox.pressKeys(wanted)
    else this.outbox.releaseKeys(wanted)
  }

  private report(run: Run, step: MacroOp): void {
    const { outbox } = this
    if (step.kind === 'key') {
      if (toggled(run.keys, step.usage)) outbox.pressKeys([step.usage])
      else outbox.releaseKeys([step.usage])
    } else if (step.kind === 'button') {
      if (toggled(run.buttons, step.button)) outbox.pressButton(step.button)
      else outbox.releaseButton(step.button)
    } else if (step.kind === 'consumer') {
      if (toggled(run.controls, step.usage)) this.controls.press(step.usage)
      else this.controls.release(step.usage)
    } else if (step.kind === 'wheel') outbox.scroll(step.wheel, step.pan)
    else if (step.kind === 'move') outbox.move(step.x, step.y)
  }

  /** Strokes expanded to a press, its duration, a release and one interval; pauses become delays. */
  private bodyOf(repeat: Extract<MacroOp, { kind: 'repeat' }>): readonly Step[] {
    const steps = this.bodies.get(repeat) ?? this.stepsOf(repeat.body)
    this.bodies.set(repeat, steps)
    return steps
  }

  private stepsOf(ops: readonly MacroOp[]): Step[] {
    return ops.flatMap((op): Step[] => {
      if (op.kind !== 'strokes') return [op]
      return op.strokes.flatMap((stroke): Step[] => {
        if (stroke.kind === 'wait') return [{ kind: 'wait', ms: stroke.ms }]
        const usages = chordUsages(stroke)
        const chord = (down: boolean): Step => ({ kind: 'chord', usages, down })
        return [chord(true), { kind: 'down-time' }, chord(false), { kind: 'up-time' }]
      })
    })
  }

  /** A random integer from 0 to below `most`. */
  private drawn(max: number): number {
    this.random ^= this.random << 13
    this.random ^= this.random >>> 17
    this.random ^= this.random << 5
    return (this.random >>> 0) % max
  }
}

const passesOf = ({ play, times }: Extract<MacroAction, { kind: 'macro' }>): number =>
  play === 'once' ? 1 : play === 'times' ? (times ?? 1) : Infinity

/** @returns true if it is down now */
function toggled(down: Set<number>, usage: number): boolean {
  if (down.delete(usage)) return false
  down.add(usage)
  return true
}

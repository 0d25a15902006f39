import { itemAt } from '../core/base/items'
import type { ImageAction } from '../core/actions/registry'
import { BUDGET } from '../core/onboard/macro-budget'
import type { MacroOp } from '../core/onboard/macro-ops'
import { chordUsages } from '../core/actions/key'
import type { Alarm, PoweredAlarms } from './clock'
import { MacroControls } from './macro-controls'
import type { Outbox } from './outbox'

/** What macros reach for beyond the reports. */
export interface MacroTargets {
  /** A macro that no device plays, or one that would never let time pass, is not played. */
  refuse(): void
  /** An operation of a later version, which is passed over. */
  unknown(code: number): void
  signal(colour: Extract<MacroOp, { kind: 'signal' }>['colour']): void
  step(to: Extract<MacroOp, { kind: 'step' }>['to']): void
  toggleLayer(layer: number): void
}

type MacroAction = Extract<ImageAction, { kind: 'macro' | 'macro-parts' }>
type Chord = { kind: 'chord'; usages: number[]; down: boolean }
/** What is done: an operation, an end of a stroke, or how long its key is down, or up. */
type Step = MacroOp | Chord | { kind: 'down-time' | 'up-time' }

interface Frame {
  steps: readonly Step[]
  at: number
  /** Passes that are left after this one. */
  left: number
}

/** Reports by the line they wait in: a line sends one at a poll. */
interface Reports {
  keys: number
  pointer: number
  controls: number
}
const noReports = (): Reports => ({ keys: 0, pointer: 0, controls: 0 })

/** The line of what needs a report of its own; movement rides along with any. */
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
  /** Passes that are still to be begun; Infinity for as long as it is wanted. */
  passes: number
  body: readonly Step[]
  gapUs: number
  /** The ideal time of what comes next: waits add up here, so that nothing drifts. */
  dueUs: number
  passBeganUs: number
  macro: number
  beganUs: number
  /** Operations since time last passed by the macro itself. */
  atOnce: number
  /** Reports the pass has asked for. */
  reports: Reports
  keys: Set<number>
  buttons: Set<number>
  controls: Set<number>
  alarm: Alarm | undefined
  /** What follows when this is over, of a macro in parts. */
  then: (() => void) | undefined
}

/** Operations at one moment before a macro has to wait for the next poll: no byte code can stop the device. */
const MOST_A_POLL = 64

/**
 * Plays the byte code of macros. A run ends by itself, when its input says so, when another slot comes on or the
 * connection goes; whatever it has down is let go then.
 */
export class MacroPlayer {
  private readonly runs = new Map<number, Run>()
  private readonly bodies = new WeakMap<MacroOp, readonly Step[]>()
  private readonly controls: MacroControls
  /** xorshift32: the same script gives the same reports every time. */
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

  /** Another input was pressed: what is set to stop for that does. */
  otherPressed(input: number): void {
    for (const run of [...this.runs.values()])
      if (run.input !== input && run.action.kind === 'macro' && run.action.others === 'stop')
        this.stop(run.input)
  }

  /** Macros that run: by number, and since when. */
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

  /** Does all that is due by now, then sleeps until the next thing is. */
  private goOn(run: Run): void {
    run.alarm = undefined
    for (let done = 0; run.dueUs <= this.alarms.nowUs; done++) {
      const step = this.nextStep(run)
      if (!step) return this.finish(run)
      if (done >= MOST_A_POLL) {
        run.dueUs += this.outbox.intervalUs
        done = 0
      }
      const before = run.dueUs
      this.perform(run, step)
      run.atOnce = run.dueUs > before ? 0 : run.atOnce + 1
      // What passed the budget never comes here; a fault of the device itself must not hold it up either.
      if (run.atOnce > 2 * BUDGET.atOnce) {
        this.stop(run.input)
        return this.targets.refuse()
      }
      if (this.runs.get(run.input) !== run) return
    }
    run.alarm = this.alarms.at(run.dueUs, () => this.goOn(run))
  }

  /** The next thing to do. Each round goes into a repeat, out of one, or to its next time: their bodies do something. */
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
   * A pass takes as long as its waits say, but at least one polling interval, and as long as its reports need: no
   * repeating macro holds time up, nor does one that was stopped go on in what waits to be sent.
   */
  private nextPass(run: Run): boolean {
    if (run.passes <= 0) return false
    run.passes--
    const { intervalUs, backlog } = this.outbox
    const { keys, pointer, controls } = run.reports
    const leastUs = Math.max(1, keys, pointer, controls) * intervalUs
    run.dueUs = Math.max(run.dueUs + run.gapUs, run.passBeganUs + leastUs)
    // Others send too: what waits by now is not to grow from pass to pass.
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

  /** What a stroke has down is known to the run, so that a stop in its middle lets it go. */
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

  /** Strokes written out as key down, its time, key up, one interval; a pause as a wait. */
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

  /** A whole number from 0 to below `most`. */
  private drawn(most: number): number {
    this.random ^= this.random << 13
    this.random ^= this.random >>> 17
    this.random ^= this.random << 5
    return (this.random >>> 0) % most
  }
}

const passesOf = ({ play, times }: Extract<MacroAction, { kind: 'macro' }>): number =>
  play === 'once' ? 1 : play === 'times' ? (times ?? 1) : Infinity

/** @returns true when it is down now */
function toggled(down: Set<number>, usage: number): boolean {
  if (down.delete(usage)) return false
  down.add(usage)
  return true
}

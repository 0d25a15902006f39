import type { DeviceModel } from '../core/device/model'
import type { SimulatedDevice } from '../firmware/device'
import { Refused } from './failure'

/** One line of a script: what hands do at a moment. */
export interface ScriptStep {
  atUs: number
  act(device: SimulatedDevice): void
}

/**
 * Reads a script (docs/file-formats.md): `TIME_MS press INPUT | release INPUT | move DX_MM DY_MM |
 * turn INPUT N | run-until`, `#` for comments, times not going back.
 *
 * @throws Refused with file, line and reason
 */
export function parseScript(text: string, file: string, model: DeviceModel): ScriptStep[] {
  const steps: ScriptStep[] = []
  text.split(/\r?\n/).forEach((line, index) => {
    const words = line.replace(/#.*/, '').trim().split(/\s+/)
    if (words[0] === '') return
    const refuse = (reason: string): never => {
      throw new Refused(`${file}:${index + 1}: ${reason}`)
    }
    const [time, verb = '', ...rest] = words
    const atUs = Math.round(numberOf(time, 'a time in ms', refuse) * 1000)
    if (atUs < 0 || atUs < (steps.at(-1)?.atUs ?? 0)) refuse('time goes backwards')
    if (atUs > MOST_US) refuse('a script ends within a day')
    steps.push({ atUs, act: actionOf(verb, rest, model, refuse) })
  })
  return steps
}

type Refuse = (reason: string) => never
const MOST_US = 86_400e6

function actionOf(verb: string, rest: string[], model: DeviceModel, refuse: Refuse): ScriptStep['act'] {
  const takes = (count: number) => {
    if (rest.length !== count)
      refuse(`${verb} takes ${count} ${count === 1 ? 'word' : 'words'}, ${rest.length} are there`)
  }
  const input = (kind: 'press' | 'turn'): string => {
    const found = model.inputs.find(({ id }) => id === rest[0])
    const all = model.inputs.filter((each) => each.kind === kind).map(({ id }) => id)
    if (!found || found.kind !== kind)
      return refuse(`"${rest[0]}" is no input to ${verb}; there are ${all.join(', ')}`)
    return found.id
  }
  switch (verb) {
    case 'press': {
      takes(1)
      const id = input('press')
      return (device) => device.press(id)
    }
    case 'release': {
      takes(1)
      const id = input('press')
      return (device) => device.release(id)
    }
    case 'turn': {
      takes(2)
      const id = input('turn')
      const detents = numberOf(rest[1], 'a number of detents', refuse)
      if (!Number.isInteger(detents) || detents < 1 || detents > 100)
        refuse('a turn goes by 1 to 100 detents')
      return (device) => device.turn(id, detents)
    }
    case 'move': {
      takes(2)
      const [dx, dy] = rest.map((word) => numberOf(word, 'a distance in mm', refuse))
      return (device) => device.move(dx, dy)
    }
    case 'run-until':
      takes(0)
      return () => {}
    default:
      return refuse(`"${verb}" is not press, release, move, turn or run-until`)
  }
}

function numberOf(word: string, what: string, refuse: Refuse): number {
  return /^[+-]?\d+(\.\d+)?$/.test(word) ? Number(word) : refuse(`"${word}" is not ${what}`)
}

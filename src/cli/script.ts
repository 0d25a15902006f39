import { message } from '../core/message/message'
import { englishText } from '../messages/plain'
import { itemAt } from '../core/base/items'
import type { DeviceModel } from '../core/device/model'
import { SURFACES, surfaceById } from '../core/motion/surface'
import type { SimulatedDevice } from '../firmware/device'
import { CliError } from './failure'

/** One line of a script: an action of the hands at a time. */
export interface ScriptStep {
  atUs: number
  act(device: SimulatedDevice): void
}

/**
 * Parses a script (docs/file-formats.md): `TIME_MS press INPUT | release INPUT | move DX_MM DY_MM | turn INPUT N | lift
 * MM | surface NAME | contact INPUT bounces MS … | run-until`, `#` for comments, with ascending times.
 *
 * @throws Refused with file, line and reason
 */
export function parseScript(text: string, file: string, model: DeviceModel): ScriptStep[] {
  const steps: ScriptStep[] = []
  let lastUs = 0
  const contacts = new Map<string, boolean>()
  text.split(/\r?\n/).forEach((line, index) => {
    const words = line.replace(/#.*/, '').trim().split(/\s+/)
    if (words[0] === '') return
    const refuse = (reason: string): never => {
      throw new CliError(`${file}:${index + 1}: ${reason}`)
    }
    const [time = '', verb = '', ...rest] = words
    const atUs = Math.round(numberOf(time, 'a time in ms', refuse) * 1000)
    if (atUs < 0 || atUs < lastUs) refuse('the time is before the line above')
    if (atUs > MAX_US) refuse('a script can last up to a day')
    lastUs = atUs
    if (verb === 'contact') steps.push(...bounces(atUs, rest, model, contacts, refuse))
    else steps.push({ atUs, act: actionOf(verb, rest, model, refuse) })
  })
  return steps.sort((a, b) => a.atUs - b.atUs)
}

type Refuse = (reason: string) => never
const MAX_US = 86_400e6

/**
 * `contact INPUT bounces MS …`: the bare contact changes at the line's time, and again after each of the times,
 * counted from it; closed if it was open, open if it was closed.
 */
function bounces(
  atUs: number,
  [inputId = '', word, ...times]: string[],
  model: DeviceModel,
  contacts: Map<string, boolean>,
  refuse: Refuse,
): ScriptStep[] {
  const id = inputNamed(inputId, 'press', model, refuse)
  if (word !== 'bounces') refuse('contact INPUT bounces MS …, with the times at which it changes again')
  const laterUs = times.map((time) => Math.round(numberOf(time, 'a time in ms', refuse) * 1000))
  if (laterUs.some((us, index) => us <= (laterUs[index - 1] ?? 0))) refuse('bounce times must increase')
  return [0, ...laterUs].map((us): ScriptStep => {
    const closed = !(contacts.get(id) ?? false)
    contacts.set(id, closed)
    return { atUs: atUs + us, act: (device) => (closed ? device.press(id) : device.release(id)) }
  })
}

function inputNamed(id: string, kind: 'press' | 'turn', { inputs }: DeviceModel, refuse: Refuse): string {
  const all = inputs.filter((each) => each.kind === kind).map((each) => each.id)
  return all.includes(id) ? id : refuse(`there is no input "${id}" to ${kind}; choose from ${all.join(', ')}`)
}

function actionOf(verb: string, rest: string[], model: DeviceModel, refuse: Refuse): ScriptStep['act'] {
  const takes = (count: number) => {
    if (rest.length !== count)
      refuse(englishText(message('parse.scriptWords', { verb, count, found: rest.length })))
  }
  const input = (kind: 'press' | 'turn') => inputNamed(itemAt(rest, 0), kind, model, refuse)
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
      const detents = numberOf(itemAt(rest, 1), 'a number of detents', refuse)
      if (!Number.isInteger(detents) || detents < 1 || detents > 100)
        refuse('a turn must have 1 to 100 detents')
      return (device) => device.turn(id, detents)
    }
    case 'move': {
      takes(2)
      const distance = (at: number) => numberOf(itemAt(rest, at), 'a distance in mm', refuse)
      const [dx, dy] = [distance(0), distance(1)]
      return (device) => device.move(dx, dy)
    }
    case 'lift': {
      takes(1)
      const mm = numberOf(itemAt(rest, 0), 'a height in mm', refuse)
      if (mm < 0 || mm > 100) refuse('a lift must be 0 to 100 mm')
      return (device) => device.lift(mm)
    }
    case 'surface': {
      takes(1)
      const surface = surfaceById(itemAt(rest, 0))
      if (!surface)
        return refuse(`"${rest[0]}" is not a surface; choose from ${SURFACES.map(({ id }) => id).join(', ')}`)
      return (device) => device.layOn(surface)
    }
    case 'run-until':
      takes(0)
      return () => {}
    default:
      return refuse(`"${verb}" is not press, release, contact, move, turn, lift, surface or run-until`)
  }
}

function numberOf(word: string, what: string, refuse: Refuse): number {
  return /^[+-]?\d+(\.\d+)?$/.test(word) ? Number(word) : refuse(`"${word}" is not ${what}`)
}

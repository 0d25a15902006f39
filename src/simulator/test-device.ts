import { itemAt } from '../core/base/items'
import { handStroke } from '../core/motion/hand-strokes'
import { randomSource, type RandomSource } from '../core/base/random'
import type { Clock } from '../firmware/clock'
import type { SimulatedDevice } from '../firmware/device'
import { isolatedDevice } from './isolated-device'
import type { TestDeviceRun, TestDeviceRequest } from './api'

const STEP_US = 1000
const PAUSE_US = 500_000
const CHATTER_US = 6000

/** Measures a device with known faults: a simulated hand uses it with its own clock, and its reports are returned. */
export async function runTestDevice(request: TestDeviceRequest): Promise<TestDeviceRun> {
  const { truth } = request
  const traits = { gain: 1 + truth.errorPercent / 100, turnedDegrees: truth.turnedDegrees }
  const { clock, device, reports, startUs } = await isolatedDevice(request, traits)
  clock.runUntil(startUs)
  const hand = handOn(device, clock, randomSource(truth.seed))
  USES[request.use](hand, request)
  return { descriptor: device.descriptor, reports }
}

interface Hand {
  device: SimulatedDevice
  chance: Pick<RandomSource, 'normal' | 'uniform'>
  /** Lets some time pass. */
  wait(us: number): void
  /** One movement and the pause after it. */
  stroke(dxMm: number, dyMm: number, ms: number): void
}

function handOn(device: SimulatedDevice, clock: Clock, by: Hand['chance']): Hand {
  const wait = (us: number) => clock.runUntil(clock.nowUs + us)
  return {
    device,
    chance: by,
    wait,
    stroke: (dxMm, dyMm, ms) => {
      const along = Math.hypot(dxMm, dyMm)
      // A straight movement: any deviation comes from the device.
      for (const { dx } of handStroke('line', { mm: along, ms })) {
        device.move((dx / along) * dxMm, (dx / along) * dyMm)
        wait(STEP_US)
      }
      wait(PAUSE_US)
    },
  }
}

const USES: Record<TestDeviceRequest['use'], (hand: Hand, request: TestDeviceRequest) => void> = {
  swirl({ device, wait }, { times }) {
    for (let at = 0; at < times * 8; at++) {
      const turn = (2 * Math.PI * at) / 3200
      device.move(0.06 * Math.cos(turn), 0.06 * Math.sin(turn))
      wait(STEP_US / 8)
    }
  },
  passes({ stroke, chance: { normal } }, { times, distanceMm }) {
    for (let at = 0; at < times; at++) {
      // A hand neither stops exactly at the mark nor moves exactly straight.
      const mm = (at % 2 ? -1 : 1) * (distanceMm + 0.25 * normal())
      const aslant = 0.3 * normal()
      if (at % 4 < 2) stroke(mm, aslant, 500)
      else stroke(aslant, mm, 500)
    }
  },
  strokes({ stroke, chance: { uniform } }, { times }) {
    for (let at = 0; at < times; at++) {
      const radians = (((at % 2) * 90 + (uniform() * 8 - 4)) * Math.PI) / 180
      stroke(70 * Math.cos(radians), 70 * Math.sin(radians), 450)
    }
  },
  play({ device, wait, chance: { uniform } }, { times, distanceMm }) {
    const { inputs } = device.model
    const idOf = (role: string) => (inputs.find((input) => input.role === role) ?? itemAt(inputs, 0)).id
    const [one, two] = [idOf('primary'), idOf('secondary')]
    const click = (id: string) => {
      device.press(id)
      wait(40_000)
      device.release(id)
      wait(40_000)
    }
    const strokeMs = 500
    for (let at = 0; at < times; at++) {
      for (const { dx } of handStroke('line', { mm: distanceMm, ms: strokeMs })) {
        device.move(at % 2 ? -dx : dx, 0)
        wait(STEP_US)
      }
      click(one)
      click(uniform() < 0.25 ? two : one)
      // A round takes a second.
      wait(1_000_000 - strokeMs * 1000 - 160_000)
    }
  },
  chords({ device, wait }, { times }) {
    const keys = device.model.inputs
      .filter(({ key }) => /^Key[A-Z]$/.test(key?.code ?? ''))
      .map(({ id }) => id)
    for (let count = 1; count <= Math.min(times, keys.length); count++) {
      for (const id of keys.slice(0, count)) {
        device.press(id)
        wait(15_000)
      }
      wait(PAUSE_US)
      for (const id of keys.slice(0, count)) device.release(id)
      wait(PAUSE_US)
    }
  },
  clicks({ device, wait, chance: { uniform } }, { times, truth }) {
    const input =
      device.model.inputs.find(({ role }) => role === 'primary')?.id ?? itemAt(device.model.inputs, 0).id
    for (let at = 0; at < times; at++) {
      device.press(input)
      wait(40_000)
      if (uniform() < truth.chatterShare) {
        device.release(input)
        wait(CHATTER_US)
        device.press(input)
      }
      wait(30_000 + 20_000 * uniform())
      device.release(input)
      wait(90_000 + 60_000 * uniform())
    }
  },
}

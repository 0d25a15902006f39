import { itemAt } from '../core/base/items'
import { crc32 } from '../core/base/crc32'
import type { FirmwareVersion } from '../core/base/versions'
import type { Connection, DeviceModel } from '../core/device/model'
import { LIGHT_OF_DRIVE, MAX_LIGHT } from '../core/effects/fixed'
import { currentMa, totalMa } from '../core/motion/power'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { Receiver } from '../firmware/radio'
import { virtualTransport } from '../firmware/virtual-transport'
import { deflateSync } from 'node:zlib'
import type { ScriptStep } from './script'

export interface LightRun {
  fromMs: number
  toMs: number
  fps: number
  over: Connection['id']
  /** Charge in percent. */
  chargePercent: number
  /** The firmware of the device; the first one by default. */
  firmware?: Required<FirmwareVersion>
}

export interface LightFrames {
  /** Time in ms since the slot became active, and the LED levels of all lights. */
  frames: { ms: number; drives: Uint8Array }[]
  meanMa: number
  peakMa: number
  /** Battery life with these lights and no use; undefined on a device without a battery. */
  hours: number | undefined
}

/** The frames of an image while a script is played on it; its slot becomes active at 0 ms. */
export async function lightFrames(
  bytes: Uint8Array,
  model: DeviceModel,
  script: readonly ScriptStep[],
  { fromMs, toMs, fps, over, chargePercent, firmware }: LightRun,
): Promise<LightFrames> {
  const flash = await flashWith(bytes, model)
  const clock = new Clock()
  const { battery } = model.electrical
  const device = new SimulatedDevice({
    model,
    clock,
    flash,
    receiver: new Receiver(clock),
    ...(firmware && { factoryFirmware: firmware }),
    ...(battery && { chargeMah: (battery.capacityMah * chargePercent) / 100 }),
  })
  device.setPlugs({
    cable: over === 'cable' ? 'data' : 'none',
    receiver: true,
    radio: over === 'cable' ? 'off' : over,
  })
  const frames: LightFrames['frames'] = []
  let next = 0
  for (let frame = Math.ceil((fromMs * fps) / 1000); frame * 1000 <= toMs * fps; frame++) {
    const atUs = Math.floor((frame * 1e6) / fps)
    for (; next < script.length && itemAt(script, next).atUs <= atUs; next++) {
      clock.runUntil(itemAt(script, next).atUs)
      itemAt(script, next).act(device)
    }
    clock.runUntil(atUs)
    frames.push({ ms: atUs / 1000, drives: device.drives() })
  }
  const draws = frames.map(({ drives }) => maOf(drives, model))
  const meanMa = draws.reduce((sum, ma) => sum + ma, 0) / Math.max(1, draws.length)
  return { frames, meanMa, peakMa: Math.max(0, ...draws), hours: hoursWith(meanMa, model) }
}

const maOf = (drives: Uint8Array, { electrical: { lightMa } }: DeviceModel): number =>
  (drives.reduce((sum, drive) => sum + itemAt(LIGHT_OF_DRIVE, drive), 0) * lightMa) / MAX_LIGHT

function hoursWith(lightMa: number, { electrical, connections }: DeviceModel): number | undefined {
  const { battery } = electrical
  if (!battery) return undefined
  const rateHz = connections.find(({ id }) => id === 'receiver')?.factoryRateHz ?? 0
  const rest = totalMa(currentMa(electrical, battery, { rateHz, lightMa, asleep: false, active: false }))
  return battery.capacityMah / rest
}

async function flashWith(bytes: Uint8Array, model: DeviceModel): Promise<Uint8Array> {
  const clock = new Clock()
  const device = new SimulatedDevice({ model, clock })
  device.setPlugs({ cable: 'data' })
  await new LinkSession(virtualTransport(clock, device)).writeSlot(0, bytes, undefined)
  clock.runUntil(clock.nowUs + 2e6)
  return device.flash.read(0, model.memory.sectors * model.memory.sectorBytes)
}

/** One line per frame: its time in ms, then red, green and blue of each light. */
export const framesCsv = ({ frames }: LightFrames): string =>
  frames.map(({ ms, drives }) => [Number(ms.toFixed(3)), ...drives].join(',')).join('\n') + '\n'

const ROW_PX = 8

/** The frames as a picture: one column each, with one row per light. PNG (ISO/IEC 15948), eight bits, RGB. */
export function framesPng({ frames }: LightFrames): Uint8Array {
  const lights = (frames[0]?.drives.length ?? 0) / 3
  const [width, height] = [frames.length, lights * ROW_PX]
  const raw = new Uint8Array(height * (1 + 3 * width))
  for (let y = 0; y < height; y++) {
    const light = Math.floor(y / ROW_PX)
    frames.forEach(({ drives }, x) =>
      raw.set(drives.subarray(3 * light, 3 * light + 3), y * (1 + 3 * width) + 1 + 3 * x),
    )
  }
  const header = new Uint8Array(13)
  const view = new DataView(header.buffer)
  view.setUint32(0, width)
  view.setUint32(4, height)
  header.set([8, 2, 0, 0, 0], 8)
  return Buffer.concat([
    Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(raw)),
    chunk('IEND', new Uint8Array()),
  ])
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  check.writeUInt32BE(crc32(body))
  return Buffer.concat([length, body, check])
}

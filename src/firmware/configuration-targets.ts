import { slotCapacity } from '../core/device/lookups'
import type { DeviceInfo } from '../core/link/packets'
import type { TaskQueue } from './clock'
import type { ConfigurationTargets } from './configuration'
import type { DeviceLog } from './device-log'
import type { FirmwareUpdate } from './firmware-update'
import type { Motion } from './motion'
import type { SlotStore } from './slots'
import { StagedImage } from './staged-image'
import type { Surroundings } from './surroundings'
import type { Upkeep } from './upkeep'

/** Parts of a running device that its link uses. */
interface Parts {
  store: SlotStore
  tasks: TaskQueue
  log: DeviceLog
  upkeep: Upkeep
  update: FirmwareUpdate
  motion: Motion
  info(): DeviceInfo
  /** The contents of a slot changed. */
  stored(slot: number): void
  select(slot: number): void
  renamed(): void
  /** Everything has factory settings now. */
  wasReset(): void
}

export function configurationTargets(
  { model, connection, battery, alarms }: Surroundings,
  parts: Parts,
): ConfigurationTargets {
  const { store, tasks, log, upkeep, update, motion, info, stored, select, renamed, wasReset } = parts
  return {
    modelNumber: model.number,
    slots: model.memory.slots,
    slotBytes: slotCapacity(model.memory),
    info,
    log: () => log.lines,
    allowed: () => connection()?.configurable ?? false,
    byCable: () => connection()?.id === 'cable',
    firmware: update,
    gauge: battery && (() => battery.counted(alarms.nowUs)),
    image: (slot) => store.image(slot),
    stage: (slot, length) => new StagedImage(model, store, tasks, { slot, length }, stored),
    clear: (slot, done, failed) =>
      tasks.add(
        () => store.write('cleared', slot, new Uint8Array()),
        () => {
          stored(slot)
          done()
        },
        failed,
      ),
    name: () => upkeep.name,
    rename: (name, done, failed) =>
      upkeep.rename(
        name,
        () => {
          renamed()
          done()
        },
        failed,
      ),
    reset: (done, failed) =>
      upkeep.reset(() => {
        wasReset()
        done()
      }, failed),
    select,
    calibrate: model.sensor?.calibration ? (what) => motion.calibrate(what) : undefined,
  }
}

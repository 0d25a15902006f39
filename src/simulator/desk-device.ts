import type { DeviceModel } from '../core/device/model'
import { surfaceById } from '../core/motion/surface'
import { blankBanks } from '../firmware/banks'
import { SimulatedDevice } from '../firmware/device'
import type { DeviceEvents, DeviceOptions } from '../firmware/device-options'
import { factoryFlash } from '../firmware/records'
import type { DeskPlace } from './desk'
import { banksOf, type DeviceStorage, type StoredDevice } from './storage'

/** Serial number of the only receiver. */
export const RECEIVER_SERIAL = 0x5a17

type Around = Pick<DeviceOptions, 'clock' | 'receiver' | 'signatureCheck'> & {
  storage: DeviceStorage
  events: Pick<DeviceEvents, 'report' | 'connection' | 'ownChanged'>
  failed(error: unknown): undefined
}

/** A device of the desk with its stored state; changes of its flash are stored. */
export async function deskDevice(
  place: DeskPlace,
  model: DeviceModel,
  { storage, failed, events, receiver, ...around }: Around,
): Promise<{ device: SimulatedDevice; stored: StoredDevice | undefined }> {
  const { id, serial, charge, paired } = place
  const stored = await storage.load(id, factoryFlash(model.memory)).catch(failed)
  const banks = await storage.load(banksOf(id), blankBanks(model.memory)).catch(failed)
  const device: SimulatedDevice = new SimulatedDevice({
    ...around,
    model,
    serial,
    flash: stored?.flash,
    banks: banks?.flash,
    surface: surfaceById(stored?.state?.surface ?? ''),
    chargeMah: stored?.state?.chargeMah ?? charge * (model.electrical.battery?.capacityMah ?? 0),
    ...(stored?.state?.gauge && { gauge: stored.state.gauge }),
    ...(model.pairing && receiver && { receiver }),
    factoryPairing: { receiver: paired ? RECEIVER_SERIAL : 0, bluetooth: paired },
    events: {
      ...events,
      sector: (sector) => keep(id, device.flash, sector),
      bankSector: (sector) => keep(banksOf(id), device.bankFlash, sector),
    },
  })
  function keep(part: string, flash: SimulatedDevice['flash'], sector: number): void {
    const { sectorBytes } = flash.geometry
    storage.storeSector(part, sector, flash.read(sector * sectorBytes, sectorBytes))
  }
  return { device, stored }
}

import { ByteReader, ByteWriter, ImageError } from '../core/base/bytes'
import { crc32 } from '../core/base/crc32'
import type { FirmwareVersion } from '../core/base/versions'
import type { MemoryGeometry } from '../core/device/model'
import { capabilitiesOf, decodeCapabilities, type Capabilities } from '../core/onboard/capabilities'
import { MAX_FIRMWARE_BYTES, readFirmwareFile, type FirmwareFile } from '../core/onboard/firmware-file'
import type { Task } from './clock'
import type { NorFlash } from './flash'
import { message } from '../core/message/message'

/** The factory firmware of our devices, in read-only memory. */
export const FACTORY_FIRMWARE: Required<FirmwareVersion> = { major: 1, minor: 0, patch: 0 }

const BANKS = 2
const BANK_SECTORS = 4
const BANK_SECTOR_BYTES = 4096
/** The first page of a bank has its marks, one unit each: it is complete, it was tried, it started successfully. */
const FILE_AT = 256
const MARK_BYTES = 16
const TRIED_AT = MARK_BYTES
const GOOD_AT = 2 * MARK_BYTES
/** `BANK` */
const MAGIC = 0x4b4e4142

/** The part with the banks: the same type as the one with the slots. */
export const bankGeometry = (memory: MemoryGeometry): MemoryGeometry => ({
  ...memory,
  sectors: BANKS * BANK_SECTORS,
  sectorBytes: BANK_SECTOR_BYTES,
  blockSectors: 1,
})

/** Contents of the banks in a device that was never updated. */
export const blankBanks = (memory: MemoryGeometry): Uint8Array => {
  const { sectors, sectorBytes } = bankGeometry(memory)
  return new Uint8Array(sectors * sectorBytes).fill(0xff)
}

interface Bank {
  index: number
  sequence: number
  file: FirmwareFile
  tried: boolean
  good: boolean
}

/**
 * The firmware a device starts with: the newest bank that started successfully or was not tried yet, or the factory
 * firmware.
 */
export interface FirmwareChoice {
  version: Required<FirmwareVersion>
  /** @throws ImageError if the contents of the bank cannot start */
  abilities(): Capabilities
  bank?: Bank
}

/** An update being written into the inactive bank. */
export interface BankDraft {
  index: number
  length: number
  done: number
  page: number[]
}

/**
 * Two banks of flash for firmware (docs/firmware-format.md, "In the device"). Updates are written to the inactive one
 * and become valid with their first mark, which is programmed last.
 */
export class FirmwareBanks {
  constructor(
    private readonly flash: NorFlash,
    private readonly model: number,
    private readonly factory: Required<FirmwareVersion> = FACTORY_FIRMWARE,
  ) {}

  /** @param unfit sequence numbers of banks that failed to start since power-on */
  choose(unfit: ReadonlySet<number> = new Set()): FirmwareChoice {
    const whole = [...this.whole()].sort((a, b) => b.sequence - a.sequence)
    const bank = whole.find(({ sequence, tried, good }) => !unfit.has(sequence) && (good || !tried))
    if (!bank) return { version: this.factory, abilities: () => capabilitiesOf(this.factory) }
    const { version, payload } = bank.file
    return { version, bank, abilities: () => decodeCapabilities(payload) }
  }

  /** @param inUse the running bank, which stays unchanged */
  *begin(inUse: number | undefined, length: number): Task<BankDraft> {
    if (length > MAX_FIRMWARE_BYTES) throw new ImageError(message('images.bankTooSmall'))
    const index = inUse === 0 ? 1 : 0
    for (let sector = 0; sector < BANK_SECTORS; sector++)
      yield* this.flash.erase(index * BANK_SECTORS + sector)
    return { index, length, done: 0, page: [] }
  }

  /** Complete pages go to flash; the rest waits. */
  *put(draft: BankDraft, bytes: Uint8Array): Task {
    const { pageBytes } = this.flash.geometry
    draft.page.push(...bytes)
    while (draft.page.length >= pageBytes) yield* this.programPage(draft, pageBytes)
  }

  /** The received bytes, read from flash. */
  *stored(draft: BankDraft): Task<Uint8Array> {
    if (draft.page.length > 0) yield* this.programPage(draft, draft.page.length)
    return this.flash.read(this.at(draft.index) + FILE_AT, draft.done)
  }

  /** From here on it is valid. */
  *commit({ index, length }: BankDraft): Task {
    const writer = new ByteWriter()
    writer.u32(MAGIC)
    writer.u32(Math.max(0, ...[...this.whole()].map(({ sequence }) => sequence)) + 1)
    writer.u32(length)
    writer.u32(crc32(writer.toBytes()))
    yield* this.flash.program(this.at(index), writer.toBytes())
  }

  *mark({ index }: Bank, how: 'tried' | 'good'): Task {
    const at = this.at(index) + (how === 'tried' ? TRIED_AT : GOOD_AT)
    yield* this.flash.program(at, new Uint8Array(MARK_BYTES))
  }

  private *programPage(draft: BankDraft, count: number): Task {
    const bytes = Uint8Array.from(draft.page.splice(0, count))
    yield* this.flash.program(this.at(draft.index) + FILE_AT + draft.done, bytes)
    draft.done += count
  }

  private at(index: number): number {
    return index * BANK_SECTORS * BANK_SECTOR_BYTES
  }

  private *whole(): Generator<Bank> {
    for (let index = 0; index < BANKS; index++) {
      const at = this.at(index)
      const header = this.flash.read(at, MARK_BYTES)
      const reader = new ByteReader(header)
      const [magic, sequence, length, check] = [reader.u32(), reader.u32(), reader.u32(), reader.u32()]
      if (magic !== MAGIC || crc32(header.subarray(0, 12)) !== check || length > MAX_FIRMWARE_BYTES) continue
      const file = fileOf(this.flash.read(at + FILE_AT, length))
      if (file?.model !== this.model) continue
      const touched = (mark: number) => this.flash.read(at + mark, MARK_BYTES).some((cell) => cell !== 0xff)
      yield { index, sequence, file, tried: touched(TRIED_AT), good: touched(GOOD_AT) }
    }
  }
}

/** A bank whose bytes have changed since is invalid. */
function fileOf(bytes: Uint8Array): FirmwareFile | undefined {
  try {
    return readFirmwareFile(bytes)
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

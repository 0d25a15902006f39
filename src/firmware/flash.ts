import type { MemoryGeometry } from '../core/device/model'
import type { Task } from './clock'

/** The part refused an operation that a real one would ignore or that would damage data. */
export class FlashError extends Error {
  override name = 'FlashError'
}

type Operation = { kind: 'program'; address: number; bytes: Uint8Array } | { kind: 'erase'; sector: number }

/**
 * Serial NOR flash. Reading is free; programming changes ones to zeros within one page; erasing changes a whole sector
 * to ones. An operation that loses power stays incomplete.
 */
export class NorFlash {
  readonly cells: Uint8Array
  /** Number of program and erase operations so far. */
  operations = 0
  private inFlight: Operation | undefined
  /** For each unit of error correction, whether it was programmed since its erase. */
  private readonly programmed: Uint8Array

  /**
   * @param geometry sizes and times of the part
   * @param contents its contents; all ones when new
   * @param changed called after each operation with the changed sector
   * @param unitBytes size of the units with shared check bits in a part with error correction: each can be programmed
   *   once between two erases. 0 for a part without
   */
  constructor(
    readonly geometry: MemoryGeometry,
    contents?: Uint8Array,
    private readonly changed: (sector: number) => void = () => {},
    private readonly unitBytes = 0,
  ) {
    this.cells = new Uint8Array(geometry.sectors * geometry.sectorBytes).fill(0xff)
    if (contents) this.cells.set(contents.subarray(0, this.cells.length))
    this.programmed = new Uint8Array(unitBytes > 0 ? this.cells.length / unitBytes : 0)
    this.programmed.forEach((_, unit) => {
      const cells = this.cells.subarray(unit * unitBytes, (unit + 1) * unitBytes)
      this.programmed[unit] = cells.some((cell) => cell !== 0xff) ? 1 : 0
    })
  }

  /** Copies `length` bytes from `address`. */
  read(address: number, length: number): Uint8Array {
    return this.cells.slice(address, address + length)
  }

  /**
   * Programs bytes within one page.
   *
   * @throws FlashError if they cross a page, are outside the part, change a zero to a one, or the part is busy
   */
  *program(address: number, bytes: Uint8Array): Task {
    const { pageBytes, programUs } = this.geometry
    this.refuseIfBusy()
    if (bytes.length === 0 || address < 0 || address + bytes.length > this.cells.length) {
      throw new FlashError(`program of ${bytes.length} bytes at ${address} lies outside the part`)
    }
    if (Math.floor(address / pageBytes) !== Math.floor((address + bytes.length - 1) / pageBytes)) {
      throw new FlashError(`program of ${bytes.length} bytes at ${address} crosses a page`)
    }
    bytes.forEach((byte, index) => {
      if (((this.cells[address + index] ?? 0) & byte) !== byte) {
        throw new FlashError(`byte ${address + index} has zeros that only an erase makes ones`)
      }
    })
    this.takeUnits(address, bytes.length)
    yield* this.perform({ kind: 'program', address, bytes: bytes.slice() }, programUs)
  }

  /** Erases one sector to ones. @throws FlashError if the sector does not exist or the part is busy */
  *erase(sector: number): Task {
    this.refuseIfBusy()
    if (!Number.isInteger(sector) || sector < 0 || sector >= this.geometry.sectors) {
      throw new FlashError(`there is no sector ${sector}`)
    }
    yield* this.perform({ kind: 'erase', sector }, this.geometry.eraseUs)
  }

  private takeUnits(address: number, length: number): void {
    if (this.unitBytes === 0) return
    const first = Math.floor(address / this.unitBytes)
    const last = Math.floor((address + length - 1) / this.unitBytes)
    for (let unit = first; unit <= last; unit++) {
      if (this.programmed[unit])
        throw new FlashError(
          `the ${this.unitBytes} bytes from ${unit * this.unitBytes} were programmed before`,
        )
      this.programmed[unit] = 1
    }
  }

  /** Power is lost: the current operation stays incomplete. */
  losePower(): void {
    const operation = this.inFlight
    this.inFlight = undefined
    if (operation?.kind === 'program') {
      const half = operation.bytes.length >> 1
      this.store(operation.address, operation.bytes.subarray(0, half))
      // The current byte has only some of its zeros.
      this.store(operation.address + half, Uint8Array.of((operation.bytes[half] ?? 0) | 0x55))
    } else if (operation) {
      const start = operation.sector * this.geometry.sectorBytes
      for (let index = 0; index < this.geometry.sectorBytes; index++) {
        this.cells[start + index] = (this.cells[start + index] ?? 0) | (index & 1 ? 0xff : 0x0f)
      }
      this.changed(operation.sector)
    }
  }

  private *perform(operation: Operation, durationUs: number): Task {
    this.operations++
    this.inFlight = operation
    yield durationUs
    this.inFlight = undefined
    if (operation.kind === 'program') this.store(operation.address, operation.bytes)
    else {
      const start = operation.sector * this.geometry.sectorBytes
      this.cells.fill(0xff, start, start + this.geometry.sectorBytes)
      if (this.unitBytes > 0)
        this.programmed.fill(0, start / this.unitBytes, (start + this.geometry.sectorBytes) / this.unitBytes)
      this.changed(operation.sector)
    }
  }

  private store(address: number, bytes: Uint8Array): void {
    bytes.forEach((byte, index) => (this.cells[address + index] = (this.cells[address + index] ?? 0) & byte))
    this.changed(Math.floor(address / this.geometry.sectorBytes))
  }

  private refuseIfBusy(): void {
    if (this.inFlight) throw new FlashError('the part is busy with another operation')
  }
}

import { ByteWriter, ImageError } from '../base/bytes'

/** A macro as an image carries it: its byte code, and what it is called for whoever reads the slot. */
export interface ImageMacro {
  /** From 1; numbers may be left out. */
  number: number
  name: string
  code: Uint8Array
}

export const MOST_MACROS = 200

/** @throws ImageError for a number that no macro has */
export function macroNumber(number: number): number {
  if (number < 1 || number > MOST_MACROS)
    throw new ImageError(`macro ${number}: macros go from 1 to ${MOST_MACROS}`)
  return number
}

/** The macro of a number, which is made where there is none. @throws ImageError for a number that no macro has */
export function macroAt(macros: ImageMacro[], wanted: number): ImageMacro {
  const number = macroNumber(wanted)
  const found = macros.find((macro) => macro.number === number)
  if (found) return found
  const made = { number, name: '', code: new Uint8Array() }
  macros.push(made)
  macros.sort((a, b) => a.number - b.number)
  return made
}

export function writeMacros(macros: readonly ImageMacro[]): Uint8Array {
  const writer = new ByteWriter()
  for (const { number, code } of macros) {
    writer.u8(number)
    writer.varint(code.length)
    writer.bytes(code)
  }
  return writer.toBytes()
}

export function writeMacroNames(macros: readonly ImageMacro[]): Uint8Array {
  const writer = new ByteWriter()
  for (const { number, name } of macros) {
    if (name === '') continue
    writer.u8(number)
    writer.text(name)
  }
  return writer.toBytes()
}

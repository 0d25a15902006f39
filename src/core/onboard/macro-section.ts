import { ByteWriter, ImageError } from '../base/bytes'
import { message } from '../message/message'

/** A macro in an image: its byte code, and its name for readers of the slot. */
export interface ImageMacro {
  /** From 1; not all numbers need to be used. */
  number: number
  name: string
  code: Uint8Array
}

export const MAX_MACROS = 200

/** @throws ImageError for an invalid macro number */
export function checkMacroNumber(number: number): number {
  if (number < 1 || number > MAX_MACROS)
    throw new ImageError(message('images.macroNumber', { number, max: MAX_MACROS }))
  return number
}

/** The macro with a number, created if missing. @throws ImageError for an invalid macro number */
export function getOrAddMacro(macros: ImageMacro[], wanted: number): ImageMacro {
  const number = checkMacroNumber(wanted)
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

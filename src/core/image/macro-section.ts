import { ByteWriter, ImageError } from './bytes'

/** A macro as an image carries it: its byte code, and what it is called for whoever reads the slot. */
export interface ImageMacro {
  name: string
  code: Uint8Array
}

export const MOST_MACROS = 200

/** The macro of a number, counted from 1, and all before it. @throws ImageError for a number too high */
export function macroAt(macros: ImageMacro[], number: number): ImageMacro {
  if (number < 1 || number > MOST_MACROS)
    throw new ImageError(`macro ${number}: macros go from 1 to ${MOST_MACROS}`)
  while (macros.length < number) macros.push({ name: '', code: new Uint8Array() })
  return macros[number - 1]
}

export function writeMacros(macros: readonly ImageMacro[]): Uint8Array {
  const writer = new ByteWriter()
  macros.forEach(({ code }, index) => {
    writer.u8(index + 1)
    writer.varint(code.length)
    writer.bytes(code)
  })
  return writer.toBytes()
}

export function writeMacroNames(macros: readonly ImageMacro[]): Uint8Array {
  const writer = new ByteWriter()
  macros.forEach(({ name }, index) => {
    if (name === '') return
    writer.u8(index + 1)
    writer.text(name)
  })
  return writer.toBytes()
}

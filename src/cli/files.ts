import { englishText } from '../messages/plain'
import { readFileSync, writeFileSync } from 'node:fs'
import { modelById, modelByNumber } from '../core/device/models'
import type { DeviceModel } from '../core/device/model'
import { ImageError } from '../core/base/bytes'
import { readHeader } from '../core/onboard/format'
import { readFirmwareFile, type FirmwareFile } from '../core/onboard/firmware-file'
import { fromIntelHex, toIntelHex } from '../core/onboard/intel-hex'
import { shelfOf, type Macro, type MacroShelf } from '../core/document/macro'
import type { AppRules } from '../core/computer/app-rules'
import { readAppRules } from '../core/files/app-rules-file'
import { macrosFromCsv } from '../core/files/macro-csv'
import { macrosFromJson } from '../core/files/macro-json'
import { readProfileFile, type ProfileFile } from '../core/files/profile-file'
import { readArchive, type Archive } from '../core/share/archive'
import { readShared, extractShared } from '../core/share/link'
import { extractText } from '../core/share/picture'
import { ProfileError, type Profile } from '../core/document/schema'
import { CliError } from './failure'

/** Reads a profile from a JSON file, with its model and macros. @throws Refused with file and reason */
export function readProfile(file: string): { profile: Profile; model: DeviceModel; macros: MacroShelf } {
  const text = readText(file)
  return refusing(file, () => {
    const { profile, macros } = readProfileFile(jsonOf(file, text))
    const model = modelById(profile.model)
    if (!model) throw new CliError(`${file}: the device model "${profile.model}" is unknown`)
    return { profile, model, macros: shelfOf(macros) }
  })
}

/**
 * Reads the profile in a link, its text, or a picture, with its macros.
 *
 * @param what a link, or the name of a .png or .svg file
 * @throws Refused with file and reason
 */
export function readSharedProfile(what: string): ProfileFile {
  if (!/\.(png|svg)$/i.test(what)) return refusing('the link', () => readShared(extractShared(what)))
  const bytes = readBytes(what)
  return refusing(what, () => readProfileFile(jsonOf(what, extractText(bytes))))
}

/** Reads a ZIP. @throws Refused with file and reason */
export function readLibraryArchive(file: string): Archive {
  const bytes = readBytes(file)
  return refusing(file, () => readArchive(bytes))
}

/** Reads a firmware file without verifying its signature. @throws Refused with file and reason */
export function readFirmware(file: string): FirmwareFile {
  const bytes = readBytes(file)
  return refusing(file, () => readFirmwareFile(bytes))
}

/** Reads app rules from a JSON file. @throws Refused with file and reason */
export function readRules(file: string): AppRules {
  const text = readText(file)
  return refusing(file, () => readAppRules(text))
}

/** Reads macros from a JSON or CSV file. @throws Refused with file and reason */
export function readMacros(file: string): Macro[] {
  const text = readText(file)
  let count = 0
  return refusing(file, () =>
    file.endsWith('.csv')
      ? macrosFromCsv(
          text,
          () => undefined,
          () => `macro-${++count}`,
        )
      : macrosFromJson(text),
  )
}

function jsonOf(file: string, text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new CliError(`${file}: not JSON: ${error instanceof Error ? error.message : String(error)}`)
  }
}

function refusing<T>(file: string, act: () => T): T {
  try {
    return act()
  } catch (error) {
    if (error instanceof ProfileError)
      throw new CliError(error.problems.map((problem) => `${file}: ${englishText(problem)}`).join('\n'))
    throw error
  }
}

/** Reads an image from a .hex or .bin file, with its model. @throws Refused with file and reason */
export function readImage(file: string): { bytes: Uint8Array; model: DeviceModel } {
  try {
    const all = file.endsWith('.hex') ? fromIntelHex(readText(file)) : readBytes(file)
    const { length, model: number } = readHeader(all)
    const model = modelByNumber(number)
    if (!model) throw new CliError(`${file}: no device model has the number ${number}`)
    return { bytes: all.subarray(0, length), model }
  } catch (error) {
    if (error instanceof ImageError) throw new CliError(`${file}: ${error.message}`)
    throw error
  }
}

/** Writes an image as Intel HEX or, for a name ending in .bin, as bytes. @throws Refused if writing fails */
export function writeImage(file: string, bytes: Uint8Array): void {
  if (!/\.(hex|bin)$/.test(file)) throw new CliError(`${file}: write the image to a .hex or .bin file`)
  writeFile(file, file.endsWith('.hex') ? toIntelHex(bytes) : bytes)
}

/** @throws Refused if writing fails */
export function writeFile(file: string, content: string | Uint8Array): void {
  attempt(file, () => writeFileSync(file, content))
}

/** @throws Refused if the file cannot be read */
export const readText = (file: string): string => attempt(file, () => readFileSync(file, 'utf8'))

const readBytes = (file: string): Uint8Array => attempt(file, () => readFileSync(file))

function attempt<T>(file: string, act: () => T): T {
  try {
    return act()
  } catch (error) {
    throw new CliError(`${file}: ${error instanceof Error ? error.message : String(error)}`)
  }
}

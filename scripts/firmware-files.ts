import { mkdirSync, writeFileSync } from 'node:fs'
import { randomSource } from '../src/core/base/random'
import { DEVICE_MODELS } from '../src/core/device/models'
import { capabilitiesOf, encodeCapabilities, type Capabilities } from '../src/core/onboard/capabilities'
import { firmwareToSign, type FirmwareFile } from '../src/core/onboard/firmware-file'
import { signForTestsOnly } from './maker-key-for-tests-only'

/** npm run firmware: writes the included firmware, one file per model, and their list. */
const VERSION = { major: 1, minor: 1, patch: 0 }
const NOTES = `Lights: the new effect Sweep, a band that moves across the lights and back or again.
Everything else is as in 1.0. Profiles, names and the active slot are kept.`
/** Placeholder for machine code, which simulated devices do not run. */
const CODE_BYTES = 10_240

/** A file signed by its maker. */
export function firmwareBytes(
  file: Pick<FirmwareFile, 'model' | 'version' | 'notes'>,
  abilities: Capabilities = capabilitiesOf(file.version),
  codeBytes = CODE_BYTES,
): Uint8Array {
  const random = randomSource(file.model)
  const code = Uint8Array.from({ length: codeBytes }, () => Math.floor(random.uniform() * 256))
  const signed = firmwareToSign({ ...file, payload: encodeCapabilities(abilities, code) })
  return Uint8Array.from([...signed, ...signForTestsOnly(signed)])
}

export function writeFirmwareFiles(folder: string): void {
  mkdirSync(folder, { recursive: true })
  const list = DEVICE_MODELS.map(({ id, number }) => {
    const file = `${id}-${VERSION.major}.${VERSION.minor}.${VERSION.patch}.unfw`
    writeFileSync(`${folder}/${file}`, firmwareBytes({ model: number, version: VERSION, notes: NOTES }))
    return { model: id, version: VERSION, file }
  })
  writeFileSync(`${folder}/index.json`, `${JSON.stringify(list, null, 2)}\n`)
}

if (import.meta.filename === process.argv[1]) writeFirmwareFiles('public/firmware')

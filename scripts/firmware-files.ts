import { mkdirSync, writeFileSync } from 'node:fs'
import { chance } from '../src/core/base/random'
import { DEVICE_MODELS } from '../src/core/device/models'
import { abilitiesOf, encodeAbilities, type Abilities } from '../src/core/onboard/abilities'
import { firmwareToSign, type FirmwareFile } from '../src/core/onboard/firmware-file'
import { signForTestsOnly } from './maker-key-for-tests-only'

/** npm run firmware: writes the firmware that ships, a file a model, and the list of them. */
const VERSION = { major: 1, minor: 1, patch: 0 }
const NOTES = `Lights: a new effect, Sweep, a band that runs over the lights and back or over again.
Nothing else is other than in 1.0. Profiles, names and the slot that is on stay as they are.`
/** Stands for the machine code, which no simulated device runs. */
const CODE_BYTES = 10_240

/** A file as a maker signs it. */
export function firmwareBytes(
  file: Pick<FirmwareFile, 'model' | 'version' | 'notes'>,
  abilities: Abilities = abilitiesOf(file.version),
  codeBytes = CODE_BYTES,
): Uint8Array {
  const random = chance(file.model)
  const code = Uint8Array.from({ length: codeBytes }, () => Math.floor(random.uniform() * 256))
  const signed = firmwareToSign({ ...file, payload: encodeAbilities(abilities, code) })
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

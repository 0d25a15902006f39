import { createPublicKey, verify } from 'node:crypto'
import { versionText } from '../core/base/versions'
import { modelByNumber } from '../core/device/models'
import { EFFECT_NAMES, EFFECTS } from '../core/effects/registry'
import { decodeCapabilities } from '../core/onboard/capabilities'
import { settingKinds } from '../core/onboard/settings'
import type { FirmwareFile } from '../core/onboard/firmware-file'

/** SubjectPublicKeyInfo of an Ed25519 key, up to its bytes (RFC 8410). */
const SPKI = '302a300506032b6570032100'

/** Describes a firmware file line by line, including whether its signature matches the maker of its model. */
export function firmwareReport(file: FirmwareFile): { lines: string[]; signed: boolean } {
  const model = modelByNumber(file.model)
  const { effects, settings, maxEffects } = decodeCapabilities(file.payload)
  const signed =
    model !== undefined &&
    verify(
      null,
      file.signed,
      createPublicKey({ key: Buffer.from(SPKI + model.firmwareKey, 'hex'), format: 'der', type: 'spki' }),
      file.signature,
    )
  const lines = [
    `model\t${model ? `${model.maker} ${model.name}` : `number ${file.model}, not known here`}`,
    `version\t${versionText(file.version)}`,
    `payload\t${file.payload.length} B`,
    `effects\t${EFFECT_NAMES.filter((name) => effects.has(EFFECTS[name].code)).join(', ')}; ${maxEffects} at most`,
    `settings\t${settingKinds()
      .filter(([, { code }]) => settings.has(code))
      .map(([key]) => key)
      .join(', ')}`,
    `signature\t${signed ? `of ${model.maker}, demo key` : 'not of the maker'}`,
    ...file.notes.split(/\r\n|[\r\n\u0085\u2028\u2029]/).map((line) => `notes\t${line}`),
  ]
  // Unverified text is marked on every line, so that none of it passes for output of this program.
  return { lines: signed ? lines : lines.map((line) => `UNVERIFIED\t${line}`), signed }
}

import { createHash, createPrivateKey, createPublicKey, sign, type KeyObject } from 'node:crypto'

/**
 * The signing key of the made-up maker. It is public, for tests and the included files; makers of real devices keep
 * theirs secret.
 */
const SEED = createHash('sha256').update('Saltmarsh, for tests only').digest()
/** PKCS #8 of an Ed25519 key, up to its seed (RFC 8410). */
const PKCS8 = Buffer.from('302e020100300506032b657004220420', 'hex')

export const makerKeyForTestsOnly: KeyObject = createPrivateKey({
  key: Buffer.concat([PKCS8, SEED]),
  format: 'der',
  type: 'pkcs8',
})

export const makerPublicKeyHex = (): string =>
  createPublicKey(makerKeyForTestsOnly).export({ format: 'der', type: 'spki' }).subarray(-32).toString('hex')

/** @returns the 64 bytes of the signature */
export const signForTestsOnly = (bytes: Uint8Array, key = makerKeyForTestsOnly): Uint8Array =>
  new Uint8Array(sign(null, bytes, key))

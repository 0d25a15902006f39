import { createHash, createPrivateKey, createPublicKey, sign, type KeyObject } from 'node:crypto'

/**
 * The key that the made-up maker signs firmware with. It is here for all to see, for tests and the files that ship: whoever
 * makes devices that are real keeps theirs.
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

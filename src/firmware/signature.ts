import { hashes, verify } from '@noble/ed25519'
import { sha512 } from '@noble/hashes/sha2.js'

hashes.sha512 = sha512

/** Verifies an Ed25519 signature (RFC 8032) of some bytes with a public key. */
export type SignatureCheck = (signature: Uint8Array, bytes: Uint8Array, publicKey: Uint8Array) => boolean

export const verifySignature: SignatureCheck = (signature, bytes, publicKey) => {
  try {
    return verify(signature, bytes, publicKey)
  } catch {
    // A value that is not a point of the curve verifies nothing.
    return false
  }
}

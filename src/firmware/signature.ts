import { hashes, verify } from '@noble/ed25519'
import { sha512 } from '@noble/hashes/sha2.js'

hashes.sha512 = sha512

/** Whether an Ed25519 signature (RFC 8032) is of these bytes by the holder of the key. */
export type SignatureCheck = (signature: Uint8Array, bytes: Uint8Array, publicKey: Uint8Array) => boolean

export const verifySignature: SignatureCheck = (signature, bytes, publicKey) => {
  try {
    return verify(signature, bytes, publicKey)
  } catch {
    // What is no point of the curve signs nothing.
    return false
  }
}

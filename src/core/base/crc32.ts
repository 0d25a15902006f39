const table = Uint32Array.from({ length: 256 }, (_, index) => {
  let value = index
  for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1
  return value
})

/**
 * CRC-32/ISO-HDLC: polynomial 0x04C11DB7 reflected, initial value and final XOR all ones (ISO/IEC 13239; the check
 * value of "123456789" is 0xCBF43926).
 *
 * @param parts byte arrays, checked as if they were one
 * @returns an unsigned 32-bit number
 */
export function crc32(...parts: Uint8Array[]): number {
  let crc = 0xffffffff
  for (const part of parts) {
    for (let index = 0; index < part.length; index++)
      crc = (crc >>> 8) ^ (table[(crc ^ (part[index] ?? 0)) & 0xff] ?? 0)
  }
  return (crc ^ 0xffffffff) >>> 0
}

/** Width and height of a picture in px. */
export interface PictureSize {
  width: number
  height: number
}

/** Number of bytes needed to find the size; a JPEG may start with a preview. */
export const SIZE_WITHIN_BYTES = 256 * 1024

/**
 * The size of a PNG, GIF, BMP, WebP or JPEG from its header, before anything is decoded.
 *
 * @param bytes the start of the file
 * @returns undefined for another format, or an incomplete header
 */
export function pictureSize(bytes: Uint8Array): PictureSize | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const text = (at: number, length: number) => String.fromCharCode(...bytes.subarray(at, at + length))
  try {
    // PNG (W3C, 3rd edition) 11.2.2: IHDR comes first.
    if (text(1, 3) === 'PNG') return { width: view.getUint32(16), height: view.getUint32(20) }
    if (text(0, 4) === 'GIF8') return { width: view.getUint16(6, true), height: view.getUint16(8, true) }
    if (text(0, 2) === 'BM')
      return { width: Math.abs(view.getInt32(18, true)), height: Math.abs(view.getInt32(22, true)) }
    if (text(0, 4) === 'RIFF' && text(8, 4) === 'WEBP') return webpSize(view, text(12, 4))
    return view.getUint16(0) === 0xffd8 ? jpegSize(view) : undefined
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}

/** RFC 9649, section 2: one lossy or lossless frame, or the extended header. */
function webpSize(view: DataView, chunk: string): PictureSize | undefined {
  const three = (at: number) => view.getUint16(at, true) + (view.getUint8(at + 2) << 16)
  if (chunk === 'VP8X') return { width: three(24) + 1, height: three(27) + 1 }
  if (chunk === 'VP8 ')
    return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff }
  if (chunk !== 'VP8L') return undefined
  const bits = view.getUint32(21, true)
  return { width: (bits & 0x3fff) + 1, height: ((bits >>> 14) & 0x3fff) + 1 }
}

/** ITU-T T.81, B.2.2: in the first frame header, which follows other segments. */
function jpegSize(view: DataView): PictureSize | undefined {
  for (let at = 2; view.getUint8(at) === 0xff;) {
    const marker = view.getUint8(at + 1)
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
    if (isFrame) return { width: view.getUint16(at + 7), height: view.getUint16(at + 5) }
    at += 2 + view.getUint16(at + 2)
  }
  return undefined
}

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pictureSize } from './picture-size'

const u16 = (value: number) => [value >> 8, value & 255]
const u32 = (value: number) => [...u16(value >>> 16), ...u16(value & 0xffff)]
const little = (bytes: number[]) => [...bytes].reverse()
const text = (letters: string) => [...letters].map((letter) => letter.charCodeAt(0))
const three = (value: number) => little(u32(value)).slice(0, 3)

/** The start of a picture in each format, as in its standard. */
const HEADERS = {
  png: (width, height) => [
    0x89,
    ...text('PNG\r\n\u001a\n'),
    ...u32(13),
    ...text('IHDR'),
    ...u32(width),
    ...u32(height),
  ],
  gif: (width, height) => [...text('GIF89a'), ...little(u16(width)), ...little(u16(height))],
  bmp: (width, height) => [
    ...text('BM'),
    ...Array(16).fill(0),
    ...little(u32(width)),
    ...little(u32(height)),
  ],
  webp: (width, height) => [
    ...[...text('RIFF'), 0, 0, 0, 0, ...text('WEBPVP8X'), 10, 0, 0, 0, 0, 0, 0, 0],
    ...[...three(width - 1), ...three(height - 1)],
  ],
  jpeg: (width, height) => [
    ...[0xff, 0xd8, 0xff, 0xe0, ...u16(16), ...Array(14).fill(7)],
    ...[0xff, 0xc4, ...u16(5), 1, 2, 3, 0xff, 0xc2, ...u16(17), 8, ...u16(height), ...u16(width), 3],
  ],
} satisfies Record<string, (width: number, height: number) => number[]>

describe('the size of a picture', () => {
  it.each(Object.entries(HEADERS))('is told by the header of a %s, before it is decoded', (_, header) => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 65_535 }),
        fc.integer({ min: 1, max: 65_535 }),
        (width, height) => {
          expect(pictureSize(Uint8Array.from(header(width, height)))).toEqual({ width, height })
        },
      ),
    )
  })

  it('is not known of anything else, and no bytes make it throw or go on for ever', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 200 }),
        fc.constantFrom(...Object.values(HEADERS)),
        (noise, header) => {
          pictureSize(noise)
          pictureSize(Uint8Array.from([...header(9, 9).slice(0, noise[0] ?? 0), ...noise]))
        },
      ),
    )
    expect(pictureSize(new TextEncoder().encode('<svg width="9"/>'))).toBeUndefined()
    expect(pictureSize(Uint8Array.from(HEADERS.png(9, 9).slice(0, 20)))).toBeUndefined()
  })
})

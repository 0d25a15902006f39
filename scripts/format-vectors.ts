// npm run vectors: writes docs/vectors/, images for testing other implementations of docs/onboard-format.md.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { tern7 } from '../src/core/device/models/tern-7'
import { ImageError, toHexBytes } from '../src/core/base/bytes'
import { decodeImage, checkModel } from '../src/core/onboard/format'
import { type OnboardImage } from '../src/core/onboard/image'
import { playableOperations } from '../src/core/onboard/macro-code'
import { CASES, imageOf } from './vector-cases'
import { englishText } from '../src/messages/plain'
import { setLogText } from '../src/core/base/errors'

setLogText(englishText)

export interface Vector {
  name: string
  about: string
  /** The image, in hexadecimal. */
  hex: string
  /** Its meaning, or why it is refused. */
  means?: unknown
  refused?: string
}

/** An image as JSON: maps by their numbers, bytes in hexadecimal, macros as their operations. */
export function meaningOf(image: OnboardImage): unknown {
  const { layers, macros, unknown, ...rest } = image
  return {
    ...rest,
    layers: layers.map(({ bindings, ...layer }) => ({ ...layer, bindings: Object.fromEntries(bindings) })),
    macros: macros.map(({ number, name, code }) => ({
      number,
      name,
      code: toHexBytes(code),
      operations: playableOperations(code) ?? 'not played',
    })),
    unknown: unknown.map(({ type, payload }) => ({ type, payload: toHexBytes(payload) })),
  }
}

/** All vectors are for Tern 7, which has no factory layers above the base layer. */
function read(bytes: Uint8Array): OnboardImage {
  const image = decodeImage(bytes)
  checkModel(image, { number: tern7.number, factoryLayers: 0 })
  return image
}

export const vectors = (): Vector[] =>
  Object.entries(CASES).map(([name, { about, image }]) => {
    const bytes = image instanceof Uint8Array ? image : imageOf(image)
    try {
      return { name, about, hex: toHexBytes(bytes), means: meaningOf(read(bytes)) }
    } catch (error) {
      if (!(error instanceof ImageError)) throw error
      return { name, about, hex: toHexBytes(bytes), refused: error.message }
    }
  })

export const vectorFile = ({ name: _, ...vector }: Vector): string => `${JSON.stringify(vector, null, 2)}\n`

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const folder = 'docs/vectors'
  mkdirSync(folder, { recursive: true })
  for (const file of readdirSync(folder)) if (file.endsWith('.json')) rmSync(join(folder, file))
  const all = vectors()
  for (const vector of all) writeFileSync(join(folder, `${vector.name}.json`), vectorFile(vector))
  const refused = all.filter((vector) => vector.refused !== undefined).length
  console.log(`${all.length} images, ${refused} of them refused`)
}

import { createHash } from 'node:crypto'
import { lstatSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { getMimeType } from 'hono/utils/mime'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'

export type Encoding = 'br' | 'gzip'
/** Nearly as small as the best compression, and twenty times as fast, because people wait for it. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }
const PACKERS: Record<Encoding, (body: Buffer) => Buffer> = {
  br: (body) => brotliCompressSync(body, BROTLI),
  gzip: (body) => gzipSync(body),
}

/** A file of the build, plain and compressed. */
export interface BuildFile {
  type: string
  etag: string
  body: Buffer
  /** Compressed on first request; undefined if it would not be smaller. */
  packed: (encoding: Encoding) => Buffer | undefined
}

/** Compressed formats do not get smaller. */
const PACKABLE = /^(?:text|application\/json|image\/svg)/
const MIN_PACKED_BYTES = 512

/**
 * All files below a folder by their addresses. Nothing else is served, and links are ignored.
 *
 * @throws Error if the folder does not exist
 */
export function buildFiles(root: string): ReadonlyMap<string, BuildFile> {
  const files = new Map<string, BuildFile>()
  const walk = (folder: string, address: string): void => {
    for (const name of readdirSync(folder)) {
      const path = join(folder, name)
      const about = lstatSync(path)
      if (about.isDirectory()) walk(path, `${address}${name}/`)
      else if (about.isFile()) files.set(`${address}${name}`, fileOf(path))
    }
  }
  walk(root, '/')
  return files
}

function fileOf(path: string): BuildFile {
  const body = readFileSync(path)
  const type = getMimeType(path) ?? 'application/octet-stream'
  const packable = PACKABLE.test(type) && body.length >= MIN_PACKED_BYTES
  return {
    type,
    body,
    etag: `"${createHash('sha256').update(body).digest('base64url').slice(0, 22)}"`,
    packed: packable ? packedOnce(body) : () => undefined,
  }
}

function packedOnce(body: Buffer): BuildFile['packed'] {
  const known = new Map<Encoding, Buffer>()
  return (encoding) => {
    const packed = known.get(encoding) ?? PACKERS[encoding](body)
    known.set(encoding, packed)
    return packed
  }
}

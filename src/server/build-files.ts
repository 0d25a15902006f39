import { createHash } from 'node:crypto'
import { lstatSync, readdirSync, readFileSync } from 'node:fs'
import { extname, join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'

export type Encoding = 'br' | 'gzip'
/** Nearly as small as at its best, and twenty times as fast: somebody waits for it. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }
const PACKERS: Record<Encoding, (body: Buffer) => Buffer> = {
  br: (body) => brotliCompressSync(body, BROTLI),
  gzip: (body) => gzipSync(body),
}

/** A file of the build as it is sent, plain and packed. */
export interface BuildFile {
  type: string
  etag: string
  body: Buffer
  /** Packed when it is first asked for so; undefined where that gains nothing. */
  packed: (encoding: Encoding) => Buffer | undefined
}

const TYPES: Record<string, string | undefined> = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.json': 'application/json; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.webmanifest': 'application/manifest+json; charset=utf-8',
  '.woff': 'font/woff',
  '.woff2': 'font/woff2',
  '.txt': 'text/plain; charset=utf-8',
}
/** What is packed already gains nothing. */
const PACKABLE = /^(?:text|application\/json|image\/svg)/
const LEAST_PACKED_BYTES = 512

/**
 * Every file below a folder by its address. What is not in here is not served, whatever an address looks like; links
 * are left out, wherever they lead.
 *
 * @throws Error when there is no such folder
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
  const type = TYPES[extname(path)] ?? 'application/octet-stream'
  const packable = PACKABLE.test(type) && body.length >= LEAST_PACKED_BYTES
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

import { readFileSync } from 'node:fs'
import { zipSync, unzipSync, strToU8 } from 'fflate'
import { itemAt } from '../src/core/base/items'
import { ByteWriter } from '../src/core/base/bytes'
import { crc32 } from '../src/core/base/crc32'
import { randomSource } from '../src/core/base/random'
import { ProfileError } from '../src/core/base/errors'
import { compileProfile } from '../src/core/compile/compile'
import { modelById } from '../src/core/device/models'
import { shelfOf } from '../src/core/document/macro'
import { macrosFromDocument } from '../src/core/files/macro-json'
import { profileDocument, readProfileFile } from '../src/core/files/profile-file'
import { readJson } from '../src/core/files/read-json'
import { parseProfile } from '../src/core/document/schema'
import { imageChecksum } from '../src/core/onboard/format'
import { packArchive, readArchive } from '../src/core/share/archive'
import { readShared, shareText } from '../src/core/share/link'
import { extractText, embedInPng, embedInSvg } from '../src/core/share/picture'
import { deflateBytes } from '../src/core/share/deflate'

/**
 * npm run fuzz -- [COUNT]: a number of links, pictures and archives with errors. Half are damaged during transfer; half
 * are damaged inside, with correct checksums, and reach validation. Each is refused with a reason or becomes a valid
 * document; no other error occurs, and none takes long.
 */
const COUNT = Number(process.argv[2] ?? 300_000)
const MAX_MS = 250
/** The smallest PNG: its header, one pixel, its end. */
const PNG = Uint8Array.from(
  atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg=='),
  (sign) => sign.charCodeAt(0),
)
const SVG = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h1"/></svg>'

const { uniform: random } = randomSource(20_261_126)
const below = (max: number): number => Math.floor(random() * max)

/** One to eight changes: a byte, or a part that is removed, repeated or moved. */
function spoilt(bytes: Uint8Array): Uint8Array {
  let out = Array.from(bytes)
  for (let change = 1 + below(8); change > 0 && out.length > 0; change--) {
    const at = below(out.length)
    const run = out.slice(at, at + 1 + below(16))
    switch (below(5)) {
      case 0:
        out[at] = below(256)
        break
      case 1:
        out[at] = itemAt(out, at) ^ (1 << below(8))
        break
      case 2:
        out.splice(at, run.length)
        break
      case 3:
        out.splice(below(out.length), 0, ...run)
        break
      default:
        out =
          random() < 0.3 ? out.slice(0, at) : out.toSpliced(at, 1, itemAt([0, 0x7f, 0x80, 0xff], below(4)))
    }
  }
  return Uint8Array.from(out)
}

/** JSON with a changed value, or damaged text. */
function spoiltJson(text: string): string {
  if (random() < 0.3) return new TextDecoder().decode(spoilt(strToU8(text)))
  const value: unknown = JSON.parse(text)
  const places: [Record<string, unknown>, string][] = []
  const collect = (each: unknown): void => {
    if (typeof each !== 'object' || each === null) return
    for (const [key, inner] of Object.entries(each)) {
      places.push([each as Record<string, unknown>, key])
      collect(inner)
    }
  }
  collect(value)
  const EVIL = [null, -1, 2 ** 53, 1e308, '', '\u202e', '__proto__', [], {}, 'x'.repeat(5000), true, 0.5]
  for (let change = 1 + below(3); change > 0; change--) {
    const [owner, key] = itemAt(places, below(places.length))
    owner[key] = random() < 0.3 ? itemAt(places, below(places.length))[0] : EVIL[below(EVIL.length)]
  }
  try {
    return JSON.stringify(value)
  } catch {
    // A part was inserted into itself.
    return text.slice(0, below(text.length))
  }
}

interface Kind {
  /** Damaged during transfer or inside. */
  make(): { run: () => unknown }
}

const files = ['brinewatch', 'gantry-run', 'godwit-brinewatch', 'dunlin-brinewatch', 'knot-proofs']
const shelf = shelfOf(macrosFromDocument(JSON.parse(readFileSync('demo/macros.json', 'utf8'))))
const sources = files.map((name) => {
  const { profile } = readProfileFile(JSON.parse(readFileSync(`demo/profiles/${name}.json`, 'utf8')))
  const model = modelById(profile.model)
  if (!model) throw new Error(`${name}: no such model`)
  const json = JSON.stringify(profileDocument(profile, shelf))
  return {
    profile,
    model,
    json,
    text: shareText(profile, model, shelf),
    image: compileProfile(profile, model, shelf).bytes,
  }
})
const archive = packArchive(
  {
    format: 'unisera-library',
    version: 1,
    profiles: sources.map(({ profile }, slot) => ({ slot, profile })),
    macros: [...shelf.values()],
    sessions: [],
    palettes: [],
    programs: [],
    rules: { format: 'unisera-rules', version: 1, rules: [], otherwise: [] },
  },
  [{ profile: 0, at: 1, why: 'kept', words: 'once', document: itemAt(sources, 0).profile }],
  [],
)
const inside = unzipSync(archive)

const base64Url = (bytes: Uint8Array): string => Buffer.from(bytes).toString('base64url')

function evilLink(image: Uint8Array): string {
  const body = spoilt(image.subarray(0, -4))
  const own = new ByteWriter()
  own.bytes(body)
  own.u32(imageChecksum(Uint8Array.of(...body, 0, 0, 0, 0)))
  const content = new ByteWriter()
  content.varint(own.toBytes().length)
  content.bytes(own.toBytes())
  content.u8(below(4))
  content.varint(0)
  const writer = new ByteWriter()
  writer.u8(1)
  writer.bytes(deflateBytes(random() < 0.2 ? spoilt(content.toBytes()) : content.toBytes()))
  writer.u32(crc32(writer.toBytes()))
  return base64Url(writer.toBytes())
}

const taken = (text: string): unknown => {
  const { profile } = readProfileFile(readJson(text))
  return parseProfile(JSON.parse(JSON.stringify(profile)))
}

const KINDS: Record<string, Kind> = {
  links: {
    make() {
      const { text, image } = itemAt(sources, below(sources.length))
      const link = random() < 0.5 ? new TextDecoder().decode(spoilt(strToU8(text))) : evilLink(image)
      return {
        run: () => {
          const { profile } = readShared(link)
          return parseProfile(JSON.parse(JSON.stringify(profile)))
        },
      }
    },
  },
  pictures: {
    make() {
      const { json } = itemAt(sources, below(sources.length))
      const within = random() < 0.5
      const text = within ? spoiltJson(json) : json
      const picture = random() < 0.5 ? embedInPng(PNG, text) : strToU8(embedInSvg(SVG, text))
      const bytes = within ? picture : spoilt(picture)
      return { run: () => taken(extractText(bytes)) }
    },
  },
  archives: {
    make() {
      let bytes = archive
      if (random() < 0.5) bytes = spoilt(archive) as Uint8Array<ArrayBuffer>
      else {
        const names = Object.keys(inside)
        const name = itemAt(names, below(names.length))
        const to =
          random() < 0.2
            ? itemAt(['../climbs.json', '/etc/x', 'profiles/__proto__.json', 'C:\\x'], below(4))
            : name
        const text = new TextDecoder().decode(inside[name])
        const content = name.endsWith('.json') ? spoiltJson(text) : text
        bytes = zipSync({ ...inside, [to]: strToU8(content) }, { level: 1 }) as Uint8Array<ArrayBuffer>
      }
      return {
        run: () => {
          for (const { profile } of readArchive(bytes).library.profiles)
            parseProfile(JSON.parse(JSON.stringify(profile)))
        },
      }
    },
  },
}

console.log('| | tried | refused | taken | wrong | longest, ms |')
console.log('| --- | --- | --- | --- | --- | --- |')
let wrong = 0
for (const [name, { make }] of Object.entries(KINDS)) {
  const count = Math.floor(COUNT / Object.keys(KINDS).length)
  let [refused, accepted, bad, longest] = [0, 0, 0, 0]
  for (let round = 0; round < count; round++) {
    const { run } = make()
    const start = process.cpuUsage()
    try {
      run()
      accepted++
    } catch (error) {
      if (error instanceof ProfileError && error.problems.length > 0) refused++
      else {
        bad++
        if (bad <= 5) console.error(name, round, error)
      }
    }
    // Processor time, so that other load of the machine does not count.
    const ms = process.cpuUsage(start).user / 1000
    if (ms > longest) longest = ms
    if (ms > MAX_MS) {
      bad++
      console.error(name, round, `took ${ms.toFixed(0)} ms`)
    }
  }
  wrong += bad
  console.log(`| ${name} | ${count} | ${refused} | ${accepted} | ${bad} | ${longest.toFixed(0)} |`)
}
process.exitCode = wrong > 0 ? 1 : 0

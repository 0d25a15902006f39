import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { brotliCompressSync, constants } from 'node:zlib'
import { slotCapacity } from '../src/core/device/lookups'
import type { DeviceModel } from '../src/core/device/model'
import { modelById } from '../src/core/device/models'
import { dunlin84 } from '../src/core/device/models/dunlin-84'
import { tern7 } from '../src/core/device/models/tern-7'
import { compileProfile } from '../src/core/compile/compile'
import { encodeImage, decodeImage } from '../src/core/onboard/format'
import { LinkSession } from '../src/core/link/session'
import { checkProfile } from '../src/core/checks/checks'
import { bindAll } from '../src/core/edits/edits'
import { setStep } from '../src/core/edits/motion-edits'
import { addLayer } from '../src/core/edits/layer-edits'
import { opBytes, writeMacro } from '../src/core/onboard/macro-code'
import type { MacroOp } from '../src/core/onboard/macro-ops'
import { lowerMacro, lowerUnfolded } from '../src/core/terms/lower-macro'
import { shelfOf } from '../src/core/document/macro'
import { macrosFromJson } from '../src/core/files/macro-json'
import { profileDocument, readProfileFile } from '../src/core/files/profile-file'
import type { Profile } from '../src/core/document/schema'
import { Clock } from '../src/firmware/clock'
import { SimulatedDevice } from '../src/firmware/device'
import { virtualTransport } from '../src/firmware/virtual-transport'
import { exceededLimits } from './bench-limits'
import { lightFrames, longRecording, medianMs, worstImages } from './bench-work'
import { bindingBesideBuild, inTheBrowser } from './bench-browser'
import { scriptsOf } from './first-view'

/** npm run bench: measures what the project promises and writes docs/performance.md. */
const lines: string[] = []
const say = (line = '') => {
  lines.push(line)
  console.log(line)
}

const profiles = readdirSync('demo/profiles').map(
  (file) => [file, readProfileFile(JSON.parse(readFileSync(`demo/profiles/${file}`, 'utf8')))] as const,
)

const demo = (name: string): Profile => {
  const found = profiles.find(([file]) => file === name)
  if (!found) throw new Error(`the demo has no ${name}`)
  return found[1].profile
}

const MACROS = macrosFromJson(readFileSync('demo/macros.json', 'utf8'))
const shelf = shelfOf(MACROS)

say('# Performance')
say()
say('Written by `npm run bench`. Virtual times are exact and the same on every machine; the one real time is')
say('given as a ratio. Limits are those of the issue that set them.')

function firstView(): void {
  const main = scriptsOf('index.html', ['DevicesView', 'demo'])
  const worker = scriptsOf('index.html', ['DevicesView', 'demo', 'worker']).filter(
    ({ file }) => !main.some((each) => each.file === file),
  )
  const sum = (list: { gzipBytes: number }[]) => list.reduce((total, { gzipBytes }) => total + gzipBytes, 0)
  const kib = (bytes: number) => `${(bytes / 1024).toFixed(1)} KiB`
  say()
  say('## JavaScript of the first view (Devices), gzipped')
  say()
  say('| what | size |')
  say('| --- | --- |')
  for (const { file, gzipBytes } of [...main, ...worker]) {
    say(`| ${file.replace(/-[\w-]{8}\.js$/, '')} | ${kib(gzipBytes)} |`)
  }
  say(`| the page (limit 290 KB) | ${kib(sum(main))}, ${sum(main)} bytes |`)
  say(
    `| the page and the worker with the simulated devices | ${kib(sum(main) + sum(worker))}, ${sum(main) + sum(worker)} bytes |`,
  )
}

function modelOf({ model }: Profile): DeviceModel {
  const found = modelById(model)
  if (!found) throw new Error(`no model ${model}`)
  return found
}

/** The parts of a profile that devices store, as compact JSON: no white space, no format and version. */
function minimalJson(profile: Profile): string {
  const { format: _format, version: _version, ...kept } = profile
  return JSON.stringify(kept)
}

function imageSizes(): void {
  say()
  say('## Image of each demo profile against its minimal JSON')
  say()
  say('| profile | JSON | brotli 11 | image | image / brotli |')
  say('| --- | --- | --- | --- | --- |')
  for (const [file, { profile, macros }] of profiles) {
    const json = Buffer.from(minimalJson(profileDocument(profile, shelfOf(macros))))
    const packed = brotliBytes(json)
    const image = compileProfile(profile, modelOf(profile), shelfOf(macros)).bytes.length
    say(`| ${file} | ${json.length} B | ${packed} B | ${image} B | ${(image / packed).toFixed(2)} |`)
  }
}

function brotliBytes(json: Buffer): number {
  const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: json.length }
  return brotliCompressSync(json, { params }).length
}

/** Possible keys and buttons, and delays of a human hand in ms: equally likely, for the lower bound. */
const LIKELY_KEYS = 112
const LIKELY_WAITS = 256

/**
 * The information of a sequence of presses, releases and delays in bits, if only the held keys are known: each press is
 * one of so many keys, each release one of the held ones, each delay one of so many.
 */
function boundBits(ops: readonly MacroOp[]): number {
  const down = new Set<string>()
  return ops.reduce((bits, op) => {
    if (op.kind === 'wait') return bits + Math.log2(Math.max(LIKELY_WAITS, op.ms))
    if (op.kind !== 'key' && op.kind !== 'button') return bits + 8 * opBytes(op)
    const what = op.kind === 'key' ? `key ${op.usage}` : `button ${op.button}`
    if (down.has(what)) {
      const choices = down.size
      down.delete(what)
      return bits + 1 + Math.log2(choices)
    }
    down.add(what)
    return bits + 1 + Math.log2(LIKELY_KEYS)
  }, 0)
}

function macroSizes(): void {
  say()
  say('## Byte code of macros')
  say()
  say(
    'The bound: one bit for press or release, each press one of 112 keys and buttons, each release one of those',
  )
  say(
    'that are down, each wait one of 256 ms or as many as it lasts; all equally likely, none predicted from what',
  )
  say(
    'came before; anything else counts with its bytes. Folding repeats can go below it. Brotli 11 packs the events as JSON with no spaces.',
  )
  say()
  say('| macro | events | bytes | bound | bytes / bound | JSON | brotli | bytes / brotli |')
  say('| --- | --- | --- | --- | --- | --- | --- | --- |')
  for (const macro of MACROS) {
    const { events, name } = macro
    const bytes = writeMacro(lowerMacro(macro, shelf, { layout: 'us' })).length
    const ops = lowerUnfolded(macro, shelf, { layout: 'us' })
    const bound = Math.ceil(boundBits(ops) / 8)
    const json = Buffer.from(JSON.stringify(events))
    const packed = brotliBytes(json)
    const ratio = (bytes / bound).toFixed(2)
    say(
      `| ${name} | ${events.length} | ${bytes} B | ${bound} B | ${ratio} | ${json.length} B | ${packed} B | ${(bytes / packed).toFixed(2)} |`,
    )
  }
}

/**
 * The minimum time of a write: every byte is sent once in full 63-byte reports and read back once, one report per
 * millisecond; all pages but the last are programmed during the transfer, the last page and the commit word after the
 * last byte, and the first report back is on its way meanwhile.
 */
function limitMs(sentBytes: number, imageBytes: number): number {
  const reports = Math.ceil(sentBytes / 63) + Math.ceil(imageBytes / 63)
  return reports + Math.max(0, (2 * tern7.memory.programUs) / 1000 - 1)
}

async function writeTimes(): Promise<void> {
  const base = demo('brinewatch.json')
  const small = compileProfile(base, tern7).bytes
  const changed = compileProfile(setStep(base, tern7, 0, { dpi: 450 }), tern7).bytes
  const differing = changed.filter((byte, index) => byte !== small[index]).length
  const full = fullImage(small)
  say()
  say('## Writing to a slot, on the virtual clock, read back and compared')
  say()
  say(
    'The limit: each byte to be sent once out in reports of 63, each byte of the image once back, a report a',
  )
  say(
    'millisecond; the last page and the commit word programmed between them, while the first report back is on',
  )
  say('its way; all other programming in the shadow of the link.')
  say()
  say('| write | bytes sent at least | takes | limit | ratio |')
  say('| --- | --- | --- | --- | --- |')
  const cases: [string, Uint8Array, Uint8Array | undefined, number][] = [
    [`a full slot, ${full.length} B`, full, undefined, full.length],
    [`brinewatch.json, ${small.length} B, into an empty slot`, small, undefined, small.length],
    ['the same with one step changed', changed, small, differing],
  ]
  for (const [name, image, held, sent] of cases) {
    const ms = await timeWrite(image, held)
    const limit = limitMs(sent, image.length)
    say(`| ${name} | ${sent} | ${ms.toFixed(1)} ms | ${limit.toFixed(1)} ms | ${(ms / limit).toFixed(2)} |`)
  }
}

/** An image that fills its slot to the last byte, with an unknown section. */
function fullImage(small: Uint8Array): Uint8Array {
  const image = decodeImage(small)
  const room = slotCapacity(tern7.memory) - small.length - 3
  const payload = Uint8Array.from({ length: room }, (_, index) => (index * 197 + (index >> 3)) & 0xff)
  return encodeImage({ ...image, unknown: [{ type: 0x7f, payload }] }).bytes
}

async function timeWrite(image: Uint8Array, held: Uint8Array | undefined): Promise<number> {
  const clock = new Clock()
  const device = new SimulatedDevice({ model: tern7, clock })
  device.setPlugs({ cable: 'data' })
  const session = new LinkSession(virtualTransport(clock, device))
  if (held) await session.writeSlot(0, held, undefined)
  // As in use: the log is open and tidy before a write.
  else await session.writeSlot(1, compileProfile(demo('gantry-run.json'), tern7, shelf).bytes, undefined)
  clock.runUntil(clock.nowUs + 2e6)
  const startUs = clock.nowUs
  await session.writeSlot(0, image, held)
  return (clock.nowUs - startUs) / 1000
}

/** A keyboard with bindings on all keys of all layers: more than anyone has. */
function crowded(): Profile {
  const layered = ['Winch', 'Bridge', 'Deck', 'Hold'].reduce(addLayer, demo('dunlin-brinewatch.json'))
  const cells = layered.layers.flatMap((_, layer) =>
    dunlin84.inputs.map((input, index) => ({
      layer,
      input: input.id,
      put: { action: { kind: 'text' as const, text: `order ${index}` }, name: `Order ${layer} ${index}` },
    })),
  )
  return bindAll(layered, dunlin84, cells)
}

function liveChecks(): void {
  say()
  say('## Checks and compiling, at every edit')
  say()
  say('Median of 200 runs in Node after warming up. Above 4 ms they would have to leave the main thread.')
  say()
  say('| profile | cells bound | checks | checks and image |')
  say('| --- | --- | --- | --- |')
  const cases: [string, Profile][] = [
    ['brinewatch.json', demo('brinewatch.json')],
    ['dunlin-brinewatch.json', demo('dunlin-brinewatch.json')],
    ['every input of Dunlin 84 on seven layers', crowded()],
  ]
  for (const [name, profile] of cases) {
    const model = modelOf(profile)
    const bound = profile.layers.reduce((sum, { bindings }) => sum + Object.keys(bindings).length, 0)
    // A new document each time, as an edit creates it, so that no cached results help.
    const checks = medianMs(() => checkProfile({ ...profile }, model))
    const whole = medianMs(() => compileProfile({ ...profile }, model))
    say(`| ${name} | ${bound} | ${checks.toFixed(2)} ms | ${whole.toFixed(2)} ms |`)
  }
}

function hourOfPlay(): void {
  const clock = new Clock()
  let reports = 0
  const device = new SimulatedDevice({ model: tern7, clock, events: { report: () => void reports++ } })
  device.setPlugs({ receiver: true })
  const start = performance.now()
  for (let ms = 0; ms < 3_600_000; ms++) {
    if (ms % 100 === 0) device.press('left')
    else if (ms % 100 === 50) device.release('left')
    device.move(0.05, (ms % 7) * 0.01)
    clock.runUntil((ms + 1) * 1000)
    // Sixty light frames per second, as for someone watching.
    if (ms % 17 === 0) device.lights()
  }
  const seconds = (performance.now() - start) / 1000
  say()
  say('## An hour of play in Node')
  say()
  say(
    `Ten presses a second, motion at 1,000 Hz, light frames at 60 Hz: ${reports.toLocaleString('en')} reports,`,
  )
  say(
    `${(3600 / seconds).toFixed(0)} × faster than real time on the machine this was written on (limit 200 ×).`,
  )
}

/** Ends the run, with exit code 1 if a limit was exceeded. */
function endWithLimits(): never {
  const exceeded = exceededLimits()
  if (exceeded) console.error(`\nLimits exceeded:\n${exceeded}`)
  process.exit(exceeded ? 1 : 0)
}

if (!existsSync('dist/index.html'))
  execFileSync('npx', ['vite', 'build', '--logLevel', 'warn'], { stdio: 'inherit' })
const [, , part, folder] = process.argv
if (part === 'binding' && folder) {
  // npm run bench -- binding FOLDER: compares with the build of another checkout.
  await bindingBesideBuild(folder, (line = '') => console.log(line))
  process.exit(0)
}
if (part === 'drawn' || part === 'library' || part === 'edits') {
  // npm run bench -- drawn, library or edits: only this part, without writing the page.
  await inTheBrowser((line = '') => console.log(line), part)
  endWithLimits()
}
firstView()
imageSizes()
macroSizes()
await writeTimes()
liveChecks()
hourOfPlay()
longRecording(say)
worstImages(say, shelf)
lightFrames(say)
await inTheBrowser(say)
writeFileSync('docs/performance.md', `${lines.join('\n')}\n`)
endWithLimits()

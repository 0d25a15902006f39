import { englishText } from '../messages/plain'
import { parseArgs } from 'node:util'
import { DEVICE_MODELS, modelById } from '../core/device/models'
import { deviceModelSchema } from '../core/device/schema'
import { slotCapacity } from '../core/device/lookups'
import { reportDescriptor } from '../core/hid/descriptor'
import { ImageError } from '../core/base/bytes'
import { setLogText } from '../core/base/errors'
import { CompileError, compileProfile } from '../core/compile/compile'
import { decompileImage, decompileMacros } from '../core/compile/decompile'
import { LAYOUTS, type LayoutId } from '../core/computer/layouts'
import { OPERATING_SYSTEMS } from '../core/computer/operating-systems'
import { EMPTY_SHELF, shelfOf } from '../core/document/macro'
import { profileDocument } from '../core/files/profile-file'
import { findingMessage, type Finding } from '../core/checks/checks'
import { shareLink, shareText } from '../core/share/link'
import { CliError } from './failure'
import { firmwareReport } from './firmware'
import { framesCsv, framesPng, lightFrames } from './light'
import { macroReport } from './macro'
import {
  readSharedProfile,
  readFirmware,
  readImage,
  readLibraryArchive,
  readMacros,
  readProfile,
  readRules,
  readText,
  writeFile,
  writeImage,
} from './files'
import { play } from './play'
import { toPrintable } from './printable'
import { followPrograms } from './rules'
import { parseScript } from './script'

setLogText(englishText)

const USAGE = `unisera: the core of Unisera at a shell
  models                                list device models
  descriptor MODEL                      its HID report descriptor, hex
  check PROFILE.json                    findings, one a line; exit 1 when one is an error
  compile PROFILE.json -o IMAGE.hex     Intel HEX (or .bin); prints bytes by section
  decompile IMAGE.hex -o PROFILE.json   back to a profile
  play IMAGE.hex SCRIPT [--text] [--os ${OPERATING_SYSTEMS.join('|')}] [--layout ${LAYOUTS.map(({ id }) => id).join('|')}]
                                        runs the firmware; a JSON line a report, or with --text what such a
                                        computer types, and a line for each thing it opens
  light IMAGE.hex [SCRIPT] [--from MS] [--to MS] [--fps N] [--over cable|receiver|bluetooth] [--charge PERCENT] [-o FRAMES.csv|STRIP.png]
                                        the frames its lights show: a line each, or a picture; then mA and hours
  share PROFILE.json [--origin URL]     the profile as a link
  open LINK|PICTURE.png|PICTURE.svg|LIBRARY.zip [-o FILE.json]
                                        the profile a link or a picture carries, or the library of an archive
  rules RULES.json                      reads names of programs from standard input, a line each, and prints what a
                                        helper would send: program, rule, model, slot, feature report in hex
  macro MACROS.json [--layout …]        what each macro of a .json or .csv file comes to
  firmware FILE.unfw                    what a firmware file is and can do; exit 1 where its signature is not the maker's`

type Options = Record<string, string | boolean | undefined>
type Command = (operands: string[], options: Options) => number | Promise<number>

const commands: Record<string, Command | undefined> = {
  firmware([file = '']) {
    const { lines, signed } = firmwareReport(readFirmware(file))
    lines.forEach(print)
    return signed ? 0 : 1
  },

  models() {
    for (const model of DEVICE_MODELS) {
      deviceModelSchema.validateSync(model, { strict: true })
      const slots = `${model.memory.slots} slots of ${slotCapacity(model.memory)} B`
      print(`${model.id}\t${model.maker} ${model.name}\t${model.inputs.length} inputs\t${slots}`)
    }
    return 0
  },

  descriptor([id = '']) {
    if (!modelById(id))
      throw new CliError(`no device model "${id}"; there are ${DEVICE_MODELS.map((m) => m.id).join(', ')}`)
    print(Buffer.from(reportDescriptor()).toString('hex'))
    return 0
  },

  check([file = '']) {
    const { profile, model, macros } = readProfile(file)
    const findings = compiledFindings(() => compileProfile(profile, model, macros).findings)
    for (const finding of findings)
      print(`${finding.severity}\t${finding.rule}\t${englishText(findingMessage(finding))}`)
    return findings.some(({ severity }) => severity === 'error') ? 1 : 0
  },

  compile([file = ''], { output }) {
    const { profile, model, macros } = readProfile(file)
    try {
      const { bytes, budget, findings } = compileProfile(profile, model, macros)
      const tooLarge = findings.find(({ rule }) => rule === 'size')
      if (tooLarge) throw new CliError(`${file}: ${englishText(findingMessage(tooLarge))}`)
      writeImage(outputFile(output), bytes)
      for (const part of budget) print(`${part.kind}\t${part.bytes}`)
      print(`total\t${bytes.length}`)
      return 0
    } catch (error) {
      if (error instanceof CompileError) {
        const errors = error.findings.filter(({ severity }) => severity === 'error')
        throw new CliError(
          errors.map((finding) => `${file}: ${englishText(findingMessage(finding))}`).join('\n'),
        )
      }
      throw error
    }
  },

  decompile([file = ''], { output }) {
    const { bytes, model } = readImage(file)
    try {
      const macros = shelfOf(decompileMacros(bytes, EMPTY_SHELF))
      const document = profileDocument(decompileImage(bytes, model, macros), macros)
      writeFile(outputFile(output), `${JSON.stringify(document, null, 2)}\n`)
    } catch (error) {
      if (error instanceof ImageError) throw new CliError(`${file}: ${error.message}`)
      throw error
    }
    return 0
  },

  share([file = ''], { origin = 'http://localhost:4173' }) {
    const { profile, model, macros } = readProfile(file)
    try {
      print(shareLink(String(origin), shareText(profile, model, macros)))
      return 0
    } catch (error) {
      if (error instanceof CompileError)
        throw new CliError(
          error.findings.map((finding) => `${file}: ${englishText(findingMessage(finding))}`).join('\n'),
        )
      throw error
    }
  },

  open([what = ''], { output }) {
    const text = `${JSON.stringify(opened(what), null, 2)}\n`
    if (output === undefined) process.stdout.write(toPrintable(text))
    else writeFile(outputFile(output), text)
    return 0
  },

  macro([file = ''], { layout = 'us' }) {
    for (const line of macroReport(readMacros(file), layoutOf(layout))) print(line)
    return 0
  },

  async rules([file = '']) {
    await followPrograms(readRules(file), process.stdin, print)
    return 0
  },

  async light([file = '', scriptFile], options) {
    const { bytes, model } = readImage(file)
    const script = scriptFile === undefined ? [] : parseScript(readText(scriptFile), scriptFile, model)
    const over = model.connections.find(({ id }) => id === (options.over ?? 'cable'))?.id
    if (!over)
      throw new CliError(
        `${model.name} has no connection "${String(options.over)}"; there are ${model.connections.map(({ id }) => id).join(', ')}`,
      )
    const fromMs = numberIn(options, 'from', 0, 0, 600_000)
    const found = await lightFrames(bytes, model, script, {
      fromMs,
      toMs: numberIn(options, 'to', fromMs + 4000, fromMs, fromMs + 600_000),
      fps: numberIn(options, 'fps', 60, 1, 240),
      over,
      chargePercent: numberIn(options, 'charge', 100, 1, 100),
    })
    const { output } = options
    if (output === undefined) process.stdout.write(framesCsv(found))
    else if (typeof output === 'string' && output.endsWith('.csv')) writeFile(output, framesCsv(found))
    else if (typeof output === 'string' && output.endsWith('.png')) writeFile(output, framesPng(found))
    else throw new CliError(`"${String(output)}" must end in .csv or .png`)
    const { meanMa, peakMa, hours } = found
    console.error(
      `mean ${meanMa.toFixed(2)} mA, peak ${peakMa.toFixed(2)} mA${hours === undefined ? '' : `, ${hours.toFixed(1)} h at rest`}`,
    )
    return 0
  },

  async play([file = '', scriptFile = ''], { text, os = 'windows', layout = 'us' }) {
    const known = layoutOf(layout)
    const system = OPERATING_SYSTEMS.find((each) => each === os)
    if (!system)
      throw new CliError(`no operating system "${String(os)}"; there are ${OPERATING_SYSTEMS.join(', ')}`)
    const { bytes, model } = readImage(file)
    const script = parseScript(readText(scriptFile), scriptFile, model)
    const played = await play(bytes, model, script, { system, layout: known })
    if (text) {
      process.stdout.write(played.text)
      for (const target of played.opened) print(`opened ${target}`)
    } else for (const report of played.reports) print(JSON.stringify(report))
    return 0
  },
}

/** The document in a file; unreadable parts of an archive are listed. */
function opened(what: string): unknown {
  if (!/\.zip$/i.test(what)) {
    const { profile, macros } = readSharedProfile(what)
    return profileDocument(profile, shelfOf(macros))
  }
  const { library, broken } = readLibraryArchive(what)
  for (const { name, problems } of broken)
    console.error(`${what}, ${name}: ${problems.map(englishText).join('; ')}`)
  return library
}

function compiledFindings(compile: () => Finding[]): Finding[] {
  try {
    return compile()
  } catch (error) {
    if (error instanceof CompileError) return error.findings
    throw error
  }
}

function layoutOf(layout: Options[string]): LayoutId {
  const known = LAYOUTS.find(({ id }) => id === layout)
  if (known) return known.id
  const there = LAYOUTS.map(({ id }) => id).join(', ')
  throw new CliError(`no keyboard layout "${String(layout)}"; there are ${there}`)
}

/** A number from the options. @throws Refused for an invalid number, or one out of bounds */
function numberIn(options: Options, name: string, defaultValue: number, min: number, max: number): number {
  const given = options[name]
  if (given === undefined) return defaultValue
  const value = Number(given)
  if (given === '' || !Number.isFinite(value) || value < min || value > max)
    throw new CliError(`--${name} ${String(given)}: expected a number from ${min} to ${max}`)
  return value
}

function outputFile(output: Options[string]): string {
  if (typeof output !== 'string') throw new CliError('add -o FILE to name the output')
  return output
}

const print = (line: string): void => console.log(toPrintable(line))

async function run(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      output: { type: 'string', short: 'o' },
      text: { type: 'boolean' },
      os: { type: 'string' },
      layout: { type: 'string' },
      from: { type: 'string' },
      to: { type: 'string' },
      fps: { type: 'string' },
      over: { type: 'string' },
      charge: { type: 'string' },
      origin: { type: 'string' },
      help: { type: 'boolean', short: 'h' },
    },
  })
  const [name, ...operands] = positionals
  const command = commands[name ?? '']
  if (values.help || !name) {
    print(USAGE)
    return 0
  }
  if (!command) throw new CliError(`"${name}" is not a command\n${USAGE}`)
  return command(operands, values)
}

run().then(
  (code) => (process.exitCode = code),
  (error: unknown) => {
    const known = error instanceof CliError || (error instanceof TypeError && 'code' in error)
    console.error(known ? toPrintable(error.message) : error)
    process.exitCode = 2
  },
)

import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { firstItems, itemAt } from '../core/base/items'
import { modelById } from '../core/device/models'
import { tern7 } from '../core/device/models/tern-7'
import { ImageError } from '../core/base/bytes'
import { compileProfile } from '../core/compile/compile'
import { firmwareToSign, readFirmwareFile } from '../core/onboard/firmware-file'
import { fromIntelHex, toIntelHex } from '../core/onboard/intel-hex'
import { shelfOf } from '../core/document/macro'
import type { DeviceSettings } from '../core/onboard/settings'
import { setSettings, setStep } from '../core/edits/motion-edits'
import { readProfileFile } from '../core/files/profile-file'
import { factoryProfile } from '../core/terms/profile'
import type { LibraryFile } from '../core/files/library-file'
import { packArchive } from '../core/share/archive'
import { parseProfile } from '../core/document/schema'
import { play } from './play'
import { parseScript } from './script'

const folder = mkdtempSync(join(tmpdir(), 'unisera-'))
const shell = (...words: string[]) =>
  spawnSync('node', ['scripts/unisera.mjs', ...words], { encoding: 'utf8' })
/** The first run builds the program; the others reuse it. */
beforeAll(() => expect(shell('models').status).toBe(0), 60_000)

describe('the command line', () => {
  it('takes a profile to an image and back, and plays it', () => {
    const [image, back, script] = firstItems(
      ['a.hex', 'b.json', 'c.script'].map((name) => join(folder, name)),
      3,
    )
    const source = 'demo/profiles/brinewatch.json'
    expect(shell('compile', source, '-o', image).stdout).toMatch(
      /^system\t\d+\nbindings\t\d+\n.*\ntotal\t\d+\n$/s,
    )
    expect(shell('decompile', image, '-o', back).status).toBe(0)
    // Notes and tags stay in the library; everything else is on the device.
    const withoutNotes = JSON.parse(readFileSync(source, 'utf8'), (key: string, value: unknown) =>
      key === 'note' ? undefined : value,
    ) as object
    expect(parseProfile(JSON.parse(readFileSync(back, 'utf8')))).toEqual({ ...withoutNotes, tags: [] })
    const link = shell('share', source).stdout.trim()
    expect(link).toMatch(/^http:\/\/localhost:4173\/open#[\w-]+$/)
    expect(parseProfile(JSON.parse(shell('open', link).stdout))).toEqual(withoutNotes)
    expect(shell('open', link.slice(0, -3))).toMatchObject({ status: 2 })
    const archive = join(folder, 'all.zip')
    const profile = parseProfile(withoutNotes)
    const library: LibraryFile = {
      format: 'unisera-library',
      version: 1,
      profiles: [{ slot: 1, profile }],
      macros: [],
      sessions: [],
      palettes: [],
      programs: [],
    }
    writeFileSync(archive, packArchive(library, [], []))
    expect(JSON.parse(shell('open', archive).stdout)).toEqual(library)
    writeFileSync(archive, 'PK no archive')
    expect(shell('open', archive)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/all\.zip: Not a ZIP archive/),
    })
    writeFileSync(script, '0 press side-front # ballast\n10 release side-front\n50 move 25.4 0\n')
    expect(shell('play', image, script, '--text').stdout).toBe('y')
    const reports = shell('play', image, script)
      .stdout.trim()
      .split('\n')
      .map((line) => JSON.parse(line) as object)
    expect(reports[0]).toMatchObject({ timeUs: 0, report: 2 })
    expect(reports[2]).toMatchObject({ timeUs: 50_000, report: 1, hex: '0100200300000000' })
  })

  it('exits 1 on a finding that is an error and 2 on what it cannot read, with file, line and reason', () => {
    const wrong = join(folder, 'wrong.json')
    writeFileSync(
      wrong,
      JSON.stringify({
        ...factoryProfile(tern7, 'x'),
        steps: [{ dpi: 51, colour: '#ffffff' }],
        defaultStep: 0,
      }),
    )
    expect(shell('check', wrong)).toMatchObject({
      status: 1,
      stdout: expect.stringMatching(/error\tstep\t.*multiple of 50 DPI/),
    })
    writeFileSync(wrong, '{"format": "something"')
    expect(shell('check', wrong)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/wrong\.json: not JSON/),
    })
    writeFileSync(join(folder, 'noise.hex'), ':0011')
    expect(shell('decompile', join(folder, 'noise.hex'), '-o', wrong)).toMatchObject({ status: 2 })
    expect(shell('fly').stderr).toMatch(/"fly" is not a command/)
  })
})

describe('macros at the shell', () => {
  it('are told what they come to', () => {
    const { stdout, status } = shell('macro', 'demo/macros.json')
    expect(status).toBe(0)
    // Twenty key events with human timing, within 64 bytes.
    const [, tanks] = /macro\tBlow tanks\nevents\t21\nlength\t1197 ms\nbytes\t(\d+)\n/.exec(stdout) ?? []
    expect(Number(tanks)).toBeLessThanOrEqual(64)
    expect(stdout).toMatch(/macro\tFast clicks\n.*\nleft down\tnothing\nshortest gap\t10 ms\n/s)
  })

  it('are played by a device that was given a profile with them', () => {
    const [image, script] = firstItems(
      ['gantry.hex', 'gantry.script'].map((name) => join(folder, name)),
      2,
    )
    expect(shell('compile', 'demo/profiles/gantry-run.json', '-o', image).stdout).toMatch(/macros\t\d\d\n/)
    writeFileSync(script, '0 press under-wheel\n20 release under-wheel\n700 run-until\n')
    expect(shell('play', image, script, '--text').stdout).toBe('q  ')
  })

  it('are refused with the row', () => {
    const file = join(folder, 'm.csv')
    writeFileSync(
      file,
      'macro,wait ms,does,what\nSweep,0,press,KeyQ\nSweep,soon,release,KeyQ\nSweep,0,jump,x\n',
    )
    const { stderr, status } = shell('macro', file)
    expect(status).toBe(2)
    expect(stderr).toMatch(
      /m\.csv: row 3: wait ms: “soon” is not an integer\n.*row 4: does: “jump” is not one/,
    )
  })
})

describe('what each command refuses', () => {
  const image = join(folder, 'image.bin')
  it('writes and reads an image as it is, under .bin', () => {
    expect(shell('compile', 'demo/profiles/gantry-run.json', '-o', image).status).toBe(0)
    const { profile, macros } = readProfileFile(
      JSON.parse(readFileSync('demo/profiles/gantry-run.json', 'utf8')),
    )
    const { bytes } = compileProfile(profile, tern7, shelfOf(macros))
    expect(new Uint8Array(readFileSync(image))).toEqual(bytes)
    // The macro returns with its profile, and produces the same image.
    const back = join(folder, 'gantry.json')
    expect(shell('decompile', image, '-o', back).status).toBe(0)
    expect(shell('compile', back, '-o', image).status).toBe(0)
    expect(new Uint8Array(readFileSync(image))).toEqual(bytes)
  })

  it.each<[string, string[], RegExp]>([
    ['a model nobody knows', ['descriptor', 'heron-9'], /no device model "heron-9"; there are tern-7/],
    ['a file that is not there', ['check', 'nowhere.json'], /nowhere\.json: ENOENT/],
    ['no place to write to', ['compile', 'demo/profiles/gantry-run.json'], /-o FILE/],
    [
      'an image that is neither .hex nor .bin',
      ['compile', 'demo/profiles/gantry-run.json', '-o', 'x.txt'],
      /\.hex or \.bin/,
    ],
    [
      'a folder that is not there',
      ['compile', 'demo/profiles/gantry-run.json', '-o', '/nowhere/x.hex'],
      /ENOENT/,
    ],
    [
      'a file that is not an image',
      ['decompile', 'LICENSE', '-o', 'x.json'],
      /Not an image: it does not start with/,
    ],
    ['a layout that is not there', ['play', 'x.hex', 'y', '--layout', 'moon'], /no keyboard layout/],
    ['a system nobody runs', ['play', 'x.hex', 'y', '--os', 'abacus'], /no operating system/],
    ['an option that is none', ['check', 'x', '--fast'], /Unknown option/],
  ])('%s', (_, words, reason) => {
    expect(shell(...words)).toMatchObject({ status: 2, stdout: '', stderr: expect.stringMatching(reason) })
  })

  it('helps when nothing is asked', () => {
    expect(shell()).toMatchObject({ status: 0, stdout: expect.stringMatching(/decompile IMAGE\.hex/) })
    expect(shell('models').stdout).toMatch(/^tern-7\tSaltmarsh Tern 7\t9 inputs/)
  })
})

describe('scripts', () => {
  it.each([
    ['1 press left\n0 release left', /s:2: the time is before the line above/],
    ['0 press nose', /s:1: there is no input "nose" to press; choose from left, right/],
    ['0 turn left 1', /no input "left" to turn/],
    ['0 move 1', /move takes 2 words/],
    ['soon press left', /"soon" is not a time/],
    ['0 fly', /"fly" is not press/],
  ])('refuses %j', (text, reason) => {
    expect(() => parseScript(text, 's', tern7)).toThrow(reason)
  })

  it('give the same reports every time', async () => {
    const { bytes } = compileProfile(factoryProfile(tern7, 'x'), tern7)
    const script = parseScript('0 press left\n3.5 move 1 1\n4 release left\n9 turn wheel-up 3', 's', tern7)
    const computer = { system: 'windows', layout: 'us' } as const
    expect(await play(bytes, tern7, script, computer)).toEqual(await play(bytes, tern7, script, computer))
  })
})

describe('files', () => {
  // The records shown in Intel's Hexadecimal Object File Format Specification, revision A, and its checksums.
  it('reads Intel HEX as published, and refuses a wrong checksum', () => {
    const published =
      ':10010000214601360121470136007EFE09D2190140\n:100110002146017E17C20001FF5F16002148011928\n:00000001FF\n'
    const bytes = fromIntelHex(published)
    expect(bytes.length).toBe(32)
    expect(Buffer.from(bytes.subarray(0, 4)).toString('hex')).toBe('21460136')
    expect(() => fromIntelHex(published.replace('D2190140', 'D2190141'))).toThrow(ImageError)
    expect(() => fromIntelHex('')).toThrow(ImageError)
  })

  it('bring any bytes through Intel HEX, and survive any text', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1, maxLength: 600 }), (bytes) => {
        expect(fromIntelHex(toIntelHex(bytes))).toEqual(bytes)
      }),
    )
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(() => fromIntelHex(`:${text}`)).toThrow(ImageError)
      }),
    )
  })

  it('of the demo are whole and pass the checks', () => {
    for (const file of readdirSync('demo/profiles')) {
      const { profile, macros } = readProfileFile(
        JSON.parse(readFileSync(join('demo/profiles', file), 'utf8')),
      )
      const model = modelById(profile.model)
      if (!model) throw new Error(`${file} is for no model`)
      const { findings } = compileProfile(profile, model, shelfOf(macros))
      expect(findings.filter(({ severity }) => severity === 'error')).toEqual([])
    }
  })
})

describe('hands in a script', () => {
  const reportsOf = async (settings: DeviceSettings, script: string) => {
    const profile = setSettings(setStep(factoryProfile(tern7, 'x'), tern7, 1, { dpi: 1000 }), tern7, settings)
    const { bytes } = compileProfile(profile, tern7)
    const { reports } = await play(bytes, tern7, parseScript(script, 'x', tern7), {
      system: 'windows',
      layout: 'us',
    })
    return reports.map(({ timeUs, hex }) => ({ ms: timeUs / 1000, hex: Buffer.from(hex, 'hex') }))
  }
  const presses = (reports: { hex: Buffer }[]) =>
    reports.filter(({ hex }, index) => hex[1] === 1 && reports[index - 1]?.hex[1] !== 1).length
  const travelled = (reports: { hex: Buffer }[]) =>
    reports.reduce(([x = 0, y = 0], { hex }) => [x + hex.readInt16LE(2), y + hex.readInt16LE(4)], [0, 0])

  it('bounce a contact, and the profile’s debounce decides what comes of it', async () => {
    const bouncing = '0 contact left bounces 0.3 0.8 30 36\n80 contact left bounces 0.4 0.9\n150 run-until'
    expect(presses(await reportsOf({ debounceMs: 2 }, bouncing))).toBe(2)
    expect(presses(await reportsOf({ debounceMs: 10, debounce: 'deferred' }, bouncing))).toBe(1)
  })

  it('lift the mouse and lay it elsewhere, and lift-off and snapping are as set', async () => {
    const lifted = '0 move 25.4 0\n20 lift 1.5\n30 move -25.4 0\n60 lift 0\n70 move 25.4 0'
    expect(travelled(await reportsOf({ liftOffMm: 1 }, lifted))).toEqual([2000, 0])
    expect(travelled(await reportsOf({ liftOffMm: 2 }, lifted))).toEqual([1000, 0])
    const stroke = Array.from({ length: 60 }, (_, at) => `${at * 2} move 1 0.05`).join('\n')
    expect(travelled(await reportsOf({}, stroke))[1]).toBeGreaterThan(100)
    expect(travelled(await reportsOf({ angleSnapping: true }, stroke))[1]).toBe(0)
    const lost = travelled(await reportsOf({}, `0 surface glass\n${stroke}`))[0]
    expect(lost).toBeLessThan(itemAt(travelled(await reportsOf({}, stroke)), 0) / 1.3)
  })

  it('are refused with their line', () => {
    for (const [line, reason] of [
      ['0 lift -1', /x:1: a lift must be 0/],
      ['0 surface water', /not a surface; choose from cloth/],
      ['0 contact left', /contact INPUT bounces/],
      ['0 contact left bounces 3 2', /must increase/],
      ['0 contact nose bounces 1', /no input "nose" to press/],
    ] as const)
      expect(() => parseScript(line, 'x', tern7)).toThrow(reason)
  })
})

describe('light at the shell', () => {
  it('is a row a frame, a picture, or a refusal with its reason', () => {
    const image = 'docs/vectors/light/brinewatch.hex'
    const lines = shell('light', image, '--to', '100', '--fps', '20')
    const rows = lines.stdout.trim().split('\n')
    expect(rows.map((row) => Number(row.split(',')[0]))).toEqual([0, 50, 100])
    expect(itemAt(rows, 0).split(',')).toHaveLength(1 + 3 * 8)
    expect(lines.stderr).toMatch(/^mean [\d.]+ mA, peak [\d.]+ mA, [\d.]+ h at rest/)
    const picture = join(folder, 'strip.png')
    expect(shell('light', image, '--to', '500', '-o', picture).status).toBe(0)
    const png = readFileSync(picture)
    expect([...png.subarray(1, 4)]).toEqual([...Buffer.from('PNG')])
    // Thirty-one frames, eight lights of eight rows.
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([31, 64])
    const refused = shell('light', image, '--fps', 'many')
    expect([refused.status, refused.stderr.trim()]).toEqual([
      2,
      '--fps many: expected a number from 1 to 240',
    ])
    expect(shell('light', image, '--over', 'wire').stderr).toMatch(/no connection "wire"; there are cable/)
  })

  it('says what a helper would send for each program that comes to the front', () => {
    const programs = 'C:\\Games\\Brinewatch.exe\n\ngantry run\nStavewright\nelse\n'
    const { stdout, status } = spawnSync(
      'node',
      ['--import', 'tsx', 'src/cli/main.ts', 'rules', 'demo/rules.json'],
      { encoding: 'utf8', input: programs },
    )
    const lines = stdout.trimEnd().split('\n')
    expect(lines.map((line) => line.split('\t').slice(1, 4).join(' '))).toEqual([
      'rule 1 tern-7 slot 1',
      'rule 1 dunlin-84 slot 1',
      'rule 2 tern-7 slot 2',
      'rule 3 tern-7 slot 3',
      'rule 3 dunlin-84 slot 2',
      'no rule no report is sent',
    ])
    // Report, sequence number, command, slot; then zeros up to 64 bytes.
    expect(itemAt(lines, 2).split('\t')[4]).toBe(`10032001${'00'.repeat(60)}`)
    expect(status).toBe(0)
    expect(shell('rules', 'package.json')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/package\.json: /),
    })
  })
})

describe('firmware files', () => {
  const file = 'public/firmware/tern-7-1.1.0.unfw'

  it('are told what they are, and refused where they are not the maker’s', () => {
    const { stdout, status } = shell('firmware', file)
    expect(status).toBe(0)
    expect(stdout).toMatch(/^model\tSaltmarsh Tern 7\nversion\t1\.1\.0\n/)
    expect(stdout).toMatch(/effects\t.*sweep/)
    const changed = readFileSync(file)
    changed[changed.length - 1] = itemAt(changed, changed.length - 1) ^ 1
    const other = join(folder, 'changed.unfw')
    writeFileSync(other, changed)
    expect(shell('firmware', other)).toMatchObject({
      status: 1,
      stdout: expect.stringMatching(/not of the maker/) as string,
    })
    // Every line is marked, so that file notes cannot pass for output of this program; no control characters reach the
    // terminal.
    const forged = firmwareToSign({
      model: 1,
      version: { major: 1, minor: 1, patch: 0 },
      notes: 'Fine.\rsignature\tof Saltmarsh\n\u001b[2J\u001b]0;owned\u0007\u009b1m\u202egpj',
      payload: readFirmwareFile(readFileSync(file)).payload,
    })
    writeFileSync(other, Uint8Array.from([...forged, ...new Uint8Array(64)]))
    const { stdout: told } = shell('firmware', other)
    for (const line of told.trimEnd().split('\n')) expect(line).toMatch(/^UNVERIFIED\t/)
    expect(told).toMatch(/^UNVERIFIED\tnotes\tsignature/m)
    expect(told).not.toMatch(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202e]/)
    expect(told).toContain('\\u{1b}[2J')
    writeFileSync(other, changed.subarray(0, 100))
    expect(shell('firmware', other)).toMatchObject({ status: 2 })
  })

  it.each(readdirSync('public/firmware').filter((name) => name.endsWith('.unfw')))(
    '%s is signed as another program sees it',
    (name) => {
      const bytes = readFileSync(join('public/firmware', name))
      const model = modelById(name.replace(/-\d+\.\d+\.\d+\.unfw$/, ''))
      const paths = ['key.pem', 'signed', 'signature'].map((each) => join(folder, each))
      const der = Buffer.from(`302a300506032b6570032100${model?.firmwareKey}`, 'hex').toString('base64')
      writeFileSync(itemAt(paths, 0), `-----BEGIN PUBLIC KEY-----\n${der}\n-----END PUBLIC KEY-----\n`)
      writeFileSync(itemAt(paths, 1), bytes.subarray(0, -64))
      writeFileSync(itemAt(paths, 2), bytes.subarray(-64))
      const words = [
        'pkeyutl',
        '-verify',
        '-pubin',
        '-inkey',
        itemAt(paths, 0),
        '-rawin',
        '-in',
        itemAt(paths, 1),
        '-sigfile',
        itemAt(paths, 2),
      ]
      const { stdout, status } = spawnSync('openssl', words, { encoding: 'utf8' })
      expect(stdout).toContain('Verified Successfully')
      expect(status).toBe(0)
    },
  )
})

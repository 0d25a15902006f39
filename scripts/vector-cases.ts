import { tern7 } from '../src/core/device/models/tern-7'
import { ByteWriter } from '../src/core/base/bytes'
import { crc32 } from '../src/core/base/crc32'
import { LIGHT_CASES } from './vector-light'
import { tag, type Case, type Section } from './vector-parts'

/** The images of docs/vectors, built by hand: the writer that they test made none of them. */

/** Bytes of numbers and of texts in UTF-8. */
const bytesOf = (parts: readonly (number | string)[]): number[] =>
  parts.flatMap((part) => (typeof part === 'number' ? [part] : [...new TextEncoder().encode(part)]))

interface Header {
  magic?: number
  version?: number
  minor?: number
  model?: number
  /** Added to the length in the header. */
  longer?: number
}

/** An image built by hand, as any writer might. */
export function imageOf(sections: readonly Section[], header: Header = {}): Uint8Array {
  const body = new ByteWriter()
  for (const [type, payload] of sections) {
    const bytes = bytesOf(payload)
    body.u8(type)
    body.varint(bytes.length)
    body.bytes(bytes)
  }
  return whole(body.toBytes(), header)
}

function whole(body: Uint8Array, { magic, version, minor, model, longer }: Header = {}): Uint8Array {
  const writer = new ByteWriter()
  writer.u16(magic ?? 0x5355)
  writer.bytes([version ?? 1, minor ?? 0])
  writer.u16(model ?? tern7.number)
  writer.u16(body.length + 12 + (longer ?? 0))
  writer.bytes(body)
  writer.u32(crc32(writer.toBytes()))
  return writer.toBytes()
}

/** Bindings of the base layer. */
const bound = (...records: (number | string)[]): Section[] => [[2, [0, ...records]]]
/** One macro with number 1 and this code, and an input that plays it. */
const macro = (...code: (number | string)[]): Section[] => [
  [2, [0, 5, tag(8, 2), 1, 0]],
  [7, [1, bytesOf(code).length, ...code]],
]
const steps = (...entries: number[]): Section[] => [[3, entries]]
const step800 = [0x20, 0x03, 0xf2, 0xc1, 0x4e]
const withNoise = (image: Uint8Array, at: number): Uint8Array =>
  image.map((byte, index) => (index === at ? byte ^ 1 : byte))

export const CASES: Record<string, Case> = {
  empty: { about: 'no section at all: everything is as the factory set it', image: [] },
  name: { about: 'a name and nothing else', image: [[1, ['Brinewatch']]] },
  'name-not-utf8': {
    about: 'a name that is not UTF-8 costs nothing: what is none reads as U+FFFD',
    image: [[1, ['Brine', 0xff, 'watch']]],
  },
  'name-long': { about: 'a name of 70 bytes: a reader shows the first 60', image: [[1, ['n'.repeat(70)]]] },
  'name-empty': { about: 'a name of no bytes', image: [[1, []]] },
  key: { about: 'input 5 is the key Y', image: bound(5, tag(1, 1), 0x1c) },
  chord: { about: 'input 5 is Ctrl+Shift+Y', image: bound(5, tag(1, 2), 0x1c, 3) },
  shortcut: { about: 'a chord bound as shortcut 1', image: bound(5, tag(1, 3), 6, 1, 1) },
  'key-modifiers-zero': {
    about: 'modifiers that could have been left out; the same as without',
    image: bound(5, tag(1, 2), 0x1c, 0),
  },
  'key-long-head': {
    about: 'a payload length as a varint though it would fit the head',
    image: bound(5, tag(1, 7), 1, 0x1c),
  },
  'key-grown': {
    about: 'a key whose record has grown: it is the key, and its bytes are kept',
    image: bound(5, tag(1, 5), 0x1c, 0, 0, 7, 7),
  },
  'key-of-no-usage': { about: 'usage 3 is no key: kept, and nothing happens', image: bound(5, tag(1, 1), 3) },
  'key-without-usage': { about: 'a key record of no bytes: kept', image: bound(5, tag(1, 0)) },
  button: { about: 'a middle click', image: bound(5, tag(2, 1), 3) },
  'button-double': { about: 'a double left click', image: bound(5, tag(2, 2), 1, 2) },
  'button-9': { about: 'there is no button 9: kept, and nothing happens', image: bound(5, tag(2, 1), 9) },
  'button-clicks-3': { about: 'no button clicks three times: kept', image: bound(5, tag(2, 2), 1, 3) },
  scroll: { about: 'two detents down', image: bound(5, tag(3, 1), 0xfe) },
  'scroll-sideways': { about: 'three detents to the right', image: bound(5, tag(3, 2), 0, 3) },
  'scroll-nothing': { about: 'a scroll of nothing: kept', image: bound(5, tag(3, 1), 0) },
  'scroll-too-far': { about: '-128 detents are more than 100: kept', image: bound(5, tag(3, 1), 0x80) },
  control: { about: 'volume up', image: bound(5, tag(4, 1), 0xe9) },
  'control-two-bytes': { about: 'a control past 255', image: bound(5, tag(4, 2), 0x23, 2) },
  'control-none': { about: 'there is no control 0: kept', image: bound(5, tag(4, 1), 0) },
  'step-next': { about: 'the next step', image: bound(5, tag(5, 1), 0) },
  'step-251': { about: 'steps are chosen by 1 to 250: kept', image: bound(5, tag(5, 1), 251) },
  'slot-2': { about: 'slot 2', image: bound(5, tag(6, 1), 2) },
  'layer-hold': {
    about: 'layer 1 while held, with its bindings and its name',
    image: [
      [2, [0, 5, tag(7, 1), 1]],
      [2, [1, 6, tag(1, 1), 4]],
      [6, [1, 6, 1, 0, 'Dive']],
    ],
  },
  'layer-switch': {
    about: 'layer 1 switched on and off, shared by signal 3',
    image: [
      [2, [0, 5, tag(7, 2), 1, 1]],
      [6, [1, 6, 1, 3, 'Dive']],
    ],
  },
  'layer-way-2': { about: 'there is no third way to hold a layer: kept', image: bound(5, tag(7, 2), 1, 2) },
  'layer-8': { about: 'there is no layer 8: kept', image: bound(5, tag(7, 1), 8) },
  'layer-base-named': {
    about: 'the base layer with a name and a colour of its own',
    image: [[6, [0, 7, 4, 0, 'Decks', 1, 6, 1, 0, 'Dive']]],
  },
  'layer-signal-8': { about: 'a signal over 7 shares nothing', image: [[6, [1, 6, 1, 8, 'Dive']]] },
  'layer-colour-99': {
    about: 'a colour that is none: readers show the first',
    image: [[6, [1, 6, 99, 0, 'Dive']]],
  },
  'layers-none': { about: 'a list of no layers: the base layer alone', image: [[6, []]] },
  'layers-backwards': {
    about: 'layers in any order',
    image: [[6, [2, 3, 2, 0, 'B', 1, 3, 1, 0, 'A']]],
  },
  pass: {
    about: 'left to the layer below',
    image: [
      [2, [1, 5, tag(14, 0)]],
      [6, [1, 3, 1, 0, 'A']],
    ],
  },
  'tap-hold': {
    about: 'tapped Escape, held left Ctrl, 200 ms, told by time',
    image: bound(5, tag(9, 6), 20, 0, tag(1, 1), 0x29, tag(1, 1), 0xe0),
  },
  'tap-hold-way-2': {
    about: 'there is no third way to decide: kept',
    image: bound(5, tag(9, 6), 20, 2, tag(1, 1), 0x29, tag(1, 1), 0xe0),
  },
  'tap-hold-within': {
    about: 'tap and hold within tap and hold: kept',
    image: bound(5, tag(9, 7), 10, 20, 0, tag(9, 6), 20, 0, 0, 0, 0, 0, 0),
  },
  'tap-hold-70-ms': { about: 'a threshold under 80 ms: kept', image: bound(5, tag(9, 4), 7, 0, 0, 0) },
  'light-change': { about: 'the next effect', image: bound(5, tag(10, 1), 0) },
  'light-change-4': { about: 'there is no change 4: kept', image: bound(5, tag(10, 1), 4) },
  strokes: { about: 'types “Hi”, Return', image: bound(5, tag(11, 4), 0, 0x8b, 0x0c, 0x28) },
  'strokes-all-kinds': {
    about: 'a chord, a pause of 500 ms, AltGr, AltGr and Shift, a key, a key with Shift',
    image: bound(5, tag(11, 7), 12, 1, 0, 8, 0x15, 1, 50, 2, 0x14, 3, 0x14, 4, 0x84),
  },
  'strokes-80': { about: 'stroke 80 is kept free: kept', image: bound(5, tag(11, 2), 0, 0x80) },
  'strokes-purpose-5': { about: 'there is no purpose 5: kept', image: bound(5, tag(11, 2), 5, 4) },
  countdown: { about: '90 seconds, amber', image: bound(5, tag(12, 4), 255, 176, 0, 90) },
  'countdown-none': { about: 'no time at all: kept', image: bound(5, tag(12, 4), 255, 176, 0, 0) },
  'hold-step': { about: 'step 2 while held', image: bound(5, tag(13, 1), 2) },
  'hold-dpi': { about: '400 DPI while held', image: bound(5, tag(13, 3), 0, 0x90, 1) },
  'hold-dpi-none': { about: 'no counts at all: kept', image: bound(5, tag(13, 3), 0, 0, 0) },
  'action-later': { about: 'an action of a later version: kept', image: bound(5, tag(30, 2), 9, 9) },
  'action-head-alone': { about: 'an action cut short', image: bound(5, tag(1, 2), 0x1c) },
  'input-twice': { about: 'input 5 twice', image: bound(5, 0, 5, 0) },
  'input-unknown': { about: 'an input the model does not have: passed over', image: bound(200, 0) },
  'bindings-twice': { about: 'the base layer twice', image: [...bound(5, 0), ...bound(6, 0)] },
  'bindings-layer-8': { about: 'bindings of a layer past 7', image: [[2, [8, 5, 0]]] },
  'bindings-unlisted': {
    about: 'bindings of layer 2 where the list ends at 1',
    image: [
      [2, [2, 5, 0]],
      [6, [1, 3, 1, 0, 'A']],
    ],
  },
  'bindings-no-such-layer': {
    about: 'bindings of layer 1 without a list, on a model whose factory has no layers',
    image: [[2, [1, 5, 0]]],
  },
  'layers-gap': { about: 'layer 2 is listed and layer 1 is not', image: [[6, [2, 3, 1, 0, 'B']]] },
  'layers-twice': { about: 'layer 1 listed twice', image: [[6, [1, 3, 1, 0, 'A', 1, 3, 1, 0, 'B']]] },
  steps: { about: 'one step, yellow, 800 DPI', image: steps(0, 5, ...step800) },
  'steps-split': { about: '800 across, 700 along', image: steps(0, 7, ...step800, 0xbc, 2) },
  'steps-6': { about: 'entries of six bytes: the sixth is passed over', image: steps(0, 6, ...step800, 9) },
  'steps-9': { about: 'entries that have grown', image: steps(0, 9, ...step800, 0, 0, 9, 9) },
  'steps-4': { about: 'entries too short to be any', image: steps(0, 4, 0x20, 3, 1, 1) },
  'steps-half': { about: 'half a step', image: steps(0, 5, 0x20, 3) },
  'steps-default': { about: 'the default is step 2 of one', image: steps(1, 5, ...step800) },
  'steps-0-dpi': { about: 'a step of no counts', image: steps(0, 5, 0, 0, 1, 1, 1) },
  'steps-17': { about: 'more than 16 steps', image: steps(0, 5, ...Array(17).fill(step800).flat()) },
  'step-names': { about: 'a step with a name', image: [...steps(0, 5, ...step800), [13, [0, 4, 'Walk']]] },
  'step-names-twice': { about: 'a step named twice', image: [[13, [0, 1, 'a', 0, 1, 'b']]] },
  polling: { about: 'cable 1,000 Hz', image: [[4, [0, 8]]] },
  'polling-0': { about: 'a rate of 0 is none: as the factory set it', image: [[4, [0, 0]]] },
  'polling-strange': {
    about: 'a rate the connection does not have: as the factory set it',
    image: [[4, [0, 3]]],
  },
  'polling-twice': { about: 'a connection twice', image: [[4, [0, 8, 0, 4]]] },
  'polling-half': { about: 'half a rate', image: [[4, [0]]] },
  ...LIGHT_CASES,
  settings: {
    about: 'all six settings',
    image: [[10, [tag(1, 1), 20, tag(2, 1), 1, tag(3, 1), 6, tag(4, 1), 1, tag(5, 1), 10, tag(6, 1), 15]]],
  },
  'settings-later': { about: 'a setting of a later version: kept', image: [[10, [tag(9, 2), 1, 2]]] },
  'settings-strange': {
    about: 'values that none is set to: kept, and as the factory set it',
    image: [[10, [tag(2, 1), 2, tag(4, 1), 2, tag(6, 1), 101]]],
  },
  'settings-twice': { about: 'a setting twice', image: [[10, [tag(3, 1), 6, tag(3, 1), 7]]] },
  'made-for': { about: 'for Linux, German, left hand', image: [[11, [3, 2, 1]]] },
  'made-short': { about: 'for Windows; the rest is 0', image: [[11, [1]]] },
  names: { about: 'input 5 is called Sonar', image: [[8, [0, 5, 5, 'Sonar']]] },
  'names-twice': { about: 'an input named twice', image: [[8, [0, 5, 1, 'a', 0, 5, 1, 'b']]] },
  macro: { about: 'press and let go A, 30 ms apart', image: macro(4, 0x9d, 4) },
  'macro-named': { about: 'a macro with a name', image: [...macro(4, 4), [12, [1, 4, 'Ping']]] },
  'macro-all': {
    about: 'every operation there is',
    image: macro(
      ...[4, 0x74, 0x7c, 1, 0x7d, 0xff, 0x7e, 5, 0xfb, 0x80, 0xf0, 0],
      ...[0x7f, 0, 0x90, 0x4e, 0x7f, 1, 10, 20, 0x7f, 2, 2, 4, 0x85, 0x7f, 3, 1, 2, 3],
      ...[0x7f, 4, 0, 0x7f, 5, 1, 0x7f, 6, 0xe9, 0, 0x7f, 7, 0x87, 0x7f, 8, 1, 0x7f, 9, 0xe8, 3, 0x18, 0xfc],
      ...[2, 3, 4, 3],
    ),
  },
  'macro-later': {
    about: 'an operation of a later version: passed over by its length',
    image: macro(4, 0x7f, 0x20, 3, 9, 9, 9, 4),
  },
  'macro-times': {
    about: 'so often: 3',
    image: [
      [2, [0, 5, tag(8, 3), 1, 1, 3]],
      [7, [1, 2, 4, 4]],
    ],
  },
  'macro-times-0': {
    about: 'no times at all: kept',
    image: [
      [2, [0, 5, tag(8, 3), 1, 1, 0]],
      [7, [1, 2, 4, 4]],
    ],
  },
  'macro-free-bit': {
    about: 'a way to play that is kept free: kept',
    image: [
      [2, [0, 5, tag(8, 2), 1, 0x20]],
      [7, [1, 2, 4, 4]],
    ],
  },
  'macro-again-3': {
    about: 'the fourth way of the same input is kept free: kept',
    image: [
      [2, [0, 5, tag(8, 2), 1, 0x0c]],
      [7, [1, 2, 4, 4]],
    ],
  },
  'macro-parts': {
    about: 'on press and on release',
    image: [
      [2, [0, 5, tag(15, 3), 1, 0, 2]],
      [7, [1, 1, 4, 2, 1, 4]],
    ],
  },
  'macro-parts-none': { about: 'no part at all: kept', image: bound(5, tag(15, 1), 0) },
  'macro-missing': { about: 'a macro that is not there: nothing happens', image: bound(5, tag(8, 2), 9, 0) },
  'macro-numbers': {
    about: 'macros 3 and 7 and no others; numbers stay',
    image: [
      [2, [0, 5, tag(8, 2), 7, 0]],
      [7, [3, 1, 4, 7, 2, 5, 5]],
    ],
  },
  'macro-unreadable': {
    about: 'code that ends no repeat: that macro alone is not played',
    image: macro(4, 3),
  },
  'macro-repeat-0': { about: 'repeats 0 times: not played', image: macro(2, 0, 4, 3) },
  'macro-repeat-nothing': {
    about: 'repeats nothing, 10,000 times in 10,000: not played',
    image: macro(2, 0x90, 0x4e, 2, 0x90, 0x4e, 3, 3),
  },
  'macro-too-deep': {
    about: 'repeats five deep: not played',
    image: macro(2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 4, 3, 3, 3, 3, 3),
  },
  'macro-budget-steps': {
    about: '100,001 operations in a pass: not played',
    image: macro(4, 2, 0x90, 0x4e, 2, 5, 4, 0x80, 3, 3),
  },
  'macro-budget-at-once': {
    about: '4,097 operations at once: not played',
    image: macro(2, 0x81, 0x20, 4, 3),
  },
  'macro-0': { about: 'there is no macro 0', image: [[7, [0, 1, 4]]] },
  'macro-201': { about: 'there is no macro 201', image: [[7, [201, 1, 4]]] },
  'macro-twice': { about: 'macro 1 twice', image: [[7, [1, 1, 4, 1, 1, 4]]] },
  'macro-cut': { about: 'a macro longer than its section', image: [[7, [1, 9, 4]]] },
  'section-later': { about: 'a section of a later version: kept', image: [[0x41, [1, 2, 3]]] },
  'section-must-understand': {
    about: 'a section that must be understood, of a later version',
    image: [[0x81, [1, 2, 3]]],
  },
  'section-twice': {
    about: 'two names',
    image: [
      [1, ['a']],
      [1, ['b']],
    ],
  },
  'section-long-varint': {
    about: 'a length in more bytes than it needs',
    image: whole(Uint8Array.of(1, 0x81, 0x80, 0, 0x61)),
  },
  'section-endless-varint': {
    about: 'a length in five bytes',
    image: whole(Uint8Array.of(1, 0x81, 0x80, 0x80, 0x80, 0, 0x61)),
  },
  'section-cut': { about: 'a section longer than the image', image: whole(Uint8Array.of(1, 9, 0x61)) },
  'sections-backwards': {
    about: 'sections in any order',
    image: [[13, [0, 1, 'x']], ...steps(0, 5, ...step800), [1, ['Back']]],
  },
  revision: { about: 'made for revision 2 of the model', image: [[14, [2]]] },
  'minor-9': { about: 'a later minor version is read', image: imageOf([[1, ['Later']]], { minor: 9 }) },
  'version-0': { about: 'there is no version 0', image: imageOf([], { version: 0 }) },
  'version-2': { about: 'a later version', image: imageOf([], { version: 2 }) },
  magic: { about: 'other first bytes', image: imageOf([], { magic: 0x5354 }) },
  'too-long': { about: 'longer than what is there', image: imageOf([], { longer: 1 }) },
  'too-short': { about: 'shorter than a header and a checksum', image: imageOf([], { longer: -4 }) },
  checksum: { about: 'one bit of the name is another', image: withNoise(imageOf([[1, ['Brine']]]), 11) },
  'bytes-behind': {
    about: 'bytes behind the end; in a file they are not looked at, in a write they are refused',
    image: Uint8Array.from([...imageOf([[1, ['Brine']]]), 0xff, 0xff]),
  },
  nothing: { about: 'no bytes', image: new Uint8Array() },
}

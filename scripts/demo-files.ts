import { itemAt } from '../src/core/base/items'
import type { DeviceSettings } from '../src/core/onboard/settings'
import { mkdirSync, writeFileSync } from 'node:fs'
import { modelById } from '../src/core/device/models'
import { contextOf } from '../src/core/text/context'
import { parseCell } from '../src/core/text/cell-text'
import { bindAll, setBindingText } from '../src/core/edits/edits'
import { setPolling, setSettings } from '../src/core/edits/motion-edits'
import { addLayer, setLayerColour, setLayerSignal } from '../src/core/edits/layer-edits'
import { factoryProfile } from '../src/core/terms/profile'
import { type Effect, type StackedEffect, type EffectTarget } from '../src/core/document/light'
import { newStackItem } from '../src/core/terms/light'
import type { EffectName } from '../src/core/effects/registry'
import { parseProfile, type LayerColour, type Profile } from '../src/core/document/schema'
import { profileDocument } from '../src/core/files/profile-file'
import { shelfOf } from '../src/core/document/macro'
import { macrosToJson } from '../src/core/files/macro-json'
import { MACROS } from './demo-macros'
import { writePrograms } from './demo-programs'
import { writeShelf } from './demo-shelf'
import type { TargetComputer } from '../src/core/computer/shortcuts'

/** npm run demo: creates the demo profiles from cells as people type them. */
interface Sketch {
  file: string
  name: string
  model: string
  computer: TargetComputer
  layers?: { name: string; colour: LayerColour; signal?: number }[]
  /** By input id: the cell of the base layer, then one for each further layer; `.` skips a cell. */
  cells: Record<string, string[]>
  notes?: Record<string, string>
  steps?: [dpi: number, colour: string, name?: string][]
  defaultStep?: number
  polling?: Record<string, number>
  settings?: DeviceSettings
  /** From top to bottom. */
  light?: StackedEffect[]
}

const shelf = shelfOf(MACROS)
const WINDOWS: TargetComputer = { system: 'windows', layout: 'us' }
/** An effect on zones, on single lights (their ids have a colon), or by default on all. */
const on = <Name extends EffectName>(
  places: string[],
  kind: Name,
  settings?: Partial<Extract<Effect, { kind: Name }>>,
  more: Partial<Omit<StackedEffect, 'kind' | 'effect'>> = {},
): StackedEffect => newStackItem(kind, settings, { where: whereOf(places), ...more })

function whereOf(places: string[]): EffectTarget {
  if (places.length === 0) return { kind: 'all' }
  return itemAt(places, 0).includes(':')
    ? { kind: 'lights', lights: places }
    : { kind: 'zones', zones: places }
}

const keys = (...inputs: string[]): string[] => inputs.map((input) => `keys:${input}`)

const BRINEWATCH: Sketch = {
  file: 'brinewatch',
  name: 'Brinewatch',
  model: 'tern-7',
  computer: WINDOWS,
  layers: [{ name: 'Dive', colour: 'indigo', signal: 1 }],
  cells: {
    left: ['.', '2 = Grab line'],
    right: ['.', 's = Sonar sweep'],
    'wheel-press': ['l = Lamp', '.'],
    'side-rear': ['tap middle click, hold layer Dive after 180 ms or at the next press', '.'],
    'side-front': ['y = Release ballast', 'b = Vent tanks'],
    'under-wheel': ['.', 'off'],
    'wheel-up': ['.', 'volume up'],
    'wheel-down': ['.', 'volume down'],
  },
  notes: { 'side-front': 'Only below 40 m; above that it wastes air' },
  steps: [
    [400, '#e04f2f', 'Welding'],
    [800, '#f2c14e', 'Hull'],
    [1600, '#2e9bd6', 'Cruise'],
    [3200, '#ffffff'],
  ],
  defaultStep: 1,
  polling: { receiver: 2000 },
  settings: { noticePercent: 20 },
  light: [
    on(
      ['crest'],
      'blink',
      { colour: '#ff3b1e', periodMs: 1200 },
      {
        name: 'Low charge',
        when: { kind: 'battery', underPercent: 15 },
      },
    ),
    on(
      ['spine'],
      'glow',
      { colour: '#ffffff', decayMs: 900, reachMm: 25, delayMs: 70 },
      {
        name: 'Press',
        when: { kind: 'press', forMs: 1500, inputs: ['left', 'right'] },
      },
    ),
    on(
      ['spine'],
      'wave',
      { colours: ['#0a4bff', '#00e6a0'], periodMs: 4000, spreadMm: 40, brightness: 80 },
      { name: 'Tide' },
    ),
    on(['crest'], 'breathing', { colour: '#ff9d2e', brightness: 85, periodMs: 4000 }, { name: 'Lamp' }),
  ],
}

/** Before its last three edits, as in the first slot of the demo mouse. */
const BRINEWATCH_BEFORE: Sketch = {
  ...BRINEWATCH,
  cells: { ...BRINEWATCH.cells, 'wheel-press': ['.', '.'] },
  steps: BRINEWATCH.steps?.map(([dpi, ...rest]) => [dpi === 800 ? 900 : dpi, ...rest]),
  polling: { receiver: 1000 },
}

const SKETCHES: Sketch[] = [
  BRINEWATCH,
  {
    file: 'gantry-run',
    name: 'Gantry Run',
    model: 'tern-7',
    computer: WINDOWS,
    cells: {
      'side-front': ['space = Vault'],
      'side-rear': ['shift = Slide'],
      'under-wheel': ['hand off and run = Hand off parcel'],
      'wheel-press': ['r = Respawn'],
      'wheel-up': ['page up'],
      'wheel-down': ['page down'],
    },
    steps: [
      [1200, '#3ad17a', 'Street'],
      [2400, '#b15cff', 'Roof'],
    ],
    defaultStep: 0,
    polling: { receiver: 4000 },
    settings: { liftOffMm: 2, debounceMs: 2 },
    light: [
      on(['spine'], 'cycle', { brightness: 60, periodMs: 3000, lag: 12 }, { name: 'Street lamps' }),
      on(['crest'], 'step', { brightness: 90 }),
    ],
  },
  {
    file: 'score-engraving',
    name: 'Score engraving',
    model: 'tern-7',
    computer: { system: 'linux', layout: 'de' },
    cells: {
      'side-front': ['undo'],
      'side-rear': ['redo'],
      'under-wheel': ['play or pause'],
      'wheel-press': ['space'],
    },
    steps: [
      [500, '#4ac3d6'],
      [1000, '#ffffff'],
      [2000, '#f2c14e'],
    ],
    defaultStep: 1,
    polling: { cable: 500, receiver: 250 },
    light: [on(['crest'], 'solid', { colour: '#ffffff', brightness: 30 })],
  },
  {
    file: 'hollow-tithe',
    name: 'Hollow Tithe',
    model: 'tern-7',
    computer: WINDOWS,
    cells: {
      'side-front': ['tab = Next idle'],
      'side-rear': ['ctrl+a = Whole host'],
      'wheel-press': ['home'],
    },
    steps: [
      [600, '#d64a6a'],
      [1000, '#e8e8e8'],
      [1000, '#4ac3d6'],
    ],
    defaultStep: 1,
    polling: { cable: 500, receiver: 500 },
    light: [
      on(['spine'], 'battery', { full: '#7a4ad6', low: '#d64a6a', brightness: 45 }, { name: 'Candles' }),
    ],
  },
  {
    file: 'godwit-brinewatch',
    name: 'Brinewatch crew',
    model: 'godwit-19',
    computer: WINDOWS,
    layers: [{ name: 'Winch', colour: 'sky' }],
    cells: {
      'thumb-1': ['1 = Ballast in'],
      'thumb-2': ['2 = Ballast out'],
      'thumb-3': ['3 = Trim'],
      'thumb-4': ['s = Sonar', 'shift+s = Sonar sweep'],
      'thumb-5': ['l = Lamp', 'shift+l = Flood light'],
      'thumb-6': ['f = Flare'],
      'thumb-7': ['w = Winch in', 'up = Winch fast in'],
      'thumb-8': ['x = Winch out', 'down = Winch fast out'],
      'thumb-9': ['b = Lamp', '.'],
      'thumb-10': ['hold layer Winch', '.'],
      'thumb-11': ['type "hold position\\n" = Tell the crew', '.'],
      'thumb-12': ['countdown 4 min = Air left', '.'],
      'upper-front': ['hold 600 dpi = Fine aim', '.'],
      'upper-rear': ['winch pump, while held = Pump', '.'],
      'wheel-press': ['.', 'blow tanks = Blow all tanks'],
      'tilt-left': ['q = Lean left', '.'],
      'tilt-right': ['e = Lean right', '.'],
    },
    defaultStep: 1,
    light: [
      on(['nose'], 'countdown', { brightness: 90 }, { name: 'Air left' }),
      on(['grid'], 'layers', { brightness: 90, rest: 20 }, { name: 'Winch keys' }),
      on(
        [],
        'twinkle',
        { colours: ['#9ff2e4'], periodMs: 2200, density: 18, brightness: 70 },
        { name: 'Plankton', mix: 'adds' },
      ),
      on(
        ['grid', 'logo', 'wheel'],
        'wave',
        { colours: ['#04323a', '#2fc1b0'], periodMs: 5000, spreadMm: 90 },
        { name: 'Swell' },
      ),
    ],
  },
  {
    file: 'godwit-hollow-tithe',
    name: 'Tithe orders',
    model: 'godwit-19',
    computer: WINDOWS,
    cells: {
      ...Object.fromEntries(
        Array.from({ length: 9 }, (_, index) => [
          `thumb-${index + 1}`,
          [`f${index + 1} = Host ${index + 1}`],
        ]),
      ),
      'thumb-10': ['ctrl+shift+m = March'],
      'thumb-11': ['ctrl+shift+h = Hold the line'],
      'thumb-12': ['tap p, hold ctrl+p after 400 ms'],
      'upper-rear': ['fast clicks, until pressed again, 40 ms apart'],
      'upper-front': ['march and hold = March and hold'],
    },
    light: [
      on(['logo'], 'breathing', { colour: '#7a4ad6', brightness: 45, periodMs: 6000 }),
      on(['wheel'], 'solid', { colour: '#7a4ad6', brightness: 40 }),
      on(
        ['grid'],
        'gradient',
        { colours: ['#d64a6a', '#7a4ad6'], direction: 90, brightness: 50 },
        { name: 'Hosts' },
      ),
    ],
  },
  {
    file: 'knot-proofs',
    name: 'Proof reading',
    model: 'knot-5',
    computer: { system: 'linux', layout: 'de' },
    cells: {
      'side-front': ['undo'],
      'side-rear': ['tap middle click, hold scroll down 3'],
      'wheel-press': ['copy'],
    },
    steps: [
      [800, '#4ac3d6'],
      [1600, '#f2c14e'],
    ],
    defaultStep: 0,
    polling: { cable: 125 },
  },
  {
    file: 'dunlin-brinewatch',
    name: 'Brinewatch bridge',
    model: 'dunlin-84',
    computer: WINDOWS,
    layers: [{ name: 'Dive', colour: 'indigo', signal: 1 }],
    cells: {
      'caps-lock': ['hold layer Dive = Dive', '.', '.'],
      'key-b': ['b = Bilge', '.', 'shift+b = Blow bilge'],
      'key-l': ['.', '.', 'shift+l = Flood light'],
      'key-v': ['v = Vent', '.', '.'],
      'key-w': ['.', '.', 'up = Ascend'],
      'key-s': ['.', '.', 'down = Descend'],
      'key-a': ['.', '.', 'left = Roll left'],
      'key-d': ['.', '.', 'right = Roll right'],
      f1: ['.', '.', 'type "all hands to the winch\\n" = Call the crew'],
      f4: ['.', 'open divelog = Dive log', '.'],
      'print-screen': ['screenshot', '.', '.'],
    },
    light: [
      on([], 'layers', { brightness: 90, rest: 12 }, { name: 'What a layer does' }),
      on(
        ['keys'],
        'ripple',
        { colour: '#bff7ff', spreadMm: 120, widthMm: 22, decayMs: 900 },
        { name: 'Sonar' },
      ),
      on(keys('key-w', 'key-a', 'key-s', 'key-d'), 'solid', { colour: '#ff5a3c' }, { name: 'Helm' }),
      on(['status'], 'battery', { brightness: 70 }),
      on(
        ['keys'],
        'wave',
        { colours: ['#021a2e', '#0c6f8a'], periodMs: 9000, spreadMm: 220, direction: 30 },
        { name: 'Deep water' },
      ),
    ],
  },
  {
    file: 'dunlin-engraving',
    name: 'Engraving desk',
    model: 'dunlin-84',
    computer: { system: 'linux', layout: 'de' },
    layers: [{ name: 'Notes', colour: 'steel' }],
    cells: {
      'caps-lock': ['tap esc, hold layer Notes', '.', '.'],
      'digit-1': ['.', '.', 'type "q" = Crotchet'],
      'digit-2': ['.', '.', 'ctrl+alt+2 = Minim'],
      'digit-3': ['.', '.', 'ctrl+alt+3 = Semibreve'],
      'key-c': ['.', '.', 'copy the bar = Copy bar'],
      'digit-8': ['.', '.', 'copy eight bars, others stop it = Copy eight'],
      'key-t': ['.', '.', 'ctrl+shift+t = Tie'],
      'key-s': ['.', '.', 'save = Save the score'],
      f12: ['open folder /home/engraver/scores = Scores', '.', '.'],
      'knob-press': ['play or pause', '.', '.'],
    },
    light: [
      on(['keys'], 'layers', { brightness: 80, rest: 5 }, { name: 'Notes' }),
      on(['keys'], 'solid', { colour: '#ffffff', brightness: 20 }),
    ],
  },
]

/** Search words by file or name. */
const TAGS = [
  ['brinewatch', 'Brinewatch'],
  ['gantry', 'Gantry Run'],
  ['tithe', 'Hollow Tithe'],
  ['engraving', 'Engraving'],
  ['proof', 'Engraving'],
] as const

function profileOf(sketch: Sketch): Profile {
  const model = modelById(sketch.model)
  if (!model) throw new Error(`no model ${sketch.model}`)
  let profile = factoryProfile(model, sketch.name, sketch.computer)
  for (const { name, colour, signal } of sketch.layers ?? []) {
    profile = addLayer(profile, name)
    const index = profile.layers.length - 1
    profile = setLayerSignal(setLayerColour(profile, index, colour), index, signal)
  }
  const context = contextOf(profile, model, shelf)
  const cells = Object.entries(sketch.cells).flatMap(([input, texts]) =>
    texts.flatMap((text, layer) => {
      if (text === '.') return []
      const parsed = parseCell(text, context)
      if (!('action' in parsed)) throw new Error(`${sketch.file}, ${input}: ${JSON.stringify(parsed)}`)
      const { action, name } = parsed
      return [{ layer, input, put: { action, ...(name && { name }) } }]
    }),
  )
  profile = bindAll(profile, model, cells)
  for (const [input, note] of Object.entries(sketch.notes ?? {}))
    profile = setBindingText(profile, model, 0, input, { note })
  if (sketch.steps)
    profile = {
      ...profile,
      steps: sketch.steps.map(([dpi, colour, name]) => ({ dpi, colour, ...(name && { name }) })),
    }
  profile = { ...profile, defaultStep: sketch.defaultStep ?? profile.defaultStep }
  for (const [id, rateHz] of Object.entries(sketch.polling ?? {}))
    profile = setPolling(profile, model, id, rateHz)
  if (sketch.settings) profile = setSettings(profile, model, sketch.settings)
  if (sketch.light) profile = { ...profile, light: sketch.light }
  const tag = TAGS.find(([word]) => `${sketch.file} ${sketch.name}`.toLowerCase().includes(word))?.[1]
  if (tag) profile = { ...profile, tags: [tag] }
  return parseProfile(profile)
}

function write(folder: string, file: string, sketch: Sketch): void {
  mkdirSync(`demo/${folder}`, { recursive: true })
  writeFileSync(
    `demo/${folder}/${file}.json`,
    `${JSON.stringify(profileDocument(profileOf(sketch), shelf), null, 2)}\n`,
  )
}

for (const sketch of SKETCHES) write('profiles', sketch.file, sketch)
writeShelf(shelf)
writePrograms()
writeFileSync('demo/macros.json', macrosToJson(MACROS))
write('on-device', 'tern-7-slot-1', BRINEWATCH_BEFORE)

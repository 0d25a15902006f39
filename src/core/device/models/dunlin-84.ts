import { message, type Message } from '../../message/message'
import { itemAt } from '../../base/items'
import { consumerById } from '../../hid/consumer-page'
import { keyByCode } from '../../hid/keyboard-page'
import type { ImageAction } from '../../actions/registry'
import { factoryEffect, solid } from '../factory-light'
import type { DeviceInput, DeviceModel, LightPosition, Shape } from '../model'
import { circleShape, pathShape, rectShape } from '../shapes'
import { SALTMARSH_KEY } from './saltmarsh'

/** A key unit: the pitch of full-size keyboards, 3/4 inch. */
const UNIT_MM = 19.05
const MARGIN_MM = 8
/** Gap between two keycaps. */
const GAP_MM = 1.6
const COLUMNS = 16
/** The function row is a quarter unit away from the other rows. */
const ROW_UNITS = [0, 1.25, 2.25, 3.25, 4.25, 5.25]
const WIDTH_MM = COLUMNS * UNIT_MM + 2 * MARGIN_MM
const HEIGHT_MM = 6.25 * UNIT_MM + 2 * MARGIN_MM

type KeyPlace = [code: string, units: number]
const one = (codes: string): KeyPlace[] => codes.split(' ').map((code) => [code, 1])

/** Rows of keys, left to right, with their widths in key units; `Fn` sends nothing by itself. */
const ROWS: KeyPlace[][] = [
  one('Escape F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 F11 F12 PrintScreen Delete'),
  [
    ...one('Backquote Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal'),
    ...([['Backspace', 2]] satisfies KeyPlace[]),
    ...one('Home'),
  ],
  [
    ['Tab', 1.5],
    ...one('KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight'),
    ['', 1.5],
    ...one('PageUp'),
  ],
  [
    ['CapsLock', 1.75],
    ...one('KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote Backslash'),
    ['Enter', 1.25],
    ...one('PageDown'),
  ],
  [
    ['ShiftLeft', 1.25],
    ...one('IntlBackslash KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash'),
    ['ShiftRight', 1.75],
    ...one('ArrowUp End'),
  ],
  [
    ...([
      ['ControlLeft', 1.25],
      ['MetaLeft', 1.25],
      ['AltLeft', 1.25],
      ['Space', 6.25],
    ] satisfies KeyPlace[]),
    ...one('AltRight Fn ControlRight ArrowLeft ArrowDown ArrowRight'),
  ],
]

interface PlacedKey {
  code: string
  x: number
  y: number
  width: number
}

const PLACED: PlacedKey[] = ROWS.flatMap((row, index) => {
  let x = MARGIN_MM
  return row.flatMap(([code, units]) => {
    const place = { code, x, y: MARGIN_MM + itemAt(ROW_UNITS, index) * UNIT_MM, width: units * UNIT_MM }
    x += place.width
    return code === '' ? [] : [place]
  })
})

const round = (mm: number): number => Math.round(mm * 100) / 100

/** The Return key covers two rows and is a quarter unit wider at the top. */
function capOf({ code, x, y, width }: PlacedKey): Shape {
  const [left, top, cap] = [round(x + GAP_MM / 2), round(y + GAP_MM / 2), round(UNIT_MM - GAP_MM)]
  if (code !== 'Enter') return rectShape(left, top, round(width - GAP_MM), cap, 2)
  const right = round(x + width - GAP_MM / 2)
  const [above, wide] = [round(top - UNIT_MM), round(left - UNIT_MM / 4)]
  return pathShape(
    `M${wide} ${above} L${right} ${above} L${right} ${top + cap} L${left} ${top + cap} L${left} ${top} L${wide} ${top} Z`,
  )
}

/** Each key has a light below its legend. */
const keyLight = (place: PlacedKey): LightPosition => {
  const [middle, low] = [place.x + place.width / 2, place.y + UNIT_MM]
  return {
    at: [round(middle), round(place.y + UNIT_MM / 2)],
    shapes: [{ view: 'plan', shape: rectShape(round(middle - 3.4), round(low - 2.3), 6.8, 0.8, 0.4) }],
    input: kebab(place.code),
  }
}

const kebab = (code: string): string =>
  code.replace(/(?<=[a-z])(?=[A-Z])|(?<=[a-z])(?=\d)/g, '-').toLowerCase()

const GROUPS: [group: Message, codes: RegExp][] = [
  [message('models.functionRow'), /^(Escape|F\d+|PrintScreen|Delete)$/],
  [message('models.numbers'), /^(Digit\d|Backquote|Minus|Equal|Backspace)$/],
  [message('models.modifiers'), /^(Control|Shift|Alt|Meta)|^(Fn|CapsLock)$/],
  [message('models.navigation'), /^Arrow|^(Home|End|PageUp|PageDown)$/],
  [message('models.lettersAndSymbols'), /./],
]

const keyInput = (place: PlacedKey, index: number): DeviceInput => {
  const { code, x, y } = place
  const key = keyByCode(code)
  return {
    id: kebab(code),
    number: index + 1,
    name: key?.legend ?? code,
    kind: 'press',
    role: `key-${kebab(code)}`,
    group: GROUPS.find(([, codes]) => codes.test(code))?.[0],
    key: key ? { code } : { legend: code },
    shapes: [{ view: 'plan', shape: capOf(place) }],
    leader: { view: 'plan', at: [round(x + 3), round(y + 5)], side: 'top' },
    factory: key ? { kind: 'key', usage: key.usage, modifiers: 0 } : { kind: 'layer', layer: 1, how: 'hold' },
  }
}

const control = (id: string): ImageAction => ({ kind: 'consumer', usage: consumerById(id)?.usage ?? 0 })
const key = (code: string): ImageAction => ({ kind: 'key', usage: keyByCode(code)?.usage ?? 0, modifiers: 0 })
const KNOB = { x: MARGIN_MM + 15.5 * UNIT_MM, y: MARGIN_MM + UNIT_MM / 2 }

const knob = (id: string, number: number, name: Message, shape: Shape, action: ImageAction): DeviceInput => ({
  id,
  number,
  name,
  kind: id === 'knob-press' ? 'press' : 'turn',
  role: `knob-${id.slice(5)}`,
  group: message('models.knob'),
  key: { legend: '' },
  shapes: [{ view: 'plan', shape }],
  leader: { view: 'plan', at: [KNOB.x, KNOB.y], side: 'right' },
  factory: action,
})

const half = (sweep: 0 | 1): Shape =>
  pathShape(
    `M${KNOB.x} ${round(KNOB.y - 8.4)} A8.4 8.4 0 0 ${sweep} ${KNOB.x} ${round(KNOB.y + 8.4)} ` +
      `L${KNOB.x} ${round(KNOB.y + 5.4)} A5.4 5.4 0 0 ${sweep === 0 ? 1 : 0} ${KNOB.x} ${round(KNOB.y - 5.4)} Z`,
  )

const WARM = { red: 0xff, green: 0xb0, blue: 0x5c }

/** 75% keyboard with a volume knob, drawn from its key geometry. */
export const dunlin84: DeviceModel = {
  id: 'dunlin-84',
  number: 0x0254,
  maker: 'Saltmarsh',
  name: 'Dunlin 84',
  kind: 'keyboard',
  summary: message('models.dunlin84'),
  sheet: {
    widthMm: round(WIDTH_MM),
    heightMm: round(HEIGHT_MM),
    views: [
      {
        id: 'plan',
        title: message('models.topView'),
        at: [0, 0],
        widthMm: round(WIDTH_MM),
        heightMm: round(HEIGHT_MM),
        body: rectShape(0, 0, round(WIDTH_MM), round(HEIGHT_MM), 6),
        lines: [
          pathShape(
            `M${MARGIN_MM} ${round(MARGIN_MM + 1.125 * UNIT_MM)} L${round(WIDTH_MM - MARGIN_MM)} ${round(MARGIN_MM + 1.125 * UNIT_MM)}`,
          ),
        ],
      },
    ],
  },
  inputs: [
    ...PLACED.map(keyInput),
    knob('knob-left', 85, message('models.knobLeft'), half(0), control('volumeDown')),
    knob('knob-right', 86, message('models.knobRight'), half(1), control('volumeUp')),
    knob('knob-press', 87, message('models.knobPress'), circleShape(KNOB.x, KNOB.y, 4.8), control('mute')),
  ],
  zones: [
    { id: 'keys', name: message('models.keys'), lights: PLACED.map(keyLight) },
    {
      id: 'status',
      name: message('models.status'),
      lights: [
        {
          at: [KNOB.x, round(MARGIN_MM + 1.12 * UNIT_MM)],
          shapes: [
            {
              view: 'plan',
              shape: rectShape(KNOB.x - 3.4, round(MARGIN_MM + 1.12 * UNIT_MM - 0.6), 6.8, 1.2, 0.6),
            },
          ],
        },
      ],
    },
  ],
  indicatorZone: 'status',
  connections: [
    {
      id: 'cable',
      name: message('models.cable'),
      ratesHz: [125, 250, 500, 1000, 2000, 4000, 8000],
      configurable: true,
      charges: true,
      factoryRateHz: 1000,
    },
    {
      id: 'receiver',
      name: message('models.radio'),
      ratesHz: [125, 250, 500, 1000],
      configurable: true,
      charges: false,
      factoryRateHz: 1000,
    },
    {
      id: 'bluetooth',
      name: message('models.bluetooth'),
      ratesHz: [125],
      configurable: false,
      charges: false,
      factoryRateHz: 125,
      without: { inputs: ['knob-press'], because: message('models.pairsTheKeyboard') },
    },
  ],
  memory: {
    slots: 3,
    sectors: 32,
    sectorBytes: 4096,
    blockSectors: 4,
    pageBytes: 256,
    programUs: 700,
    eraseUs: 45_000,
  },
  debounce: { ms: 5, strategy: 'eager', maxMs: 25 },
  standIn: { serial: 0x84a2, charge: 0.64, over: 'receiver' },
  pairing: { input: 'knob-press', holdMs: 3000 },
  firmwareKey: SALTMARSH_KEY,
  electrical: {
    battery: {
      capacityMah: 2400,
      chargeMa: 450,
      reportMicroampereSeconds: 3.1,
      radioRestMa: 0.2,
      sleepMa: 0.08,
      wakeMs: 14,
      sleepMinutes: 20,
      noticePercent: 15,
    },
    controllerMa: 2.4,
    sensorActiveMa: 0,
    sensorRestMa: 0,
    lightMa: 0.9,
    limitMa: 140,
  },
  factory: {
    light: [factoryEffect(solid(WARM, 30), 1), factoryEffect(solid(WARM, 40), 0)],
    layers: [
      {
        name: 'Fn',
        bindings: {
          f1: control('brightnessDown'),
          f2: control('brightnessUp'),
          f5: control('previousTrack'),
          f6: control('playPause'),
          f7: control('nextTrack'),
          f9: { kind: 'light', change: 'dimmer' },
          f10: { kind: 'light', change: 'brighter' },
          f11: { kind: 'light', change: 'next' },
          f12: { kind: 'slot', to: 'next' },
          'print-screen': key('Insert'),
          'knob-left': { kind: 'light', change: 'dimmer' },
          'knob-right': { kind: 'light', change: 'brighter' },
          delete: key('Pause'),
        },
      },
    ],
  },
}

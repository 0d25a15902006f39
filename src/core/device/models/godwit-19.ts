import { message } from '../../message/message'
import { keyByCode } from '../../hid/keyboard-page'
import { breathing, factoryEffect, solid } from '../factory-light'
import type { DeviceInput, DeviceModel, LightPosition } from '../model'
import { circleShape, pathShape, rectShape } from '../shapes'
import { SALTMARSH_KEY } from './saltmarsh'

/** The thumb grid: three columns from the palm to the table, four rows from front to rear. */
const THUMB_CODES = ['Digit1', 'Digit2', 'Digit3', 'Digit4', 'Digit5', 'Digit6', 'Digit7', 'Digit8', 'Digit9']
const THUMB_KEYS = [...THUMB_CODES, 'Digit0', 'Minus', 'Equal']
const KEY_MM = { x: 8.4, y: 11, width: 7.4, height: 9.6 }

/** Rows slant towards the table, so that a bent thumb meets each key flat. */
const thumbPlace = (index: number) => {
  const [row, column] = [Math.floor(index / 3), index % 3]
  return { row, column, x: 11 + column * KEY_MM.x, y: 33 + row * KEY_MM.y + column * 3.4 }
}

const thumbKey = (code: string, index: number): DeviceInput => {
  const { row, column, x, y } = thumbPlace(index)
  return {
    id: `thumb-${index + 1}`,
    number: 6 + index,
    name: message('models.thumb', { number: index + 1 }),
    kind: 'press',
    role: `thumb-${index + 1}`,
    group: message('models.thumbGridRow', { row: row + 1 }),
    shapes: [
      { view: 'left', shape: rectShape(x, y, KEY_MM.width, KEY_MM.height, 1.8) },
      ...(column === 0
        ? [{ view: 'plan', shape: rectShape(2.8 + 0.3 * row, y + 0.6, 3, KEY_MM.height - 1.2, 1.2) }]
        : []),
    ],
    leader: { view: 'left', at: [x + 1.6, y + KEY_MM.height / 2], side: 'left' },
    factory: { kind: 'key', usage: keyByCode(code)?.usage ?? 0, modifiers: 0 },
  }
}

/** Each thumb key has a light along its lower edge. */
const thumbLight = (index: number): LightPosition => {
  const { column, x, y } = thumbPlace(index)
  return {
    at: [3 - column * KEY_MM.x, y + KEY_MM.height / 2],
    shapes: [
      { view: 'left', shape: rectShape(x + KEY_MM.width - 1.9, y + 1.6, 1, KEY_MM.height - 3.2, 0.5) },
    ],
    input: `thumb-${index + 1}`,
  }
}

const GREEN = { red: 0x3f, green: 0xa6, blue: 0x8a }
const TILT = 'M0 0 L0 7 L-3.4 3.5 Z'
const shifted = (d: string, dx: number, dy: number, mirror: 1 | -1): string =>
  d.replace(
    /(-?[\d.]+) (-?[\d.]+)/g,
    (_, x: string, y: string) => `${dx + mirror * Number(x)} ${dy + Number(y)}`,
  )

/** Wired mouse with a grid of twelve thumb keys. Left side and top view, with the nose at the top. */
export const godwit19: DeviceModel = {
  id: 'godwit-19',
  number: 0x0113,
  maker: 'Saltmarsh',
  name: 'Godwit 19',
  kind: 'mouse',
  summary: message('models.godwit19'),
  sheet: {
    widthMm: 128,
    heightMm: 122,
    views: [
      {
        id: 'left',
        title: message('models.leftSide'),
        at: [0, 0],
        widthMm: 44,
        heightMm: 122,
        body: pathShape(
          'M44 4 L36 4 C26 8 15 20 9 38 C3.6 54 2.4 76 7.6 93 C11.4 105 19 114.6 29 119 C34 121 39 121 44 121 Z',
        ),
        lines: [
          pathShape('M40.6 5 L40.6 120.6'),
          pathShape('M9.4 31 C17 27.6 29 28 38 34.4'),
          pathShape('M8.4 79 C17 79.6 28 84 37 90.4'),
          pathShape('M11 98 C18 104 27 109 38.6 112.4'),
        ],
      },
      {
        id: 'plan',
        title: message('models.topView'),
        at: [52, 0],
        widthMm: 76,
        heightMm: 122,
        body: pathShape(
          'M35 1.4 C52 1.4 61 5.4 64.6 15 C68 25 72 40 73.6 56 C75 71 74.6 89 69 102 C63 115 51 121 37.4 121 ' +
            'C23 121 11.6 115.4 6.6 104 C3 95.4 3.8 84 4.2 74 C4.6 60 2.6 46 3.4 34 C4.6 16 10 1.4 35 1.4 Z',
        ),
        lines: [
          pathShape('M4 58 C12 61.4 22 62.6 34 62.6 C47 62.6 60 60.4 72.4 52.6'),
          pathShape('M62 10 C65.6 24 67.4 40 67.4 56 C67.4 72 65.4 88 60 100'),
          pathShape('M9.4 88 C10 76 9.6 66 8.8 58'),
        ],
      },
    ],
  },
  inputs: [
    {
      id: 'left',
      number: 1,
      name: message('models.leftButton'),
      kind: 'press',
      role: 'primary',
      mirror: 'right',
      group: message('models.top'),
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M30 1.6 C14 2.6 5 12 3.6 32 C3.2 41 3.6 50 4 57 C12 60.2 20 61.4 29.4 61.6 Z'),
        },
      ],
      leader: { view: 'plan', at: [16, 22], side: 'top' },
      factory: { kind: 'button', button: 1, clicks: 1 },
    },
    {
      id: 'right',
      number: 2,
      name: message('models.rightButton'),
      kind: 'press',
      role: 'secondary',
      mirror: 'left',
      group: message('models.top'),
      shapes: [
        {
          view: 'plan',
          shape: pathShape(
            'M41 1.8 C51 2.6 58.6 5.2 61.2 11 C64.6 24 66.4 39 66.4 54 C58.6 58.8 50 61 40.6 61.5 Z',
          ),
        },
      ],
      leader: { view: 'plan', at: [57.5, 13], side: 'top' },
      factory: { kind: 'button', button: 2, clicks: 1 },
    },
    {
      id: 'wheel-press',
      number: 3,
      name: message('models.wheelPress'),
      kind: 'press',
      role: 'middle',
      group: message('models.wheel'),
      shapes: [{ view: 'plan', shape: rectShape(31.8, 18, 7.2, 8.6, 1) }],
      leader: { view: 'plan', at: [37.6, 22.3], side: 'right' },
      factory: { kind: 'button', button: 3, clicks: 1 },
    },
    {
      id: 'upper-front',
      number: 4,
      name: message('models.underTheWheelFront'),
      kind: 'press',
      role: 'upper',
      group: message('models.top'),
      shapes: [{ view: 'plan', shape: rectShape(32.2, 39.4, 6.4, 7.6, 2) }],
      leader: { view: 'plan', at: [37.2, 43.2], side: 'right' },
      factory: { kind: 'step', to: 'next' },
    },
    {
      id: 'upper-rear',
      number: 5,
      name: message('models.underTheWheelRear'),
      kind: 'press',
      role: 'upper-2',
      group: message('models.top'),
      shapes: [{ view: 'plan', shape: rectShape(32.2, 48.8, 6.4, 7.6, 2) }],
      leader: { view: 'plan', at: [37.2, 52.6], side: 'right' },
      factory: { kind: 'step', to: 'previous' },
    },
    ...THUMB_KEYS.map(thumbKey),
    {
      id: 'tilt-left',
      number: 18,
      name: message('models.wheelTiltLeft'),
      kind: 'press',
      role: 'tilt-left',
      mirror: 'tilt-right',
      group: message('models.wheel'),
      shapes: [{ view: 'plan', shape: pathShape(shifted(TILT, 30.6, 18.8, 1)) }],
      leader: { view: 'plan', at: [29, 22.3], side: 'top' },
      factory: { kind: 'scroll', wheel: 0, pan: -1 },
    },
    {
      id: 'tilt-right',
      number: 19,
      name: message('models.wheelTiltRight'),
      kind: 'press',
      role: 'tilt-right',
      mirror: 'tilt-left',
      group: message('models.wheel'),
      shapes: [{ view: 'plan', shape: pathShape(shifted(TILT, 40.2, 18.8, -1)) }],
      leader: { view: 'plan', at: [42, 24.4], side: 'right' },
      factory: { kind: 'scroll', wheel: 0, pan: 1 },
    },
    {
      id: 'wheel-up',
      number: 20,
      name: message('models.wheelUp'),
      kind: 'turn',
      role: 'wheel-up',
      group: message('models.wheel'),
      shapes: [
        {
          view: 'plan',
          shape: pathShape(
            'M31.8 17.4 L31.8 13.4 C31.8 11 33.2 9.8 35.4 9.8 C37.6 9.8 39 11 39 13.4 L39 17.4 Z',
          ),
        },
      ],
      leader: { view: 'plan', at: [37.6, 13.4], side: 'right' },
      factory: { kind: 'scroll', wheel: 1, pan: 0 },
    },
    {
      id: 'wheel-down',
      number: 21,
      name: message('models.wheelDown'),
      kind: 'turn',
      role: 'wheel-down',
      group: message('models.wheel'),
      shapes: [
        {
          view: 'plan',
          shape: pathShape(
            'M31.8 27.2 L31.8 31.2 C31.8 33.6 33.2 34.8 35.4 34.8 C37.6 34.8 39 33.6 39 31.2 L39 27.2 Z',
          ),
        },
      ],
      leader: { view: 'plan', at: [37.6, 31.4], side: 'right' },
      factory: { kind: 'scroll', wheel: -1, pan: 0 },
    },
  ],
  zones: [
    {
      id: 'logo',
      name: message('models.logo'),
      lights: [
        {
          at: [33, 97],
          shapes: [{ view: 'plan', shape: pathShape('M30 100.6 L39 92.9 L41.3 95.4 L35 101 Z') }],
        },
        { at: [32.6, 101], shapes: [{ view: 'plan', shape: circleShape(31.6, 101, 1.1) }] },
        {
          at: [33, 105],
          shapes: [{ view: 'plan', shape: pathShape('M30 101.4 L35 101 L41.3 106.6 L39 109.1 Z') }],
        },
      ],
    },
    {
      id: 'wheel',
      name: message('models.wheel'),
      lights: [33.4, 35.6].map((x) => ({
        at: [x + 0.9, 36.4],
        shapes: [{ view: 'plan', shape: rectShape(x, 35.8, 1.8, 1.2, 0.6) }],
      })),
    },
    { id: 'grid', name: message('models.grid'), lights: THUMB_KEYS.map((_, index) => thumbLight(index)) },
    {
      id: 'nose',
      name: message('models.nose'),
      lights: [26, 31.4, 36.6, 41.8].map((x, index) => ({
        at: [x + 1.8, 3.2],
        shapes: [
          { view: 'plan', shape: rectShape(x, 2.7, 3.6, 1, 0.5) },
          ...(index === 0 ? [{ view: 'left', shape: circleShape(37.6, 8, 0.9) }] : []),
        ],
      })),
    },
  ],
  indicatorZone: 'wheel',
  sensor: { minDpi: 100, maxDpi: 16000, resolutionDpi: 100, maxSteps: 6, splitAxes: true },
  connections: [
    {
      id: 'cable',
      name: message('models.cable'),
      ratesHz: [125, 250, 500, 1000],
      configurable: true,
      charges: true,
      factoryRateHz: 1000,
    },
  ],
  memory: {
    slots: 5,
    sectors: 16,
    sectorBytes: 4096,
    blockSectors: 2,
    pageBytes: 256,
    programUs: 700,
    eraseUs: 45_000,
  },
  debounce: { ms: 4, strategy: 'eager', maxMs: 20 },
  standIn: { serial: 0x1c07, charge: 0, over: 'cable' },
  firmwareKey: SALTMARSH_KEY,
  electrical: { controllerMa: 9, sensorActiveMa: 14, sensorRestMa: 1.2, lightMa: 2.6, limitMa: 90 },
  factory: {
    light: [
      factoryEffect({ kind: 'off' }, 3),
      factoryEffect(breathing(GREEN, 60), 2),
      factoryEffect(solid(GREEN, 60), 0, 1),
    ],
    steps: [
      { dpi: 600, colour: { red: 0xe0, green: 0x4f, blue: 0x2f } },
      { dpi: 1200, colour: { red: 0xf2, green: 0xc1, blue: 0x4e } },
      { dpi: 2400, colour: { red: 0x3f, green: 0xa6, blue: 0x8a } },
      { dpi: 4800, colour: { red: 0xff, green: 0xff, blue: 0xff } },
    ],
    defaultStep: 1,
  },
}

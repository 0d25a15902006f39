import { message } from '../../message/message'
import { factoryEffect } from '../factory-light'
import type { DeviceInput, DeviceModel } from '../model'
import { circleShape, pathShape, rectShape } from '../shapes'
import { SALTMARSH_KEY } from './saltmarsh'

/** A side button: one on either side, both closing the same switch. */
const flankButton = (place: 'front' | 'rear', number: number, button: number, y: number): DeviceInput => ({
  id: `side-${place}`,
  number,
  name: `Side, ${place}`,
  kind: 'press',
  role: place === 'front' ? 'forward' : 'back',
  shapes: [
    { view: 'left', shape: rectShape(13.4, y, 5.6, 17, 2.4), flank: 'left' },
    { view: 'plan', shape: rectShape(1.6, y, 2.2, 16, 1), flank: 'left' },
    { view: 'plan', shape: rectShape(56.2, y, 2.2, 16, 1), flank: 'right' },
    { view: 'right', shape: rectShape(11, y, 5.6, 17, 2.4), flank: 'right' },
  ],
  leader: { view: 'left', at: [15.4, y + 8], side: 'left' },
  leftHandLeader: { view: 'right', at: [14.6, y + 8], side: 'right' },
  factory: { kind: 'button', button, clicks: 1 },
})

/** Simple mouse for either hand: left side, top view and right side next to each other, with the nose at the top. */
export const knot5: DeviceModel = {
  id: 'knot-5',
  number: 0x0105,
  maker: 'Saltmarsh',
  name: 'Knot 5',
  kind: 'mouse',
  summary: message('models.knot5'),
  sheet: {
    widthMm: 132,
    heightMm: 116,
    views: [
      {
        id: 'left',
        title: message('models.leftSide'),
        at: [0, 0],
        widthMm: 30,
        heightMm: 116,
        body: pathShape(
          'M30 2 L24 2 C15 9 7 24 3.4 44 C0.8 62 2 84 9 99 C14 108.6 21 113.6 27 114.4 L30 114.4 Z',
        ),
        lines: [pathShape('M26.6 3 L26.6 113.6'), pathShape('M24 2.4 C22 14 20.4 24 19 32')],
      },
      {
        id: 'plan',
        title: message('models.topView'),
        at: [36, 0],
        widthMm: 60,
        heightMm: 116,
        body: pathShape(
          'M30 1 C46 1 56 7 57.6 21 C58.8 33 56.4 46 56.4 58 C56.4 72 59 82 58 93 C56.6 108 44 115 30 115 ' +
            'C16 115 3.4 108 2 93 C1 82 3.6 72 3.6 58 C3.6 46 1.2 33 2.4 21 C4 7 14 1 30 1 Z',
        ),
        lines: [
          pathShape('M3.4 54 C12 57 20 58.4 30 58.4 C40 58.4 48 57 56.6 54'),
          pathShape('M30 58.4 L30 63'),
        ],
      },
      {
        id: 'right',
        title: message('models.rightSide'),
        at: [102, 0],
        widthMm: 30,
        heightMm: 116,
        body: pathShape(
          'M0 2 L6 2 C15 9 23 24 26.6 44 C29.2 62 28 84 21 99 C16 108.6 9 113.6 3 114.4 L0 114.4 Z',
        ),
        lines: [pathShape('M3.4 3 L3.4 113.6'), pathShape('M6 2.4 C8 14 9.6 24 11 32')],
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
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M26 1.2 C13 2 4 8 2.6 21 C1.8 32 3.2 43 3.5 53 C11 55.8 18 57.2 26 57.6 Z'),
        },
      ],
      leader: { view: 'plan', at: [14, 20], side: 'top' },
      factory: { kind: 'button', button: 1, clicks: 1 },
    },
    {
      id: 'right',
      number: 2,
      name: message('models.rightButton'),
      kind: 'press',
      role: 'secondary',
      mirror: 'left',
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M34 1.2 C47 2 56 8 57.4 21 C58.2 32 56.8 43 56.5 53 C49 55.8 42 57.2 34 57.6 Z'),
        },
      ],
      leader: { view: 'plan', at: [46, 20], side: 'top' },
      factory: { kind: 'button', button: 2, clicks: 1 },
    },
    {
      id: 'wheel-press',
      number: 3,
      name: message('models.wheelPress'),
      kind: 'press',
      role: 'middle',
      shapes: [{ view: 'plan', shape: rectShape(27, 19, 6, 8, 1) }],
      leader: { view: 'plan', at: [32, 23], side: 'right' },
      factory: { kind: 'button', button: 3, clicks: 1 },
    },
    flankButton('rear', 4, 4, 54),
    flankButton('front', 5, 5, 34),
    {
      id: 'wheel-up',
      number: 6,
      name: message('models.wheelUp'),
      kind: 'turn',
      role: 'wheel-up',
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M27 18.4 L27 15 C27 12.8 28.4 11.6 30 11.6 C31.6 11.6 33 12.8 33 15 L33 18.4 Z'),
        },
      ],
      leader: { view: 'plan', at: [32, 15], side: 'right' },
      factory: { kind: 'scroll', wheel: 1, pan: 0 },
    },
    {
      id: 'wheel-down',
      number: 7,
      name: message('models.wheelDown'),
      kind: 'turn',
      role: 'wheel-down',
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M27 27.6 L27 31 C27 33.2 28.4 34.4 30 34.4 C31.6 34.4 33 33.2 33 31 L33 27.6 Z'),
        },
      ],
      leader: { view: 'plan', at: [32, 31], side: 'right' },
      factory: { kind: 'scroll', wheel: -1, pan: 0 },
    },
  ],
  zones: [
    {
      id: 'step-light',
      name: message('models.stepLight'),
      lights: [{ at: [30, 67], shapes: [{ view: 'plan', shape: circleShape(30, 67, 1.9) }] }],
      effects: ['step', 'off'],
    },
  ],
  indicatorZone: 'step-light',
  sensor: { minDpi: 400, maxDpi: 3200, resolutionDpi: 400, maxSteps: 4 },
  connections: [
    {
      id: 'cable',
      name: message('models.cable'),
      ratesHz: [125, 500, 1000],
      configurable: true,
      charges: true,
      factoryRateHz: 500,
    },
  ],
  // 4 KiB in total. Sectors of 4 KiB would leave no room to write while the old image is still valid, so this small
  // part erases 1 KiB at a time.
  memory: {
    slots: 1,
    sectors: 4,
    sectorBytes: 1024,
    blockSectors: 1,
    pageBytes: 256,
    programUs: 700,
    eraseUs: 45_000,
  },
  debounce: { ms: 8, strategy: 'deferred' },
  standIn: { serial: 0x0913, charge: 0, over: 'cable' },
  firmwareKey: SALTMARSH_KEY,
  electrical: { controllerMa: 6, sensorActiveMa: 9, sensorRestMa: 0.8, lightMa: 3, limitMa: 9 },
  factory: {
    light: [factoryEffect({ kind: 'step', brightness: 80 })],
    steps: [
      { dpi: 800, colour: { red: 0xe0, green: 0x4f, blue: 0x2f } },
      { dpi: 1600, colour: { red: 0x2f, green: 0xd3, blue: 0x9a } },
      { dpi: 3200, colour: { red: 0x2e, green: 0x9b, blue: 0xd6 } },
    ],
    defaultStep: 0,
  },
}

import { message } from '../../message/message'
import { itemAt } from '../../base/items'
import { breathing, factoryEffect, solid } from '../factory-light'
import type { DeviceModel, LightPosition } from '../model'
import { pathShape, rectShape } from '../shapes'
import { SALTMARSH_KEY } from './saltmarsh'

const BLUE = { red: 0x2e, green: 0x9b, blue: 0xd6 }

/** Six along the ridge, from front to rear. */
const spineLight = (index: number): LightPosition => {
  const y = 62 + 4.4 * index
  const inSide = 57 + 5.4 * index
  // The ridge follows the curve of the side's outline.
  const bend = itemAt([4.2, 3.7, 3.5, 3.6, 4.2, 5.4], index)
  return {
    at: [31, y + 1],
    shapes: [
      { view: 'plan', shape: rectShape(30.3, y, 1.4, 2.6, 0.7) },
      { view: 'left', shape: rectShape(bend, inSide, 1.1, 3.4, 0.5) },
    ],
  }
}

/**
 * Lightweight wireless mouse. The nose of the top view is at y = 0; the left side is drawn next to it, with the table
 * to the right.
 */
export const tern7: DeviceModel = {
  id: 'tern-7',
  number: 0x0107,
  maker: 'Saltmarsh',
  name: 'Tern 7',
  kind: 'mouse',
  summary: message('models.tern7'),
  sheet: {
    widthMm: 108,
    heightMm: 163,
    views: [
      {
        id: 'left',
        title: message('models.leftSide'),
        at: [0, 0],
        widthMm: 38,
        heightMm: 120,
        body: pathShape(
          'M38 3 L29.5 3 C21 10 10.5 27 5 48 C0.6 66 2.4 92 13.5 107.5 C19 114.5 25 117.4 31.5 118 L38 118 Z',
        ),
        lines: [
          pathShape('M34 4.5 L34 116.8'),
          pathShape('M29.5 3 C27.8 15 25.6 26 23.8 33'),
          pathShape('M17.4 80 C18 92 21.5 105 28 114.6'),
        ],
      },
      {
        id: 'plan',
        title: message('models.topView'),
        at: [46, 0],
        widthMm: 62,
        heightMm: 120,
        body: pathShape(
          'M31 1 C45 1 56.6 4.4 57.3 18 C58 34 54.2 46 54.2 58 C54.2 72 60 80 60 94 C60 110 47 119 31 119 ' +
            'C15 119 2 110 2 94 C2 80 7.8 72 7.8 58 C7.8 46 4 34 4.7 18 C5.4 4.4 17 1 31 1 Z',
        ),
        lines: [
          pathShape('M7.6 51.5 C15 55.4 22 57 31 57 C40 57 47 55.4 54.4 51.5'),
          pathShape('M3 86 C7 84.5 9.6 78 10.6 68'),
          pathShape('M59 86 C55 84.5 52.4 78 51.4 68'),
        ],
      },
      {
        id: 'underside',
        title: message('models.undersideDetail'),
        at: [3, 133],
        widthMm: 30,
        heightMm: 30,
        body: { kind: 'circle', x: 15, y: 15, radius: 15 },
        lines: [
          { kind: 'circle', x: 15, y: 20, radius: 4.4 },
          { kind: 'circle', x: 15, y: 20, radius: 1.7 },
          pathShape('M2.6 7 C8 3.6 22 3.6 27.4 7'),
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
      shapes: [
        {
          view: 'plan',
          shape: pathShape(
            'M27 1.2 C15 1.6 5.4 5.4 4.7 18 C4.2 30 7 40 7.6 50.4 C14 53.8 20.4 55.4 27 55.9 Z',
          ),
        },
      ],
      leader: { view: 'plan', at: [15, 17], side: 'top' },
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
          shape: pathShape(
            'M35 1.2 C47 1.6 56.6 5.4 57.3 18 C57.8 30 55 40 54.4 50.4 C48 53.8 41.6 55.4 35 55.9 Z',
          ),
        },
      ],
      leader: { view: 'plan', at: [47, 17], side: 'top' },
      factory: { kind: 'button', button: 2, clicks: 1 },
    },
    {
      id: 'wheel-press',
      number: 3,
      name: message('models.wheelPress'),
      kind: 'press',
      role: 'middle',
      shapes: [{ view: 'plan', shape: rectShape(28, 17, 6, 8, 1) }],
      leader: { view: 'plan', at: [33, 21], side: 'right' },
      factory: { kind: 'button', button: 3, clicks: 1 },
    },
    {
      id: 'side-rear',
      number: 4,
      name: message('models.sideRear'),
      kind: 'press',
      role: 'back',
      shapes: [
        { view: 'left', shape: rectShape(14, 57, 6, 19, 2.6) },
        {
          view: 'plan',
          shape: pathShape('M7.8 57.2 C7.8 65 6.8 71 5.2 76 L4.4 75.5 C5.6 70 6.2 64 6.2 57.2 Z'),
        },
      ],
      leader: { view: 'left', at: [16, 68], side: 'left' },
      factory: { kind: 'button', button: 4, clicks: 1 },
    },
    {
      id: 'side-front',
      number: 5,
      name: message('models.sideFront'),
      kind: 'press',
      role: 'forward',
      shapes: [
        { view: 'left', shape: rectShape(15.5, 35, 6, 19, 2.6) },
        {
          view: 'plan',
          shape: pathShape('M6.4 38 C7.3 45 7.8 51 7.8 56.8 L6.2 56.8 C6.1 50 5.6 44 4.8 38.4 Z'),
        },
      ],
      leader: { view: 'left', at: [17.5, 43], side: 'left' },
      factory: { kind: 'button', button: 5, clicks: 1 },
    },
    {
      id: 'under-wheel',
      number: 6,
      name: message('models.underTheWheel'),
      kind: 'press',
      role: 'upper',
      shapes: [{ view: 'plan', shape: rectShape(28.4, 36, 5.2, 9, 2) }],
      leader: { view: 'plan', at: [32.5, 40.5], side: 'right' },
      factory: { kind: 'step', to: 'next' },
    },
    {
      id: 'slot-button',
      number: 7,
      name: message('models.underside'),
      kind: 'press',
      role: 'underside',
      shapes: [{ view: 'underside', shape: rectShape(10.5, 8.4, 9, 4.2, 2.1) }],
      leader: { view: 'underside', at: [18.5, 10.5], side: 'right' },
      factory: { kind: 'slot', to: 'next' },
    },
    {
      id: 'wheel-up',
      number: 8,
      name: message('models.wheelUp'),
      kind: 'turn',
      role: 'wheel-up',
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M28 16.4 L28 13 C28 10.8 29.4 9.6 31 9.6 C32.6 9.6 34 10.8 34 13 L34 16.4 Z'),
        },
      ],
      leader: { view: 'plan', at: [33, 13], side: 'right' },
      factory: { kind: 'scroll', wheel: 1, pan: 0 },
    },
    {
      id: 'wheel-down',
      number: 9,
      name: message('models.wheelDown'),
      kind: 'turn',
      role: 'wheel-down',
      shapes: [
        {
          view: 'plan',
          shape: pathShape('M28 25.6 L28 29 C28 31.2 29.4 32.4 31 32.4 C32.6 32.4 34 31.2 34 29 L34 25.6 Z'),
        },
      ],
      leader: { view: 'plan', at: [33, 29], side: 'right' },
      factory: { kind: 'scroll', wheel: -1, pan: 0 },
    },
  ],
  zones: [
    { id: 'spine', name: message('models.spine'), lights: [0, 1, 2, 3, 4, 5].map(spineLight) },
    {
      id: 'crest',
      name: message('models.crest'),
      lights: [
        {
          at: [28, 99.5],
          shapes: [
            {
              view: 'plan',
              shape: pathShape(
                'M24.5 103.5 C26.4 97.6 28.6 95 30.8 95 L30.8 101.6 C28.4 101.8 26.2 102.2 24.5 103.5 Z',
              ),
            },
          ],
        },
        {
          at: [34, 99.5],
          shapes: [
            {
              view: 'plan',
              shape: pathShape(
                'M37.5 103.5 C35.6 97.6 33.4 95 31.2 95 L31.2 101.6 C33.6 101.8 35.8 102.2 37.5 103.5 Z',
              ),
            },
          ],
        },
      ],
    },
  ],
  indicatorZone: 'crest',
  sensor: {
    minDpi: 50,
    maxDpi: 26000,
    resolutionDpi: 50,
    maxSteps: 5,
    splitAxes: true,
    liftOffMm: [1, 2],
    angleSnapping: true,
    calibration: true,
  },
  connections: [
    {
      id: 'cable',
      name: message('models.cable'),
      ratesHz: [125, 250, 500, 1000],
      configurable: true,
      charges: true,
      factoryRateHz: 1000,
    },
    {
      id: 'receiver',
      name: message('models.radio'),
      ratesHz: [125, 250, 500, 1000, 2000, 4000],
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
      without: { inputs: ['slot-button'], because: message('models.pairsTheMouse') },
    },
  ],
  memory: {
    slots: 5,
    sectors: 8,
    sectorBytes: 4096,
    blockSectors: 1,
    pageBytes: 256,
    programUs: 700,
    eraseUs: 45_000,
  },
  debounce: { ms: 4, strategy: 'eager', maxMs: 20 },
  standIn: { serial: 0x7e41, charge: 0.82, over: 'receiver' },
  pairing: { input: 'slot-button', holdMs: 3000 },
  firmwareKey: SALTMARSH_KEY,
  electrical: {
    battery: {
      capacityMah: 320,
      chargeMa: 180,
      reportMicroampereSeconds: 2.4,
      radioRestMa: 0.12,
      sleepMa: 0.03,
      wakeMs: 9,
      sleepMinutes: 10,
      noticePercent: 15,
    },
    controllerMa: 1.6,
    sensorActiveMa: 1.9,
    sensorRestMa: 0.09,
    lightMa: 2.2,
    limitMa: 40,
  },
  factory: {
    light: [factoryEffect(solid(BLUE, 60), 0), factoryEffect(breathing(BLUE, 60), 1)],
    steps: [
      { dpi: 400, colour: { red: 0xe0, green: 0x4f, blue: 0x2f } },
      { dpi: 800, colour: { red: 0xf2, green: 0xc1, blue: 0x4e } },
      { dpi: 1600, colour: { red: 0x2e, green: 0x9b, blue: 0xd6 } },
      { dpi: 3200, colour: { red: 0xff, green: 0xff, blue: 0xff } },
    ],
    defaultStep: 1,
  },
}

import { array, boolean, mixed, number, object, string, type ObjectSchema, type Schema } from 'yup'
import { isMessage, type Message, type MessageFact } from '../message/message'
import type { DeviceModel, Point, Shape } from './model'

/** Validates device model files beyond their types. Tests validate every included model. */
const positive = () => number().required().positive()
const whole = () => positive().integer()
const notNegative = () => number().required().min(0)
const text = () => string().required().min(1)

/** A text for people: a message, or the character on a key. */
const shownText = () =>
  mixed<MessageFact>()
    .required()
    .test(
      'message',
      '${path} is a message or a text',
      (value) => isMessage(value) || (typeof value === 'string' && value !== ''),
    )
const shownMessage = () => mixed<Message>().required().test('message', '${path} is a message', isMessage)

const shape = () =>
  mixed<Shape>()
    .required()
    .test('shape', '${path} is a path, line, rect or circle with finite numbers', (value) => {
      if (value.kind === 'path' || value.kind === 'line') return /^M[\d\s.,MLCZHVA-]+$/.test(value.d)
      return Object.values(value).every((part) => typeof part === 'string' || Number.isFinite(part))
    })

const point = () =>
  mixed<Point>()
    .required()
    .test(
      'point',
      '${path} is [x, y] in mm',
      (value: readonly unknown[]) => value.length === 2 && value.every(Number.isFinite),
    )

const placed = () =>
  array(object({ view: text(), shape: shape(), flank: string().oneOf(['left', 'right']) }))
    .required()
    .min(1)
const leader = () =>
  object({ view: text(), at: point(), side: string().oneOf(['left', 'right', 'top']).required() })
const anyOf = <T extends { kind: string }>(): Schema<T> =>
  mixed<T>()
    .required()
    .test('kind', '${path} has a kind', (value) => typeof value.kind === 'string')

const channel = () => number().required().integer().min(0).max(255)
const rgb = () => object({ red: channel(), green: channel(), blue: channel() }).required()

const unique = (what: string) => ({
  name: 'unique',
  message: `\${path}: two entries have the same ${what}`,
  test: (list: unknown) =>
    Array.isArray(list) &&
    new Set(list.map((entry: Record<string, unknown>) => entry[what])).size === list.length,
})

export const deviceModelSchema: ObjectSchema<Record<keyof DeviceModel, unknown>> = object({
  id: text().matches(/^[a-z0-9-]+$/),
  number: whole().max(0xffff),
  revision: number().integer().min(0).max(255),
  maker: text(),
  name: text(),
  kind: string().oneOf(['mouse', 'keyboard']).required(),
  summary: shownMessage(),
  sheet: object({
    widthMm: positive(),
    heightMm: positive(),
    views: array(
      object({
        id: text(),
        title: shownMessage(),
        at: point(),
        widthMm: positive(),
        heightMm: positive(),
        body: shape(),
        lines: array(shape()).required(),
      }),
    )
      .required()
      .min(1)
      .test(unique('id')),
  }).required(),
  inputs: array(
    object({
      id: text(),
      number: whole().max(255),
      name: shownText(),
      role: string(),
      mirror: string(),
      kind: string().oneOf(['press', 'turn']).required(),
      shapes: placed(),
      leader: leader().required(),
      leftHandLeader: leader().default(undefined).optional(),
      key: object({ code: string(), legend: string() }).default(undefined).optional(),
      group: mixed<Message>().test(
        'message',
        '${path} is a message',
        (value) => value === undefined || isMessage(value),
      ),
      factory: anyOf(),
    }),
  )
    .required()
    .min(1)
    .test(unique('id'))
    .test(unique('number')),
  zones: array(
    object({
      id: text(),
      name: shownMessage(),
      lights: array(object({ at: point(), shapes: placed(), input: string() }))
        .required()
        .min(1),
      effects: array(text()),
    }),
  )
    .required()
    .test(unique('id')),
  indicatorZone: text(),
  sensor: object({
    minDpi: whole(),
    maxDpi: whole().max(0xffff),
    resolutionDpi: whole(),
    maxSteps: whole().max(16),
    splitAxes: boolean(),
    angleSnapping: boolean(),
    calibration: boolean(),
    liftOffMm: array(positive()).min(1),
  })
    .default(undefined)
    .optional(),
  connections: array(
    object({
      id: string().oneOf(['cable', 'receiver', 'bluetooth']).required(),
      name: shownMessage(),
      ratesHz: array(whole().test('unit', '${path} is a multiple of 125 Hz', (rate) => rate % 125 === 0))
        .required()
        .min(1),
      configurable: boolean().required(),
      charges: boolean().required(),
      factoryRateHz: whole(),
      without: object({ inputs: array(text()).required().min(1), because: shownMessage() })
        .default(undefined)
        .optional(),
    }).test('factory rate', '${path}: the factory rate is not among its rates', (connection) =>
      connection.ratesHz.includes(connection.factoryRateHz),
    ),
  )
    .required()
    .min(1),
  memory: object({
    slots: whole(),
    sectors: whole(),
    sectorBytes: whole(),
    blockSectors: whole(),
    pageBytes: whole(),
    programUs: whole(),
    eraseUs: whole(),
  })
    .required()
    // In the worst case: one live block per slot, one for settings, one being filled, and one being emptied.
    .test(
      'room',
      '${path}: a log needs three blocks more than slots',
      ({ sectors, blockSectors, slots }) =>
        sectors % blockSectors === 0 && sectors / blockSectors >= slots + 3,
    ),
  debounce: object({
    ms: positive(),
    maxMs: positive().default(undefined).optional(),
    strategy: string().oneOf(['eager', 'deferred']).required(),
  }).required(),
  electrical: object({
    battery: object({
      capacityMah: positive(),
      chargeMa: positive(),
      reportMicroampereSeconds: positive(),
      radioRestMa: positive(),
      sleepMa: positive(),
      wakeMs: notNegative(),
      sleepMinutes: whole(),
      noticePercent: whole(),
    })
      .default(undefined)
      .optional(),
    controllerMa: positive(),
    sensorActiveMa: notNegative(),
    sensorRestMa: notNegative(),
    lightMa: positive(),
    limitMa: positive(),
  }).required(),
  standIn: object({
    serial: whole().max(0xffff_ffff),
    charge: notNegative().max(1),
    over: string().oneOf(['receiver', 'cable']).required(),
  }).required(),
  pairing: object({ input: text(), holdMs: positive().min(1000) })
    .default(undefined)
    .optional(),
  firmwareKey: text().matches(/^[0-9a-f]{64}$/, '${path} is an Ed25519 key: 64 hexadecimal digits'),
  factory: object({
    steps: array(object({ dpi: whole(), colour: rgb() })).min(1),
    defaultStep: number().integer().min(0),
    layers: array(object({ name: text(), bindings: mixed<object>().required() })),
    light: array(mixed<object>().required()).required(),
  }).required(),
})
  .test('views', '${path}: a shape or a leader names a view the sheet does not have', (model) => {
    const views = new Set(model.sheet.views.map((view) => view.id))
    const named = [
      ...model.inputs.flatMap((input) => [input.leader.view, ...input.shapes.map(({ view }) => view)]),
      ...model.inputs.flatMap(({ leftHandLeader }) => (leftHandLeader ? [leftHandLeader.view] : [])),
      ...model.zones.flatMap((zone) => zone.lights.flatMap(({ shapes }) => shapes.map(({ view }) => view))),
    ]
    return named.every((view) => views.has(view))
  })
  .test('steps', '${path}: a sensor and the steps of the factory go together', (model) =>
    model.sensor ? model.factory.steps !== undefined : model.factory.steps === undefined,
  )
  .test('inputs', '${path}: an input is named that the model does not have', (model) => {
    const inputs = new Set(model.inputs.map(({ id }) => id))
    const named = [
      ...model.connections.flatMap(({ without }) => without?.inputs ?? []),
      ...(model.factory.layers ?? []).flatMap(({ bindings }) => Object.keys(bindings)),
      ...model.zones.flatMap(({ lights }) => lights.flatMap(({ input }) => input ?? [])),
    ]
    return named.every((id) => inputs.has(id))
  })
  .test('mirror', '${path}: an input and its mirror do not name each other', (model) =>
    model.inputs.every(
      ({ id, mirror }) =>
        mirror === undefined || model.inputs.find((input) => input.id === mirror)?.mirror === id,
    ),
  )
  .test('indicator', '${path}: the indicator zone is not among the zones', (model) =>
    model.zones.some((zone) => zone.id === model.indicatorZone),
  )

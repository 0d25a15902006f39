// npm run vectors: writes docs/onboard-tables.md, the numbers of the image format, from the code that uses them.
import { writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { itemAt, valueOf } from '../src/core/base/items'
import { slotCapacity } from '../src/core/device/lookups'
import type { DeviceModel } from '../src/core/device/model'
import { DEVICE_MODELS } from '../src/core/device/models'
import { keyByCode } from '../src/core/hid/keyboard-page'
import { LAYOUTS, layoutFor } from '../src/core/computer/layouts'
import { COMMON_KEYS, type LayoutTable } from '../src/core/computer/layouts/layout'
import { actionRecord } from '../src/core/actions/records'
import { TARGET_BOUNDS } from '../src/core/base/parameters'
import { ACTIONS } from '../src/core/actions/registry'
import { toHexBytes } from '../src/core/base/bytes'
import { toHex } from '../src/core/base/colour'
import { MAX_IMAGE_BYTES } from '../src/core/onboard/format'
import { MAX_SIGNAL, MAX_UPPER_LAYERS } from '../src/core/onboard/image'
import { lightPlan, lightsOfModel } from '../src/core/light/plan'
import { MAX_ENTRIES, writeLightStack } from '../src/core/onboard/light-stack'
import { COSINE, DIRECTION_STEP, LIGHT_OF_DRIVE, RAISED_COSINE } from '../src/core/effects/fixed'
import { LAYER_LIGHTS } from '../src/core/onboard/layer-colours'
import { conditionRows, effectRows, LIGHT_COLUMNS } from './light-tables'
import { BUDGET } from '../src/core/onboard/macro-budget'
import { MAX_DEPTH, MAX_REPEATS } from '../src/core/onboard/macro-code'
import { MAX_MACROS } from '../src/core/onboard/macro-section'
import { MAX_STEPS } from '../src/core/onboard/steps-section'
import * as lengths from '../src/core/base/name-lengths'
import { LAYER_COLOURS } from '../src/core/document/schema'
import {
  OPERATING_SYSTEMS,
  SHORTCUTS,
  OPERATING_SYSTEM_NAMES,
  type Chord,
} from '../src/core/computer/shortcuts'
import { englishText } from '../src/messages/plain'
import { modifierBits } from '../src/core/computer/typing'

const PAGE = 'docs/onboard-tables.md'

const row = (...cells: (string | number)[]): string =>
  `| ${cells.map((cell) => String(cell).replaceAll('|', '\\|')).join(' | ')} |`
const table = (head: string[], rows: (string | number)[][]): string =>
  [row(...head), row(...head.map(() => '---')), ...rows.map((cells) => row(...cells))].join('\n')
const hex = (value: number, digits = 2): string => value.toString(16).padStart(digits, '0')
const code = (text: string): string => (text === '' ? '' : `\`${text}\``)
const between = ({ min, max }: { min: number; max: number }): string => `${min} to ${max}`

const chord = (keys: Chord | undefined): string =>
  keys ? code(`${hex(modifierBits(keys.modifiers))} ${hex(keyByCode(keys.code)?.usage ?? 0)}`) : 'none'

/** A printable form of a character; combining ones, which are dead keys, by their number. */
const character = (typed = ''): string => {
  if (typed === '' || typed === '`') return typed === '`' ? '`` ` ``' : ''
  const point = typed.codePointAt(0) ?? 0
  return /^[\p{M}\p{Z}\p{C}]/u.test(typed) ? `U+${hex(point, 4).toUpperCase()}` : code(typed)
}

const layoutTable = (keys: LayoutTable): string =>
  table(
    ['usage', 'plain', 'Shift', 'AltGr', 'AltGr+Shift'],
    Object.entries(keys).map(([key, levels]) => [
      code(hex(keyByCode(key)?.usage ?? 0)),
      ...[0, 1, 2, 3].map((level) => character(levels[level])),
    ]),
  )

/** Position of an input for the light, in mm of the top view. */
function placeOf(model: DeviceModel, input: number): string {
  const { x = 0, y = 0 } = lightPlan(model).inputs.get(input) ?? {}
  return `${x / 10}, ${y / 10}`
}

function modelSection(model: DeviceModel): string {
  const { name, number, revision = 0, memory, sensor, factory } = model
  return [
    `### ${name}`,
    `Number \`0x${hex(number, 4)}\`, revision ${revision}. ${memory.slots} slots of up to ${slotCapacity(memory)} B; flash with ${memory.sectors} sectors of ${memory.sectorBytes} B, ${memory.blockSectors} per block, pages of ${memory.pageBytes} B; ${memory.programUs} µs to program a page, ${memory.eraseUs} µs to erase a sector.` +
      (sensor
        ? ` ${sensor.minDpi} to ${sensor.maxDpi} DPI in increments of ${sensor.resolutionDpi}, up to ${sensor.maxSteps} steps${sensor.splitAxes ? ', with separate DPI for each axis' : ''}. Factory settings: ${(factory.steps ?? []).map(({ dpi }) => dpi).join(', ')} DPI, step ${(factory.defaultStep ?? 0) + 1}.`
        : ' No sensor.'),
    table(
      [
        'input',
        'name',
        'kind',
        'position, mm',
        'factory setting',
        ...(factory.layers ?? []).map(({ name: layer }) => `on layer ${layer}`),
      ],
      model.inputs.map((input) => [
        input.number,
        englishText(input.name),
        input.kind,
        placeOf(model, input.number),
        record(input.factory),
        ...(factory.layers ?? []).map(({ bindings }) =>
          bindings[input.id] ? record(valueOf(bindings, input.id)) : '',
        ),
      ]),
    ),
    table(
      ['zone', 'name', 'lights', 'effects'],
      model.zones.map((zone, index) => [
        index,
        englishText(zone.name),
        zone.lights.length,
        zone.effects?.join(', ') ?? 'any effect',
      ]),
    ),
    `Factory light, as section 9: ${code(toHexBytes(writeLightStack(model.factory.light)))}. One channel of one light at full drive draws ${model.electrical.lightMa} mA; the limit for all lights is ${model.electrical.limitMa} mA.`,
    table(
      ['light', 'id', 'x in mm', 'y in mm', 'input'],
      lightsOfModel(model).map(({ id, at, input }, index) => [
        index,
        id,
        at[0],
        at[1],
        model.inputs.find((each) => each.id === input)?.number ?? '',
      ]),
    ),
    table(
      ['connection', 'name', 'rates in Hz', 'factory setting', 'configuration'],
      model.connections.map(({ name: connection, ratesHz, factoryRateHz, configurable }, index) => [
        index,
        englishText(connection),
        ratesHz.join(', '),
        factoryRateHz,
        configurable ? 'yes' : 'no',
      ]),
    ),
  ].join('\n\n')
}

function record(action: DeviceModel['inputs'][number]['factory']): string {
  const { code: number, payload } = actionRecord(action)
  return `${number}${payload.length > 0 ? ` ${code(toHexBytes(payload))}` : ''}`
}

export function tables(): string {
  const { key, consumer, button, scroll, countdown, macro } = ACTIONS
  const { usage } = key.parameters
  const control = consumer.parameters.usage
  return `# The numbers of the onboard format

Generated by \`npm run vectors\` from the code that reads and writes images; a test keeps this page up to date. [onboard-format.md](onboard-format.md) explains the numbers.

## Limits

${table(
  ['value', 'limit'],
  [
    ['image', `${MAX_IMAGE_BYTES} B, and the capacity of a slot`],
    ['profile name', `${lengths.MAX_NAME_BYTES} B`],
    ['layer name', `${lengths.MAX_LAYER_NAME_BYTES} B`],
    ['in-game name', `${lengths.MAX_BINDING_NAME_BYTES} B`],
    ['step name', `${lengths.MAX_STEP_NAME_BYTES} B`],
    ['macro name', `${lengths.MAX_MACRO_NAME_BYTES} B`],
    ['layers above the base layer', MAX_UPPER_LAYERS],
    ['signals', MAX_SIGNAL],
    ['steps', MAX_STEPS],
    ['macros', MAX_MACROS],
    ['usage of a key', `${hex(usage.min)} to ${hex(usage.max)}`],
    ['usage of a control', `${hex(control.min)} to ${hex(control.max, 3)}`],
    ['mouse buttons', between(button.parameters.button)],
    ['clicks', between(button.parameters.clicks)],
    ['detents', between(scroll.parameters.wheel)],
    ['step or slot by number', between(TARGET_BOUNDS)],
    ['threshold of tap and hold, ms', between(ACTIONS['tap-hold'].parameters.thresholdMs)],
    ['countdown, s', between(countdown.parameters.seconds)],
    ['hold step', between(ACTIONS['hold-step'].parameters.step)],
    ['passes of a macro', between(macro.parameters.times)],
    ['gap between passes, ms', between(macro.parameters.gapMs)],
    ['effect name', `${lengths.MAX_EFFECT_NAME_BYTES} B`],
    ['effects in a stack', MAX_ENTRIES],
    ['repeats in byte code', `1 to ${MAX_REPEATS}, up to ${MAX_DEPTH} levels deep`],
    ['operations in a pass of a macro', BUDGET.steps],
    ['operations without time between them', BUDGET.atOnce],
  ],
)}

## Effects

The parameters of each effect in the order of their bytes. A parameter omitted at the end has the value in the last column. The third column is the first firmware that supports the effect.

${table(LIGHT_COLUMNS, effectRows())}

## Conditions

${table(LIGHT_COLUMNS, conditionRows())}

## Light of a drive

The first entry is that of drive 0.

${code(LIGHT_OF_DRIVE.join(' '))}

## Raised cosine

${code(RAISED_COSINE.join(' '))}

## Cosines

In 16,384ths, from 0° in steps of ${DIRECTION_STEP}°.

${code(COSINE.join(' '))}

## Colours of layers

${table(
  ['number', 'colour', 'light'],
  LAYER_COLOURS.map((colour, index) => [index, colour, code(toHex(itemAt(LAYER_LIGHTS, index)))]),
)}

## Operating systems

${table(
  ['number', 'operating system'],
  OPERATING_SYSTEMS.map((system, index) => [index + 1, OPERATING_SYSTEM_NAMES[system]]),
)}

## Keyboard layouts

${table(
  ['number', 'layout'],
  LAYOUTS.map(({ name }, index) => [index, englishText(name)]),
)}

## Shortcuts

Modifier bits and usage of each shortcut on a US layout. On another layout it is the key that types the same character.

${table(
  ['number', 'shortcut', ...OPERATING_SYSTEMS.map((system) => OPERATING_SYSTEM_NAMES[system])],
  SHORTCUTS.map(({ number, label, keys }) => [
    number,
    englishText(label),
    ...OPERATING_SYSTEMS.map((system) => chord(keys[system])),
  ]),
)}

## Device models

An action is shown as its code and its payload.

${DEVICE_MODELS.map(modelSection).join('\n\n')}

## What keys type

The usage of each key is in hexadecimal. A character U+0300 to U+036F represents a dead key: it types nothing by itself and is combined with the next character.

### On every layout

${layoutTable(COMMON_KEYS)}

${LAYOUTS.map(
  ({ id, name }) =>
    `### ${englishText(name)}\n\n${OPERATING_SYSTEMS.map((system) => `${OPERATING_SYSTEM_NAMES[system]}:\n\n${layoutTable(layoutFor(id, system).keys)}`).join('\n\n')}`,
).join('\n\n')}
`
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) writeFileSync(PAGE, tables())

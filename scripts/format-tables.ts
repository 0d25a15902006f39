// npm run vectors: writes docs/onboard-tables.md, the numbers an image is written in, from the code that writes it.
import { writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { itemAt, valueOf } from '../src/core/base/items'
import { slotCapacity } from '../src/core/device/lookups'
import type { DeviceModel } from '../src/core/device/model'
import { DEVICE_MODELS } from '../src/core/device/models'
import { keyByCode } from '../src/core/hid/keyboard-page'
import { LAYOUTS, layoutOn } from '../src/core/computer/layouts'
import { COMMON_KEYS, type LayoutTable } from '../src/core/computer/layouts/layout'
import { actionRecord } from '../src/core/actions/records'
import { CHOSEN } from '../src/core/base/parameters'
import { ACTIONS } from '../src/core/actions/registry'
import { toHexBytes } from '../src/core/base/bytes'
import { toHex } from '../src/core/base/colour'
import { MOST_IMAGE_BYTES } from '../src/core/onboard/format'
import { MOST_SIGNAL, MOST_UPPER_LAYERS } from '../src/core/onboard/image'
import { lightPlan, lightsOfModel } from '../src/core/light/plan'
import { MOST_ENTRIES, writeLightStack } from '../src/core/onboard/light-stack'
import { COSINE, DIRECTION_GRID, LIGHT_OF_DRIVE, RAISED_COSINE } from '../src/core/effects/fixed'
import { LAYER_LIGHTS } from '../src/core/onboard/layer-colours'
import { conditionRows, effectRows, LIGHT_COLUMNS } from './light-tables'
import { BUDGET } from '../src/core/onboard/macro-budget'
import { MOST_DEPTH, MOST_REPEATS } from '../src/core/onboard/macro-code'
import { MOST_MACROS } from '../src/core/onboard/macro-section'
import { MOST_STEPS } from '../src/core/onboard/steps-section'
import * as lengths from '../src/core/base/name-lengths'
import { LAYER_COLOURS } from '../src/core/document/schema'
import { OPERATING_SYSTEMS, SHORTCUTS, SYSTEM_NAMES, type Chord } from '../src/core/computer/shortcuts'
import { modifierBits } from '../src/core/computer/typing'

const PAGE = 'docs/onboard-tables.md'

const row = (...cells: (string | number)[]): string =>
  `| ${cells.map((cell) => String(cell).replaceAll('|', '\\|')).join(' | ')} |`
const table = (head: string[], rows: (string | number)[][]): string =>
  [row(...head), row(...head.map(() => '---')), ...rows.map((cells) => row(...cells))].join('\n')
const hex = (value: number, digits = 2): string => value.toString(16).padStart(digits, '0')
const code = (text: string): string => (text === '' ? '' : `\`${text}\``)
const between = ({ least, most }: { least: number; most: number }): string => `${least} to ${most}`

const chord = (keys: Chord | undefined): string =>
  keys ? code(`${hex(modifierBits(keys.modifiers))} ${hex(keyByCode(keys.code)?.usage ?? 0)}`) : 'none'

/** A character as a page can show it; a combining one, a dead key, by its number. */
const character = (typed = ''): string => {
  if (typed === '' || typed === '`') return typed === '`' ? '`` ` ``' : ''
  const point = typed.codePointAt(0) ?? 0
  return /^[\p{M}\p{Z}\p{C}]/u.test(typed) ? `U+${hex(point, 4).toUpperCase()}` : code(typed)
}

const layoutTable = (keys: LayoutTable): string =>
  table(
    ['usage', 'plain', 'Shift', 'AltGr', 'both'],
    Object.entries(keys).map(([key, levels]) => [
      code(hex(keyByCode(key)?.usage ?? 0)),
      ...[0, 1, 2, 3].map((level) => character(levels[level])),
    ]),
  )

/** Where an input lies for the light, in mm on the plan. */
function placeOf(model: DeviceModel, input: number): string {
  const { x = 0, y = 0 } = lightPlan(model).inputs.get(input) ?? {}
  return `${x / 10}, ${y / 10}`
}

function modelSection(model: DeviceModel): string {
  const { name, number, revision = 0, memory, sensor, factory } = model
  return [
    `### ${name}`,
    `Number \`0x${hex(number, 4)}\`, revision ${revision}. ${memory.slots} slots of at most ${slotCapacity(memory)} B; flash of ${memory.sectors} sectors of ${memory.sectorBytes} B, ${memory.blockSectors} a block, pages of ${memory.pageBytes} B; ${memory.programUs} µs to program a page, ${memory.eraseUs} µs to erase a sector.` +
      (sensor
        ? ` ${sensor.minDpi} to ${sensor.maxDpi} DPI by ${sensor.resolutionDpi}, ${sensor.maxSteps} steps at most${sensor.splitAxes ? ', across and along apart' : ''}. From the factory: ${(factory.steps ?? []).map(({ dpi }) => dpi).join(', ')} DPI, step ${(factory.defaultStep ?? 0) + 1}.`
        : ' No sensor.'),
    table(
      [
        'input',
        'name',
        'kind',
        'lies at, mm',
        'from the factory',
        ...(factory.layers ?? []).map(({ name: layer }) => `on ${layer}`),
      ],
      model.inputs.map((input) => [
        input.number,
        input.name,
        input.kind,
        placeOf(model, input.number),
        record(input.factory),
        ...(factory.layers ?? []).map(({ bindings }) =>
          bindings[input.id] ? record(valueOf(bindings, input.id)) : '',
        ),
      ]),
    ),
    table(
      ['zone', 'name', 'lights', 'shows'],
      model.zones.map((zone, index) => [
        index,
        zone.name,
        zone.lights.length,
        zone.effects?.join(', ') ?? 'any effect',
      ]),
    ),
    `Light from the factory, as section 9: ${code(toHexBytes(writeLightStack(model.factory.light)))}. One channel of one light at full drive draws ${model.electrical.lightMa} mA, all together at most ${model.electrical.limitMa} mA.`,
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
      ['connection', 'name', 'rates in Hz', 'from the factory', 'configuration'],
      model.connections.map(({ name: connection, ratesHz, factoryRateHz, configurable }, index) => [
        index,
        connection,
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

Written by \`npm run vectors\` from the code that reads and writes images; a test holds this page to it. What they are for is said in [onboard-format.md](onboard-format.md).

## Limits

${table(
  ['what', 'from'],
  [
    ['an image', `${MOST_IMAGE_BYTES} B at most, and what its device's slots hold`],
    ['a name of a profile', `${lengths.MOST_NAME_BYTES} B`],
    ['a name of a layer', `${lengths.MOST_LAYER_NAME_BYTES} B`],
    ['a name of a binding', `${lengths.MOST_BINDING_NAME_BYTES} B`],
    ['a name of a step', `${lengths.MOST_STEP_NAME_BYTES} B`],
    ['a name of a macro', `${lengths.MOST_MACRO_NAME_BYTES} B`],
    ['layers over the base layer', MOST_UPPER_LAYERS],
    ['signals', MOST_SIGNAL],
    ['steps', MOST_STEPS],
    ['macros', MOST_MACROS],
    ['usage of a key', `${hex(usage.least)} to ${hex(usage.most)}`],
    ['usage of a control', `${hex(control.least)} to ${hex(control.most, 3)}`],
    ['mouse buttons', between(button.parameters.button)],
    ['clicks', between(button.parameters.clicks)],
    ['detents', between(scroll.parameters.wheel)],
    ['a chosen step or slot', between(CHOSEN)],
    ['a threshold of tap and hold, ms', between(ACTIONS['tap-hold'].parameters.thresholdMs)],
    ['a countdown, s', between(countdown.parameters.seconds)],
    ['a step while held', between(ACTIONS['hold-step'].parameters.step)],
    ['so many times', between(macro.parameters.times)],
    ['between two passes, ms', between(macro.parameters.gapMs)],
    ['a name of an effect', `${lengths.MOST_EFFECT_NAME_BYTES} B`],
    ['effects in a stack', MOST_ENTRIES],
    ['repeats in byte code', `1 to ${MOST_REPEATS}, ${MOST_DEPTH} deep`],
    ['operations in a pass of a macro', BUDGET.steps],
    ['operations with no time between them', BUDGET.atOnce],
  ],
)}

## Effects

The parameters of each in the order they are written; what is left out at the end is as the last column says. The third column is the first firmware that shows the effect.

${table(LIGHT_COLUMNS, effectRows())}

## Conditions

${table(LIGHT_COLUMNS, conditionRows())}

## Light of a drive

The first is of drive 0.

${code(LIGHT_OF_DRIVE.join(' '))}

## Raised cosine

${code(RAISED_COSINE.join(' '))}

## Cosines

In 16,384ths, from 0° in steps of ${DIRECTION_GRID}°.

${code(COSINE.join(' '))}

## Colours of layers

${table(
  ['number', 'colour', 'light'],
  LAYER_COLOURS.map((colour, index) => [index, colour, code(toHex(itemAt(LAYER_LIGHTS, index)))]),
)}

## Operating systems

${table(
  ['number', 'system'],
  OPERATING_SYSTEMS.map((system, index) => [index + 1, SYSTEM_NAMES[system]]),
)}

## Keyboard layouts

${table(
  ['number', 'layout'],
  LAYOUTS.map(({ name }, index) => [index, name]),
)}

## Shortcuts

Modifier bits and usage of each on a US layout; on another it is the key that types the same character.

${table(
  ['number', 'shortcut', ...OPERATING_SYSTEMS.map((system) => SYSTEM_NAMES[system])],
  SHORTCUTS.map(({ number, label, keys }) => [
    number,
    label,
    ...OPERATING_SYSTEMS.map((system) => chord(keys[system])),
  ]),
)}

## Device models

An action is given by its code and its payload.

${DEVICE_MODELS.map(modelSection).join('\n\n')}

## What keys type

By the usage of the key, in hexadecimal. A character U+0300 to U+036F stands for a dead key: it types nothing by itself and goes onto the character after it.

### On every layout

${layoutTable(COMMON_KEYS)}

${LAYOUTS.map(
  ({ id, name }) =>
    `### ${name}\n\n${OPERATING_SYSTEMS.map((system) => `${SYSTEM_NAMES[system]}:\n\n${layoutTable(layoutOn(id, system).keys)}`).join('\n\n')}`,
).join('\n\n')}
`
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) writeFileSync(PAGE, tables())

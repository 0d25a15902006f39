import { array, object, type Schema } from 'yup'
import { BUTTON_COUNT } from '../hid/button-page'
import { isModifierCode, keyByCode } from '../hid/keyboard-page'
import { message } from '../message/message'
import { integerSchema, kindSchemaOf, literalSchema, oneOfSchema, problem, textSchema } from './schema-parts'

/**
 * What the computer must receive for a command of a program: a key with modifiers, a mouse button, or one detent of the
 * wheel. Each is also an action of an input.
 */
export type CommandKey =
  | { kind: 'key'; code: string; modifiers: string[] }
  | { kind: 'button'; button: number; clicks: 1 }
  | { kind: 'scroll'; direction: ScrollDirection; amount: 1 }

export const SCROLL_DIRECTIONS = ['up', 'down', 'left', 'right'] as const
export type ScrollDirection = (typeof SCROLL_DIRECTIONS)[number]

/** A key as its `code` of UI Events, if it has a usage. */
export const keyCodeSchema = () =>
  textSchema(problem(message('problems.missingKey'))).test(
    'key',
    problem(({ value }) => message('problems.notKey', { value: String(value) })),
    (value) => keyByCode(value) !== undefined,
  )

/** The codes of modifier keys. */
export const modifiersSchema = () =>
  array(
    keyCodeSchema().test(
      'modifier',
      problem(({ value }) => message('problems.notModifier', { value: String(value) })),
      isModifierCode,
    ),
  )
    .strict()
    .required(problem(message('problems.missingList')))

const COMMAND_KEYS: Record<CommandKey['kind'], Schema> = {
  key: object({
    kind: literalSchema('key'),
    code: keyCodeSchema(),
    modifiers: modifiersSchema(),
  }).noUnknown(),
  button: object({
    kind: literalSchema('button'),
    button: integerSchema().min(1).max(BUTTON_COUNT),
    clicks: integerSchema().min(1).max(1),
  }).noUnknown(),
  scroll: object({
    kind: literalSchema('scroll'),
    direction: oneOfSchema(SCROLL_DIRECTIONS),
    amount: integerSchema().min(1).max(1),
  }).noUnknown(),
}

/** The schema of a {@link CommandKey}. */
export const commandKeySchema = (optional = false) => kindSchemaOf(COMMAND_KEYS, optional)

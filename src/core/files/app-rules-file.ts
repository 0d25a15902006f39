import { array, number, object } from 'yup'
import { ProfileError } from '../base/errors'
import { MAX_PROGRAM_CHARACTERS, MAX_RULES, type AppRules } from '../computer/app-rules'
import { DEVICE_MODELS } from '../device/models'
import { readJson } from './read-json'
import { MAX_NAME_BYTES } from '../document/schema'
import {
  isName,
  literalSchema,
  oneOfSchema,
  problem,
  validate,
  integerSchema,
  wellFormedText,
} from '../document/schema-parts'
import { message } from '../message/message'

const target = () =>
  object({
    device: oneOfSchema(DEVICE_MODELS.map(({ id }) => id)),
    slot: integerSchema().min(0).max(15).optional(),
    profile: wellFormedText(MAX_NAME_BYTES).test(isName).optional(),
  })
    .noUnknown()
    .test(
      'one',
      problem(message('problems.slotOrProfile')),
      (value) => value.slot !== undefined || value.profile !== undefined,
    )

/** Maximum number of devices that a rule switches. */
const MAX_TARGETS = 8
const targets = () =>
  array(target())
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_TARGETS)

export const appRulesSchema = object({
  format: literalSchema('unisera-rules'),
  version: number<1>()
    .strict()
    .required(problem(message('problems.noVersion')))
    .oneOf([1]),
  rules: array(
    object({
      program: wellFormedText(MAX_PROGRAM_CHARACTERS).test(isName),
      by: oneOfSchema(['name', 'pattern']),
      use: targets(),
    }).noUnknown(),
  )
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_RULES),
  otherwise: targets(),
}).noUnknown()

/** Validates any value as app rules. @throws ProfileError with a line for each problem */
export const parseAppRules = (value: unknown): AppRules => validate(appRulesSchema, value)

/** Larger than any possible rules. */
const MAX_FILE_BYTES = 512 << 10

/** @throws ProfileError with a line for each problem */
export function readAppRules(text: string): AppRules {
  if (text.length > MAX_FILE_BYTES) throw new ProfileError([message('problems.rulesTooLarge')])
  return parseAppRules(readJson(text))
}

export const formatAppRules = (rules: AppRules): string => `${JSON.stringify(rules, null, 2)}\n`

import { array, number, object } from 'yup'
import { ProfileError } from '../base/errors'
import { MAX_PROGRAM_CHARACTERS, MAX_RULES, type AppRules } from '../computer/app-rules'
import { DEVICE_MODELS } from '../device/models'
import { readJson } from './read-json'
import { MAX_NAME_BYTES } from '../document/schema'
import {
  isName,
  literalSchema,
  enumSchema,
  validate,
  integerSchema,
  wellFormedText,
} from '../document/schema-parts'

const target = () =>
  object({
    device: enumSchema(...DEVICE_MODELS.map(({ id }) => id)),
    slot: integerSchema('a slot').min(0).max(15).optional(),
    profile: wellFormedText(MAX_NAME_BYTES).test(isName('${path}: a profile')).optional(),
  })
    .noUnknown()
    .test(
      'one',
      '${path} needs a slot or a profile',
      (value) => value.slot !== undefined || value.profile !== undefined,
    )

/** Maximum number of devices that a rule switches. */
const MAX_TARGETS = 8
const targets = () =>
  array(target())
    .strict()
    .required('${path} is missing; expected a list, which may be empty')
    .max(MAX_TARGETS)

export const appRulesSchema = object({
  format: literalSchema('unisera-rules'),
  version: number<1>().strict().required('app rules say their version').oneOf([1]),
  rules: array(
    object({
      program: wellFormedText(MAX_PROGRAM_CHARACTERS).test(isName('${path}: a program')),
      by: enumSchema('name', 'pattern'),
      use: targets(),
    }).noUnknown(),
  )
    .strict()
    .required('${path} is missing; expected a list, which may be empty')
    .max(MAX_RULES),
  otherwise: targets(),
}).noUnknown()

/** Validates any value as app rules. @throws ProfileError with a line for each problem */
export const parseAppRules = (value: unknown): AppRules => validate(appRulesSchema, value)

/** Larger than any possible rules. */
const MAX_FILE_BYTES = 512 << 10

/** @throws ProfileError with a line for each problem */
export function readAppRules(text: string): AppRules {
  if (text.length > MAX_FILE_BYTES) throw new ProfileError(['the file is too large for app rules'])
  return parseAppRules(readJson(text))
}

export const formatAppRules = (rules: AppRules): string => `${JSON.stringify(rules, null, 2)}\n`

import { array, number, object } from 'yup'
import { ProfileError } from '../base/refusal'
import { MOST_PROGRAM, MOST_RULES, type AppRules } from '../computer/app-rules'
import { DEVICE_MODELS } from '../device/models'
import { readJson } from './read-json'
import { MOST_NAME_BYTES } from '../document/schema'
import { isName, literal, oneOf, passed, whole, wholeText } from '../document/schema-parts'

const target = () =>
  object({
    device: oneOf(...DEVICE_MODELS.map(({ id }) => id)),
    slot: whole('a slot').min(0).max(15).optional(),
    profile: wholeText(MOST_NAME_BYTES).test(isName('${path}: a profile')).optional(),
  })
    .noUnknown()
    .test(
      'one',
      '${path} needs a slot or a profile',
      (value) => value.slot !== undefined || value.profile !== undefined,
    )

/** Devices a rule switches. */
const MOST_TARGETS = 8
const targets = () =>
  array(target()).strict().required('${path} is missing: a list, empty for none').max(MOST_TARGETS)

export const appRulesSchema = object({
  format: literal('unisera-rules'),
  version: number<1>().strict().required('app rules say their version').oneOf([1]),
  rules: array(
    object({
      program: wholeText(MOST_PROGRAM).test(isName('${path}: a program')),
      by: oneOf('name', 'pattern'),
      use: targets(),
    }).noUnknown(),
  )
    .strict()
    .required('${path} is missing: a list, empty for none')
    .max(MOST_RULES),
  otherwise: targets(),
}).noUnknown()

/** Takes anything and returns app rules. @throws ProfileError with a line for each problem */
export const parseAppRules = (value: unknown): AppRules => passed(appRulesSchema, value)

/** More than any rules there can be. */
const MOST_FILE_BYTES = 512 << 10

/** @throws ProfileError with a line for each problem */
export function readAppRules(text: string): AppRules {
  if (text.length > MOST_FILE_BYTES) throw new ProfileError(['the file is larger than app rules can be'])
  return parseAppRules(readJson(text))
}

export const appRulesText = (rules: AppRules): string => `${JSON.stringify(rules, null, 2)}\n`

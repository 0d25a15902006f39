import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveValue,
  translate,
} from '@intlify/core-base'
import type { TextOf } from '../core/message/message'
import type { CORE_AREAS } from './areas'
import actions from './en/actions.json'
import checks from './en/checks.json'
import differences from './en/differences.json'
import edits from './en/edits.json'
import effects from './en/effects.json'
import events from './en/events.json'
import find from './en/find.json'
import helper from './en/helper.json'
import images from './en/images.json'
import link from './en/link.json'
import lists from './en/lists.json'
import models from './en/models.json'
import move from './en/move.json'
import names from './en/names.json'
import parse from './en/parse.json'
import problems from './en/problems.json'
import sheet from './en/sheet.json'
import shortcuts from './en/shortcuts.json'
import starters from './en/starters.json'
import { renderer } from './render'

registerMessageCompiler(compile)
registerMessageResolver(resolveValue)

const english = new Intl.PluralRules('en')

/** All areas of the core; a missing one does not compile. */
export const en: Record<(typeof CORE_AREAS)[number], Readonly<Record<string, string>>> = {
  actions,
  checks,
  differences,
  edits,
  effects,
  events,
  find,
  helper,
  images,
  link,
  lists,
  models,
  move,
  names,
  parse,
  problems,
  sheet,
  shortcuts,
  starters,
}

/** Creates the function that turns messages of the core into texts of a catalogue with English plurals. */
export function textsOf(messages: Readonly<Record<string, Readonly<Record<string, string>>>>): TextOf {
  const context = createCoreContext({
    locale: 'en',
    messages: { en: messages },
    pluralRules: { en: (count: number) => (english.select(count) === 'one' ? 0 : 1) },
    missing: (_context, locale, key) => {
      throw new Error(`missing message ${key} in ${locale}`)
    },
  })
  return renderer(
    (key, facts, count) =>
      String(count === undefined ? translate(context, key, facts) : translate(context, key, facts, count)),
    () => 'en',
  )
}

/** Returns the English text of a message of the core, for the command line, scripts and tests. */
export const englishText: TextOf = textsOf(en)

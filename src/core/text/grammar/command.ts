import type { LayoutId } from '../../computer/layouts'
import type { CommandKey } from '../../document/command-key'
import { buttonLabel } from '../../hid/button-page'
import { message, type MessageFact } from '../../message/message'
import type { CommandAction } from '../../terms/commands'
import { chordMessage, type ActionContext } from '../context'
import { normalise } from '../normalise'
import { escapeText, unescapeText } from '../quoting'
import { defineGrammar, type Parsed, type Phrase } from './grammar'
import { readChord } from './key'
import { SCROLLS } from './simple'

/** The key of a command, as the keyboard layout prints it. */
export function commandKeyMessage(key: CommandKey, layout: LayoutId): MessageFact {
  switch (key.kind) {
    case 'key':
      return chordMessage([...key.modifiers, key.code], layout)
    case 'button':
      return buttonLabel(key.button)
    case 'scroll':
      return SCROLLS[key.direction].once
  }
}

/** A name that could be mistaken for something else is quoted. */
const quoted = (name: string): string => (PLAIN_NAME.test(name) ? name : `“${escapeText(name)}”`)
const PLAIN_NAME = /^(?!tap |type |text |hold )[\p{L}\p{N}][\p{L}\p{N}\p{M} '’()/:.!?&-]*$/iu

/** `Vent tanks · V`: the name of a command and its key. Its name alone is understood too. */
export const command = defineGrammar<'command'>({
  family: 'binding',
  group: 'commands',
  isThere: ({ commands = [] }) => commands.length > 0,
  write: ({ name, key }, context) =>
    message('actions.command', {
      name: quoted(name),
      key: key ? commandKeyMessage(key, context.computer.layout) : message('actions.commandWithoutKey'),
    }),
  phrasesIn: ({ commands = [], ...context }) => phrasesOf(commands, context),
  readsFirst: true,
  read({ raw, text }, context) {
    const name = NAME_BEFORE_KEY.exec(raw)?.[1]
    if (name === undefined) return undefined
    const written = normalise(name)
    const found = context.commands?.find((each) => normalise(quoted(each.name)) === written)
    return found ? { action: found } : readElsewhere(text, name, context)
  },
})

const SEPARATOR = ' · '
const NAME_BEFORE_KEY = /^(“(?:\\.|[^\\”])*”|[^“”"]+?) · .+$/u

/** A command that this context does not have: its key still does the same. */
function readElsewhere(text: string, name: string, context: ActionContext): Parsed {
  const key = text.slice(text.lastIndexOf(SEPARATOR) + SEPARATOR.length)
  const parsed = readChord(key, key, context)
  if ('action' in parsed) return parsed
  return { problem: message('parse.noCommand', { name: unescapeText(name.replace(/^“|”$/g, '')) }) }
}

/** A name alone means the command unless it is also a key. */
function phrasesOf(commands: readonly CommandAction[], context: ActionContext): Phrase[] {
  return commands.map((action) => {
    const name = normalise(quoted(action.name))
    return {
      action,
      note: action.key ? message('actions.commandNote') : message('actions.commandWithoutKey'),
      words: 'action' in readChord(name, name, context) ? [] : [name],
    }
  })
}

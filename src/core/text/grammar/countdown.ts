import { factList, message, type MessageFact } from '../../message/message'
import { valueOf } from '../../base/items'
import { ACTIONS } from '../../actions/registry'
import { defineGrammar } from './grammar'

export const STANDARD_SIGNAL_COLOUR = '#ffb000'

export const countdown = defineGrammar<'countdown'>({
  family: 'light',
  group: 'countdown',
  write({ seconds, colour }) {
    const time = durationMessage(seconds)
    return colour === STANDARD_SIGNAL_COLOUR
      ? message('actions.countdown', { time })
      : message('actions.countdownIn', { time, colour })
  },
  read({ text, colour: colourFrom }) {
    const match =
      /^(?:countdown|timer|count down)(?: from| of)? (.+?)(?:(?: in (.+))|(?: (#[0-9a-f]+)))?$/.exec(text)
    if (!match) return undefined
    const [, time = '', named, digits] = match
    const typed = named ?? digits
    const colour = typed === undefined ? STANDARD_SIGNAL_COLOUR : colourFrom(typed)
    if (colour === undefined) return { problem: message('parse.colour', { colour: String(typed) }) }
    const seconds = secondsIn(time)
    if (seconds === undefined) return { problem: message('parse.time', { time }) }
    if (seconds < 1 || seconds > ACTIONS.countdown.parameters.seconds.max)
      return { problem: message('parse.timeRange') }
    return { action: { kind: 'countdown', seconds, colour } }
  },
  examples: [
    {
      action: { kind: 'countdown', seconds: 90, colour: STANDARD_SIGNAL_COLOUR },
      note: message('actions.countdownNote'),
    },
  ],
})

/** `1 h 5 min 30 s`, without empty parts. */
export function durationMessage(seconds: number): MessageFact {
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  return factList(
    [
      ...(hours > 0 ? [message('actions.hours', { hours })] : []),
      ...(minutes > 0 ? [message('actions.minutes', { minutes })] : []),
      ...(rest > 0 ? [message('actions.seconds', { seconds: rest })] : []),
    ],
    'space',
  )
}

const UNIT_SECONDS: Record<string, number> = { h: 3600, m: 60, s: 1 }

/** `1:30`, `90`, `1 min 30 s`; undefined for an invalid time. */
function secondsIn(time: string): number | undefined {
  const clock = /^(\d+):(\d\d)$/.exec(time)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  if (/^\d+$/.test(time)) return Number(time)
  const parts = [...time.matchAll(/(\d+) ?(h|m|s)[a-z]*/g)]
  const whole = parts.map(([part]) => part).join('') === time.replaceAll(/(?<=[a-z]) /g, '')
  return parts.length > 0 && whole
    ? parts.reduce((sum, [, amount, unit = '']) => sum + Number(amount) * valueOf(UNIT_SECONDS, unit), 0)
    : undefined
}

import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { ByteWriter, ImageError } from '../base/bytes'
import { defineAction, lasting } from './action'
import { choiceAt, checkBounds } from '../base/parameters'
import { message } from '../message/message'

const PLAYS = ['once', 'times', 'held', 'toggle'] as const
const AGAIN = ['ignore', 'restart', 'stop'] as const
/** Bits of the playback byte; the others are reserved. */
const FLAGS_USED = 0x1f
const OTHERS_STOP = 0x10

const MACRO = { kind: 'macro', min: 1, max: 200 } as const
const TIMES = { kind: 'number', min: 2, max: 10_000, optional: true } as const
const GAP = { kind: 'number', min: 0, max: 60_000, unit: 'ms', default: 0 } as const

/** A macro and its playback options. */
export const macro = defineAction({
  code: 8,
  since: FIRST_FIRMWARE,
  parameters: {
    macro: MACRO,
    play: { kind: 'choice', of: PLAYS },
    /** Only with `times`. */
    times: TIMES,
    /** Delay between repeats. */
    gapMs: GAP,
    /** Effect of pressing the same input again during playback. */
    again: { kind: 'choice', of: AGAIN },
    /** Effect of pressing another input. */
    others: { kind: 'choice', of: ['go-on', 'stop'] },
  },
  inDocuments: 'alike',
  // The playback options share a byte: two bits for the mode, two for the same input, one for other inputs.
  payload: {
    write({ macro, play, times, gapMs, again, others }) {
      const writer = new ByteWriter()
      const flags = PLAYS.indexOf(play) | (AGAIN.indexOf(again) << 2) | (others === 'stop' ? OTHERS_STOP : 0)
      writer.bytes([macro, flags])
      if (play === 'times') writer.varint(times ?? 1)
      if (gapMs > 0) writer.varint(gapMs)
      return [...writer.toBytes()]
    },
    read(payload) {
      const [macro, flags] = [checkBounds(payload.u8(), MACRO), payload.u8Or(0)]
      const play = itemAt(PLAYS, flags & 3)
      const again = choiceAt(AGAIN, (flags >> 2) & 3)
      if (flags & ~FLAGS_USED) throw new ImageError(message('images.reservedPlayback'))
      const times = play === 'times' ? checkBounds(payload.varint(), TIMES) : undefined
      const gapMs = payload.left > 0 ? checkBounds(payload.varint(), GAP) : 0
      const others = flags & OTHERS_STOP ? 'stop' : 'go-on'
      return { macro, play, ...(times !== undefined && { times }), gapMs, again, others }
    },
  },
  refuses: ({ play, times }) =>
    (play === 'times') === (times === undefined) ? message('problems.timesOnly') : undefined,
  lasts: lasting,
  start: (values, reach) => reach.play({ kind: 'macro', ...values }),
  end: (values, reach) => reach.letMacroGo({ kind: 'macro', ...values }),
})

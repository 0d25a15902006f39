import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { ByteWriter, ImageError } from '../base/bytes'
import { action, lasting } from './action'
import { listed, within } from '../base/parameters'

const PLAYS = ['once', 'times', 'held', 'toggle'] as const
const AGAIN = ['ignore', 'restart', 'stop'] as const
/** Bits of the byte that says how it is played; the others are kept free. */
const FLAGS_USED = 0x1f
const OTHERS_STOP = 0x10

const MACRO = { kind: 'macro', least: 1, most: 200 } as const
const TIMES = { kind: 'number', least: 2, most: 10_000, optional: true } as const
const GAP = { kind: 'number', least: 0, most: 60_000, unit: 'ms', otherwise: 0 } as const

/** A macro, and how it is played. */
export const macro = action({
  code: 8,
  since: FIRST_FIRMWARE,
  parameters: {
    macro: MACRO,
    play: { kind: 'choice', of: PLAYS },
    /** With `times` alone. */
    times: TIMES,
    /** Between two passes. */
    gapMs: GAP,
    /** What pressing the same input again does while it plays. */
    again: { kind: 'choice', of: AGAIN },
    /** What pressing another input does. */
    others: { kind: 'choice', of: ['go-on', 'stop'] },
  },
  inDocuments: 'alike',
  // How it is played shares a byte: two bits for that, two for the same input again, one for other inputs.
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
      const [macro, flags] = [within(payload.u8(), MACRO), payload.u8Or(0)]
      const play = itemAt(PLAYS, flags & 3)
      const again = listed(AGAIN, (flags >> 2) & 3)
      if (flags & ~FLAGS_USED) throw new ImageError('a way to play that is kept free')
      const times = play === 'times' ? within(payload.varint(), TIMES) : undefined
      const gapMs = payload.left > 0 ? within(payload.varint(), GAP) : 0
      const others = flags & OTHERS_STOP ? 'stop' : 'go-on'
      return { macro, play, ...(times !== undefined && { times }), gapMs, again, others }
    },
  },
  refuses: ({ play, times }) =>
    (play === 'times') === (times === undefined) ? 'times goes with playing so many times' : undefined,
  lasts: lasting,
  start: (values, reach) => reach.play({ kind: 'macro', ...values }),
  end: (values, reach) => reach.letMacroGo({ kind: 'macro', ...values }),
})

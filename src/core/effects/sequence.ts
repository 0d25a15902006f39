import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { choiceOf, coloursOf } from '../base/parameters'
import { lightsOf, mix } from './colours'
import { brightness, effect, noLag, period, phase, putByTurn, seed } from './effect'
import { chance, ONE } from './fixed'

/** From colour to colour, each as long as the others, soft or hard, in order or by chance; once through is a period. */
export const sequence = effect({
  code: 8,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: coloursOf({ red: 255, green: 80, blue: 40 }, { red: 40, green: 120, blue: 255 }),
    periodMs: period(6000),
    change: choiceOf('soft', 'hard'),
    order: choiceOf('in turn', 'by chance'),
    brightness,
    ...phase,
    seed,
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: ({ order, lag }) => [...(order === 'in turn' ? (['seed'] as const) : []), ...noLag({ lag })],
  paint(values, scene, paint) {
    const lights = lightsOf(values.colours, values.brightness)
    const round = Math.floor(scene.ms / values.periodMs)
    putByTurn(scene, paint, values, (turn, index) => {
      const place = turn * lights.length
      const at = Math.floor(place / ONE)
      const lightAt = (number: number) => {
        if (values.order === 'in turn') return itemAt(lights, number % lights.length)
        const counted = round * lights.length + number
        return itemAt(lights, chance(values.seed, counted, values.lag > 0 ? index : 0) % lights.length)
      }
      return values.change === 'soft' ? mix(lightAt(at), lightAt(at + 1), place % ONE) : lightAt(at)
    })
  },
})

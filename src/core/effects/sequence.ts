import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { choiceParameter, coloursParameter } from '../base/parameters'
import { lightsOf, mix } from './colours'
import { brightness, defineEffect, hasNoLag, period, phase, setLightsByTurn, seed } from './effect'
import { hash32, ONE } from './fixed'

/** Passes through colours, each for the same time, soft or hard, in order or at random; one pass is a period. */
export const sequence = defineEffect({
  code: 8,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: coloursParameter({ red: 255, green: 80, blue: 40 }, { red: 40, green: 120, blue: 255 }),
    periodMs: period(6000),
    change: choiceParameter('soft', 'hard'),
    order: choiceParameter('in turn', 'by chance'),
    brightness,
    ...phase,
    seed,
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: ({ order, lag }) => [...(order === 'in turn' ? (['seed'] as const) : []), ...hasNoLag({ lag })],
  paint(values, scene, paint) {
    const lights = lightsOf(values.colours, values.brightness)
    const round = Math.floor(scene.ms / values.periodMs)
    setLightsByTurn(scene, paint, values, (turn, index) => {
      const place = turn * lights.length
      const at = Math.floor(place / ONE)
      const lightAt = (number: number) => {
        if (values.order === 'in turn') return itemAt(lights, number % lights.length)
        const counted = round * lights.length + number
        return itemAt(lights, hash32(values.seed, counted, values.lag > 0 ? index : 0) % lights.length)
      }
      return values.change === 'soft' ? mix(lightAt(at), lightAt(at + 1), place % ONE) : lightAt(at)
    })
  },
})

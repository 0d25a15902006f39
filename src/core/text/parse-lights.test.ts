import { englishText } from '../../messages/plain'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import { lightsIn } from '../edits/light-edits'
import { rowsOfLights } from '../light/plan'
import { parseLights } from './parse-lights'

const zone = itemAt(tern7.zones, 0)
const name = englishText(zone.name)
const all = lightsIn(tern7, { kind: 'zones', zones: [zone.id] })

describe('lights by their names', () => {
  it('are a zone, a range of it, or one of its lights, whatever the case', () => {
    expect(parseLights(name.toUpperCase(), tern7, englishText)).toEqual({ lights: all })
    expect(parseLights(`${name} 1-2`, tern7, englishText)).toEqual({ lights: all.slice(0, 2) })
    expect(parseLights(`${name} 2`, tern7, englishText)).toEqual({ lights: all.slice(1, 2) })
    expect(parseLights(`${name} 1, ${name} 2`, tern7, englishText)).toEqual({ lights: all.slice(0, 2) })
  })

  it('are keys and rows of a keyboard', () => {
    const { lights, unknown } = parseLights('w a s d', dunlin84, englishText)
    expect(unknown).toBeUndefined()
    expect(new Set(lights).size).toBe(4)
    expect(parseLights('row 2', dunlin84, englishText).lights).toEqual(itemAt(rowsOfLights(dunlin84), 1))
  })

  it('say what names none', () => {
    expect(parseLights(`${name}, bow`, tern7, englishText)).toEqual({ lights: all, unknown: 'bow' })
    expect(parseLights('row 99', dunlin84, englishText)).toMatchObject({ lights: [] })
  })
})

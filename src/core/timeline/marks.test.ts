import { describe, expect, it } from 'vitest'
import { dunlin84 } from '../device/models/dunlin-84'
import { addLayer } from '../edits/layer-edits'
import { factoryProfile } from '../terms/profile'
import { conditionStart, type LightWhen } from '../effects/conditions'
import { stateAt, type Mark } from './marks'

const profile = addLayer(factoryProfile(dunlin84, 'Marks'), 'Dive')
const inForce = (when: LightWhen, mark: Mark, nowMs: number) =>
  conditionStart(when, stateAt([mark], nowMs, { profile, model: dunlin84 }), nowMs)

describe('what is set on the time line', () => {
  const space = dunlin84.inputs.find(({ id }) => id === 'space')?.number ?? 0
  const cases: [LightWhen, Mark, number][] = [
    [{ kind: 'press', forMs: 400, inputs: [space] }, { kind: 'press', atMs: 500, input: 'space' }, 400],
    [{ kind: 'layer', layer: 2 }, { kind: 'layer', atMs: 500, layer: 2 }, 1500],
    [{ kind: 'macro', macro: 0 }, { kind: 'macro', atMs: 500 }, 1500],
    [{ kind: 'signal', forMs: 700 }, { kind: 'signal', atMs: 500 }, 700],
  ]
  it.each(cases)('sets off what waits for it, for as long as it lasts: %o', (when, mark, lastsMs) => {
    expect(inForce(when, mark, 499)).toBeUndefined()
    expect(inForce(when, mark, 500)).toBe(500)
    expect(inForce(when, mark, 500 + lastsMs - 1)).toBe(500)
    expect(inForce(when, mark, 500 + lastsMs)).toBeUndefined()
  })

  it('runs the battery down from there on', () => {
    const low = (nowMs: number) =>
      inForce({ kind: 'battery', underPercent: 15 }, { kind: 'battery', atMs: 500, percent: 10 }, nowMs)
    expect([low(499), low(500), low(60_000)]).toEqual([undefined, 0, 0])
  })
})

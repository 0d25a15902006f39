import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { nearestInput, ARROW_DIRECTIONS, type ArrowKey } from './nearest-input'
import { DEVICE_MODELS } from './models'
import { dunlin84 } from './models/dunlin-84'

describe('arrow keys on a drawing', () => {
  it('go to the key beside, above and below', () => {
    expect(nearestInput(dunlin84, 'key-g', 'ArrowRight')?.id).toBe('key-h')
    expect(nearestInput(dunlin84, 'key-g', 'ArrowLeft')?.id).toBe('key-f')
    expect(nearestInput(dunlin84, 'key-g', 'ArrowUp')?.id).toMatch(/^key-[ty]$/)
    expect(nearestInput(dunlin84, 'escape', 'ArrowUp')).toBeUndefined()
  })

  it.each(DEVICE_MODELS.map((model) => [model.name, model] as const))(
    'reach every input of %s from its first',
    (_, model) => {
      const reached = new Set([itemAt(model.inputs, 0).id])
      for (const id of reached)
        for (const way of Object.keys(ARROW_DIRECTIONS) as ArrowKey[]) {
          const next = nearestInput(model, id, way)
          if (next) reached.add(next.id)
        }
      expect(model.inputs.filter(({ id }) => !reached.has(id))).toEqual([])
    },
  )
})

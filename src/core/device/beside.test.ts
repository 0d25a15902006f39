import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { inputBeside, WAYS, type Way } from './beside'
import { DEVICE_MODELS } from './models'
import { dunlin84 } from './models/dunlin-84'

describe('arrow keys on a drawing', () => {
  it('go to the key beside, above and below', () => {
    expect(inputBeside(dunlin84, 'key-g', 'ArrowRight')?.id).toBe('key-h')
    expect(inputBeside(dunlin84, 'key-g', 'ArrowLeft')?.id).toBe('key-f')
    expect(inputBeside(dunlin84, 'key-g', 'ArrowUp')?.id).toMatch(/^key-[ty]$/)
    expect(inputBeside(dunlin84, 'escape', 'ArrowUp')).toBeUndefined()
  })

  it.each(DEVICE_MODELS.map((model) => [model.name, model] as const))(
    'reach every input of %s from its first',
    (_, model) => {
      const reached = new Set([itemAt(model.inputs, 0).id])
      for (const id of reached)
        for (const way of Object.keys(WAYS) as Way[]) {
          const next = inputBeside(model, id, way)
          if (next) reached.add(next.id)
        }
      expect(model.inputs.filter(({ id }) => !reached.has(id))).toEqual([])
    },
  )
})

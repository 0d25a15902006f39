import { describe, expect, it } from 'vitest'
import { inputBeside, WAYS, type Way } from './beside'
import { dunlin84 } from './models/dunlin-84'

describe('arrow keys on a drawing', () => {
  it('go to the key beside, above and below', () => {
    expect(inputBeside(dunlin84, 'key-g', 'ArrowRight')?.id).toBe('key-h')
    expect(inputBeside(dunlin84, 'key-g', 'ArrowLeft')?.id).toBe('key-f')
    expect(inputBeside(dunlin84, 'key-g', 'ArrowUp')?.id).toMatch(/^key-[ty]$/)
    expect(inputBeside(dunlin84, 'escape', 'ArrowUp')).toBeUndefined()
  })

  it('reach every input of a keyboard from its first', () => {
    const reached = new Set([dunlin84.inputs[0].id])
    for (const id of reached)
      for (const way of Object.keys(WAYS) as Way[]) {
        const next = inputBeside(dunlin84, id, way)
        if (next) reached.add(next.id)
      }
    expect(dunlin84.inputs.filter(({ id }) => !reached.has(id))).toEqual([])
  })
})

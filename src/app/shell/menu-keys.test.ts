import { describe, expect, it } from 'vitest'
import { itemFor } from './menu-keys'

const items = ['Rename…', 'Tags…', 'Duplicate', 'Delete', ' Dive'].map((textContent) => ({ textContent }))
const name = (at: number, typed: string) => itemFor(items, at, typed)?.textContent

describe('typing in a menu', () => {
  it('goes to the next item with that beginning, and around', () => {
    expect(name(0, 'd')).toBe('Duplicate')
    expect(name(2, 'd')).toBe('Delete')
    expect(name(4, 'd')).toBe('Duplicate')
    expect(name(-1, 'T')).toBe('Tags…')
  })

  it('stays on an item while what is typed still fits it, and takes one character again and again as the next', () => {
    expect(name(2, 'de')).toBe('Delete')
    expect(name(3, 'del')).toBe('Delete')
    expect(name(2, 'dd')).toBe('Delete')
    expect(name(0, 'x')).toBeUndefined()
  })
})

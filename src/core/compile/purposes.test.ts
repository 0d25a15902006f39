import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { tern7 } from '../device/models/tern-7'
import { bind } from '../edits/edits'
import { PLAY_ONCE } from '../document/action-schema'
import { emptyMacro, shelfOf } from '../document/macro'
import { factoryProfile } from '../terms/profile'
import { parseProfile } from '../document/schema'
import { checkProfile } from '../checks/checks'
import { contextOf } from '../text/context'
import { parseCell } from '../text/cell-text'
import { compileProfile } from './compile'
import { PURPOSES, applyPurpose } from './purposes'
import { differencesBetween, partOf } from './apply-differences'

describe('profiles to begin from', () => {
  const cases = DEVICE_MODELS.flatMap((model) => PURPOSES.map((purpose) => ({ model, purpose })))

  it.each(cases)('$purpose.id on $model.name passes the gate and is an image', ({ model, purpose }) => {
    const profile = parseProfile(applyPurpose(factoryProfile(model, purpose.id), model, purpose))
    expect(compileProfile(profile, model).bytes.length).toBeLessThan(600)
    // An unreadable cell would be left out silently.
    const context = contextOf(profile, model)
    for (const text of Object.values(purpose.cells ?? {}))
      if (model.sensor || !/step/.test(text)) expect(parseCell(text, context)).toHaveProperty('action')
  })

  it('change what they say and nothing else', () => {
    const before = bind(factoryProfile(tern7, 'Mine'), tern7, 0, 'wheel-press', {
      kind: 'key',
      code: 'KeyF',
      modifiers: [],
    })
    const parts = (id: string) => {
      const purpose = PURPOSES.find((each) => each.id === id) ?? itemAt(PURPOSES, 0)
      return new Set(differencesBetween(before, applyPurpose(before, tern7, purpose), tern7).map(partOf))
    }
    expect(parts('still-light')).toEqual(new Set(['light']))
    expect(parts('editing')).toEqual(new Set(['layer:0']))
    expect(parts('battery')).toEqual(new Set(['motion', 'light']))
    expect(parts('tournament')).toEqual(new Set(['motion', 'light', 'profile']))
  })

  it('hold a profile to the rules for play, and mend what breaks them', () => {
    const press = { kind: 'key', code: 'KeyF', does: 'press', afterMs: 0 } as const
    const release = { ...press, does: 'release', afterMs: 20 } as const
    const shelf = shelfOf([{ ...emptyMacro('winch', 'Winch'), events: [press, release] }])
    const bound = bind(factoryProfile(tern7, 'Mine'), tern7, 0, 'side-front', {
      ...PLAY_ONCE('winch'),
      play: 'held',
    })
    const typing = bind(bound, tern7, 0, 'side-rear', { kind: 'text', text: 'gg' })
    const tournament = PURPOSES.find(({ id }) => id === 'tournament') ?? itemAt(PURPOSES, 0)
    expect(checkProfile(typing, tern7, shelf).map(({ rule }) => rule)).not.toContain('play-repeats')
    const held = applyPurpose(typing, tern7, tournament)
    const found = checkProfile(held, tern7, shelf).filter(({ rule }) => rule.startsWith('play-'))
    expect(found.map(({ rule, at }) => [rule, at?.input])).toEqual([
      ['play-repeats', 'side-front'],
      ['play-several', 'side-rear'],
    ])
    const mended = found.reduce((profile, { fixes }) => fixes?.[0]?.apply(profile) ?? profile, held)
    expect(checkProfile(mended, tern7, shelf).filter(({ rule }) => rule.startsWith('play-'))).toEqual([])
    expect(baseLayer(mended).bindings['side-front']?.action).toEqual(PLAY_ONCE('winch'))
  })
})

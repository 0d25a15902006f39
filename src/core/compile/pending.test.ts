import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { bindAll, setComputer } from '../document/edits'
import { emptyMacro, shelfOf } from '../document/macro'
import { playedOnce } from '../document/action-schema'
import { factoryProfile } from '../document/profile'
import { keyAction } from '../text/action-text'
import { loweredOtherwise } from './pending'

describe('cells that are other keys for another computer', () => {
  const types = {
    ...emptyMacro('types', 'Types'),
    events: [{ kind: 'text', text: 'é', afterMs: 0 } as const],
  }
  const clicks = {
    ...emptyMacro('clicks', 'Clicks'),
    events: [{ kind: 'button', button: 1, does: 'press', afterMs: 0 } as const],
  }
  const shelf = shelfOf([types, clicks])
  const profile = bindAll(factoryProfile(tern7, 'Keys', { system: 'windows', layout: 'fr' }), tern7, [
    { layer: 0, input: 'side-front', put: { kind: 'shortcut', shortcut: 'copy' } },
    { layer: 0, input: 'side-rear', put: { kind: 'open', what: 'program', target: 'tide-table' } },
    { layer: 0, input: 'wheel-press', put: keyAction('KeyY', []) },
    { layer: 0, input: 'wheel-up', put: playedOnce('types') },
    { layer: 0, input: 'wheel-down', put: playedOnce('clicks') },
    { layer: 0, input: 'under-wheel', put: { kind: 'text', text: 'dive' } },
  ])
  const marked = (system: 'windows' | 'macos' | 'linux', layout: 'fr' | 'de') =>
    loweredOtherwise(profile, setComputer(profile, { system, layout }), tern7, shelf).map(
      ({ at }) => at?.input,
    )

  it('are marked, and no others', () => {
    expect(marked('windows', 'fr')).toEqual([])
    // Copy and opening are the system's; a text of these letters is the same on all.
    expect(marked('macos', 'fr')).toEqual(['side-rear', 'side-front'])
    // The layout moves é, and the letters of what is opened; copy is by its letter too.
    expect(marked('windows', 'de')).toContain('wheel-up')
    expect(marked('windows', 'de')).not.toContain('wheel-down')
    expect(marked('windows', 'de')).not.toContain('wheel-press')
  })

  it('are no edits of their own once they are bound to something else', () => {
    const other = bindAll(setComputer(profile, { system: 'macos', layout: 'fr' }), tern7, [
      { layer: 0, input: 'side-front', put: keyAction('KeyY', []) },
    ])
    expect(loweredOtherwise(profile, other, tern7, shelf).map(({ key }) => key)).toEqual([
      'binding:0:side-rear',
    ])
  })
})

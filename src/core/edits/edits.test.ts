import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from '../text/context'
import { bind, bindAll, setBindingText } from './edits'
import { factoryAction, factoryProfile } from '../terms/profile'
import { refusalOf } from '../../messages/english.test-support'

const profile = factoryProfile(tern7, 'Edits')
const front = tern7.inputs.find(({ id }) => id === 'side-front')
if (!front) throw new Error('Tern 7 has a side button')

describe('words of a binding', () => {
  it('keep a row that does what the factory set, and an input without words takes none', () => {
    const noted = setBindingText(profile, tern7, 0, 'side-front', { note: ' only below 40 m ' })
    expect(baseLayer(noted).bindings).toEqual({
      'side-front': { action: factoryAction(front), note: 'only below 40 m' },
    })
    const named = setBindingText(noted, tern7, 0, 'side-front', { name: 'Ballast' })
    expect(baseLayer(named).bindings['side-front']).toMatchObject({
      name: 'Ballast',
      note: 'only below 40 m',
    })
    const bare = ['name', 'note'].reduce(
      (now, word) => setBindingText(now, tern7, 0, 'side-front', { [word]: '' }),
      named,
    )
    expect(bare).toEqual(profile)
  })

  it('stay when another action is put there, and go with the whole', () => {
    const noted = setBindingText(profile, tern7, 0, 'side-front', { name: 'Ballast', note: 'below' })
    const y = keyAction('KeyY', [])
    expect(baseLayer(bind(noted, tern7, 0, 'side-front', y)).bindings['side-front']).toEqual({
      action: y,
      name: 'Ballast',
      note: 'below',
    })
    const whole = bindAll(noted, tern7, [{ layer: 0, input: 'side-front', put: { action: y } }])
    expect(baseLayer(whole).bindings['side-front']).toEqual({ action: y })
    expect(refusalOf(() => bindAll(profile, tern7, [{ layer: 3, input: 'left', put: y }]))).toMatch(
      /no layer 4/,
    )
    expect(refusalOf(() => bindAll(profile, tern7, [{ layer: 0, input: 'pedal', put: y }]))).toMatch(
      /no input “pedal”/,
    )
  })
})

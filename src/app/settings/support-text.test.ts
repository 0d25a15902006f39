import { describe, expect, it } from 'vitest'
import { tern7 } from '../../core/device/models/tern-7'
import { factoryProfile } from '../../core/terms/profile'
import { supportText, type SupportFacts } from './support-text'

const device = {
  id: 'tern-7',
  model: tern7,
  connected: false,
  name: '',
  slots: [{ bytes: new Uint8Array(4), profile: factoryProfile(tern7, 'Brinewatch') }],
}
const facts: SupportFacts = {
  version: '0.4.0',
  browser: 'a browser',
  storage: '2 MB',
  devices: [{ device, counts: undefined }],
  library: '9 profiles',
  findings: [],
  said: ['Slot 1 was not written'],
  names: undefined,
}

describe('the text for support', () => {
  it('contains no profile names unless they are requested', () => {
    expect(supportText(facts)).not.toContain('Brinewatch')
    expect(supportText({ ...facts, names: ['Brinewatch'] })).toMatch(/Profiles\n {2}Brinewatch/)
  })

  it('lists empty parts as “none”, and devices that were not read', () => {
    const text = supportText(facts)
    expect(text).toMatch(/Checks\n {2}none/)
    expect(text).toContain('Tern 7: not connected')
    expect(text).toContain('Slot 1 was not written')
  })
})

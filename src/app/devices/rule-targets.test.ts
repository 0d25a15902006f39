import { describe, expect, it } from 'vitest'
import { tern7 } from '../../core/device/models/tern-7'
import { factoryProfile } from '../../core/terms/profile'
import type { KnownDevice, SlotContent } from '../stores/known-device'
import { targetOptions } from './rule-targets'

const device = (slots: SlotContent[]): KnownDevice => ({
  id: 'a',
  model: tern7,
  connected: true,
  name: '',
  slots,
})
const titles = (slots: SlotContent[]) => targetOptions(device(slots), [], '').map(({ title }) => title)

describe('what a rule can do to a device', () => {
  it('says nothing of slots that have not been read, and what those hold that have', () => {
    expect(titles([]).slice(1)).toEqual(['Slot 1', 'Slot 2', 'Slot 3', 'Slot 4', 'Slot 5'])
    const profile = factoryProfile(tern7, 'Brinewatch')
    const bytes = Uint8Array.of(1)
    const read = [
      { bytes, profile },
      { bytes, profile: undefined },
      { bytes: undefined, profile: undefined },
    ]
    expect(titles(read).slice(1, 4)).toEqual(['1 Brinewatch', '2 (unreadable)', '3 (empty)'])
  })
})

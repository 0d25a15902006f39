import { SECTION } from '../onboard/image'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { bind, renameProfile } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { newStackItem } from '../terms/light'
import { setStep } from '../edits/motion-edits'
import { factoryProfile } from '../terms/profile'
import { keyAction } from '../text/context'
import { compileProfile } from './compile'
import { sectionTable } from './section-table'
import { englishText } from '../../messages/plain'

const profile = factoryProfile(tern7, 'Brinewatch')
const differing = (other: typeof profile) =>
  sectionTable(profile, other, tern7).flatMap(({ name, same }) => (same ? [] : [englishText(name)]))

describe('two profiles section by section', () => {
  it('differ where they do and nowhere else', () => {
    expect(differing(profile)).toEqual([])
    expect(differing(renameProfile(profile, 'Gantry Run'))).toEqual(['name'])
    expect(differing(bind(profile, tern7, 0, 'side-front', keyAction('KeyY', [])))).toEqual(['bindings'])
    expect(differing(setStep(profile, tern7, 0, { dpi: 450 }))).toEqual(['steps'])
    expect(differing({ ...profile, polling: { ...profile.polling, cable: 500 } })).toEqual(['polling rates'])
    expect(differing({ ...profile, settings: { debounceMs: 7 } })).toEqual(['device settings'])
    expect(differing(addLayer(profile, 'Dive'))).toContain('layers')
    expect(differing({ ...profile, light: [newStackItem('wave', {}), ...profile.light] })).toContain('light')
  })

  it('take bytes as they stand in the image, in the order of the sections’ numbers', () => {
    const two = bind(addLayer(profile, 'Dive'), tern7, 1, 'side-front', keyAction('KeyY', []))
    const rows = sectionTable(two, profile, tern7)
    const types = rows.map(({ type }) => type)
    expect(types).toEqual([...types].sort((a, b) => a - b))
    const payload = rows.reduce((sum, { here }) => sum + here, 0)
    // The other bytes are the header, the checksum, and two or three bytes before each section.
    const { bytes } = compileProfile(two, tern7)
    expect(payload).toBeLessThan(bytes.length)
    expect(bytes.length - payload).toBeLessThan(16 + 4 * (rows.length + 2))
    expect(rows.find(({ type }) => type === SECTION.name)).toMatchObject({ here: 10, there: 10, same: true })
    expect(rows.find(({ type }) => type === SECTION.layers)?.there).toBe(0)
  })
})

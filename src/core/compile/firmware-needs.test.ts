import { expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { newStackItem } from '../terms/light'
import { setStack } from '../edits/light-edits'
import { factoryProfile } from '../terms/profile'
import { contextOf } from '../text/context'
import { unsupportedParts } from './firmware-needs'
import { inEnglish } from '../../messages/english.test-support'

it('what an effect needs is told once, to firmware that is older, and to none that has it', () => {
  const profile = setStack(factoryProfile(tern7, 'Bands'), [
    newStackItem('sweep'),
    newStackItem('sweep'),
    newStackItem('wave'),
  ])
  const context = contextOf(profile, tern7)
  const needs = [{ what: 'Sweep', since: { major: 1, minor: 1 } }]
  expect(inEnglish(unsupportedParts(profile, context, { major: 1, minor: 0, patch: 9 }))).toEqual(needs)
  expect(unsupportedParts(profile, context, { major: 1, minor: 1, patch: 0 })).toEqual([])
  expect(unsupportedParts(profile, context, { major: 2, minor: 0 })).toEqual([])
})

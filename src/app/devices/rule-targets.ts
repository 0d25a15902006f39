import { t, withTexts } from '../../messages/page'
import type { RuleTarget } from '../../core/computer/app-rules'
import type { LibraryEntry } from '../database/library'
import type { KnownDevice, SlotContent } from '../stores/known-device'

/** The target of a rule on one device: no change, a slot number, or the slot with a profile. */
export interface RulePlace {
  value: string
  title: string
}

const LEAVE: RulePlace = withTexts({ value: '' }, { title: 'devices.doNotSwitch' })

export const targetPlace = (target: RuleTarget | undefined): string => {
  if (!target) return LEAVE.value
  return target.profile === undefined ? `slot ${target.slot ?? 0}` : `profile ${target.profile}`
}

export function targetOf(device: string, place: string): RuleTarget | undefined {
  const [, kind, rest] = /^(slot|profile) (.*)$/su.exec(place) ?? []
  if (kind === undefined) return undefined
  return kind === 'slot' ? { device, slot: Number(rest) } : { device, profile: rest }
}

/** All options for a device, including a missing one from a file. */
export function targetOptions(
  { model, slots }: KnownDevice,
  entries: readonly LibraryEntry[],
  chosen: string,
): RulePlace[] {
  const names = new Set(entries.flatMap(({ profile }) => (profile.model === model.id ? [profile.name] : [])))
  const places = [
    LEAVE,
    ...Array.from({ length: model.memory.slots }, (_, slot) => ({
      value: `slot ${slot}`,
      title: slotTitle(slot, slots[slot]),
    })),
    ...[...names].map((name) => ({ value: `profile ${name}`, title: t('devices.theSlotWith', { name }) })),
  ]
  return places.some(({ value }) => value === chosen) ? places : [...places, { value: chosen, title: chosen }]
}

/** An unread slot only has its number. */
function slotTitle(slot: number, content: SlotContent | undefined): string {
  if (!content) return t('devices.slot5', { slot: slot + 1 })
  if (content.profile) return `${slot + 1} ${content.profile.name}`
  return t(content.bytes ? 'devices.unreadable2' : 'devices.empty2', { slot: slot + 1 })
}

/** The text of a target. */
export function targetText({ slot, profile }: RuleTarget): string {
  return profile === undefined
    ? t('devices.slot6', { slot: (slot ?? 0) + 1 })
    : t('devices.theSlotWith2', { profile })
}

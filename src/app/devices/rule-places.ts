import type { RuleTarget } from '../../core/computer/app-rules'
import type { LibraryEntry } from '../database/library'
import type { KnownDevice, SlotContent } from '../stores/known-device'

/** What a rule does to one device, as a choice: leave it, a slot by number, or the slot that holds a profile. */
export interface RulePlace {
  value: string
  title: string
}

const LEAVE: RulePlace = { value: '', title: 'stays' }

export const placeOf = (target: RuleTarget | undefined): string => {
  if (!target) return LEAVE.value
  return target.profile === undefined ? `slot ${target.slot ?? 0}` : `profile ${target.profile}`
}

export function targetOf(device: string, place: string): RuleTarget | undefined {
  const [, kind, rest] = /^(slot|profile) (.*)$/su.exec(place) ?? []
  if (kind === undefined) return undefined
  return kind === 'slot' ? { device, slot: Number(rest) } : { device, profile: rest }
}

/** All choices for a device; one that a file asks for and that is not there is among them. */
export function placesOf(
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
    ...[...names].map((name) => ({ value: `profile ${name}`, title: `with ${name}` })),
  ]
  return places.some(({ value }) => value === chosen) ? places : [...places, { value: chosen, title: chosen }]
}

/** A slot that has not been read has its number alone. */
function slotTitle(slot: number, content: SlotContent | undefined): string {
  if (!content) return `Slot ${slot + 1}`
  return `${slot + 1} ${content.profile?.name ?? (content.bytes ? '(cannot be read)' : '(empty)')}`
}

/** What a target comes to, in words. */
export function targetWords({ slot, profile }: RuleTarget): string {
  return profile === undefined ? `slot ${(slot ?? 0) + 1}` : `the slot that holds “${profile}”`
}

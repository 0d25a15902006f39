import { computed } from 'vue'
import { noChanges } from '../../shared/device-line'
import { useDevices } from '../../stores/devices'
import { useLibrary } from '../../stores/library'
import { entryOf } from '../../stores/slots'
import { slotCommands } from '../../stores/slot-commands'
import type { FindEntry } from './find-entry'

/** What can be done with each slot of each device that is within reach. */
export function useFoundSlots() {
  const devices = useDevices()
  const library = useLibrary()
  return computed(() =>
    devices.list
      .filter((device) => noChanges(device) === undefined)
      .flatMap((device) =>
        device.slots.flatMap(({ profile }, index) => {
          const inLibrary = entryOf(profile, device.model, library.entries) !== undefined
          return slotCommands(device, index, inLibrary).map(({ text, words, run }): FindEntry => ({
            kind: 'command',
            text: `${text}: slot ${index + 1}`,
            detail: `${profile?.name ?? 'not readable'} · ${devices.title(device)}`,
            words,
            run,
          }))
        }),
      ),
  )
}

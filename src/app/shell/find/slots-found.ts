import { t } from '../../../messages/page'
import { computed } from 'vue'
import { whyReadOnly } from '../../shared/device-line'
import { useDevices } from '../../stores/devices'
import { useLibrary } from '../../stores/library'
import { entryOf } from '../../stores/slots'
import { slotCommands } from '../../stores/slot-commands'
import type { FindEntry } from './find-entry'

/** Actions for each slot of each connected device. */
export function useFoundSlots() {
  const devices = useDevices()
  const library = useLibrary()
  return computed(() =>
    devices.list
      .filter((device) => whyReadOnly(device) === undefined)
      .flatMap((device) =>
        device.slots.flatMap(({ profile }, index) => {
          const inLibrary = entryOf(profile, device.model, library.entries) !== undefined
          return slotCommands(device, index, inLibrary).map(({ text, words, run }): FindEntry => ({
            kind: 'command',
            text: t('shell.slot', { text, number: index + 1 }),
            detail: `${profile?.name ?? 'not readable'} · ${devices.title(device)}`,
            words,
            run,
          }))
        }),
      ),
  )
}

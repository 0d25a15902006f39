import { t } from '../../messages/page'
import { batteryText } from '../shared/device-line'
import { serialText, type KnownDevice } from '../stores/known-device'
import type { LinkCounts } from '../../core/link/session'

export interface SupportFacts {
  version: string
  browser: string
  storage: string
  devices: readonly { device: KnownDevice; counts: LinkCounts | undefined }[]
  library: string
  findings: readonly string[]
  said: readonly string[]
  /** Names of profiles and contents of slots, only with the person's consent. */
  names: readonly string[] | undefined
}

/** The support text. Without names, it contains nothing of a profile. */
export function supportText({
  version,
  browser,
  storage,
  devices,
  library,
  findings,
  said,
  names,
}: SupportFacts): string {
  const part = (title: string, lines: readonly string[]) => [
    title,
    ...(lines.length > 0 ? lines : [t('settings.none')]).map((line) => `  ${line}`),
  ]
  return [
    ...part(t('settings.unisera2'), [version]),
    ...part(t('settings.browser'), [browser]),
    ...part(t('settings.storage'), [storage, library]),
    ...part(t('settings.devices'), devices.flatMap(deviceLines)),
    ...part(t('settings.checks'), findings),
    ...part(t('settings.problemsSinceThePageWasOpened'), said),
    ...(names ? part(t('settings.profiles'), names) : []),
    '',
  ].join('\n')
}

function deviceLines({ device, counts }: SupportFacts['devices'][number]): string[] {
  const { model, info, connected } = device
  if (!info)
    return [
      connected
        ? t('settings.notRead', { name: model.name })
        : t('settings.notConnected', { name: model.name }),
    ]
  const { major, minor, patch } = info.firmware
  const connection = connected
    ? (model.connections[info.connection]?.name ?? t('settings.connected'))
    : t('settings.notConnected2')
  const taken = device.slots.filter(({ bytes }) => bytes).length
  return [
    `${model.name}, serial ${serialText(info.serial)}, firmware ${major}.${minor}.${patch}, protocol ${info.protocol}`,
    `  ${t('settings.batteryOfSlotsUsedSlotActive', {
      connection,
      battery: batteryText(info),
      taken,
      slots: info.slots,
      activeSlot: info.activeSlot + 1,
    })}`,
    ...(counts
      ? [
          `  ${t('settings.linkRequestsRepeatedWrites', {
            requests: counts.requests,
            repeated: counts.repeated,
            writesAgain: counts.writesAgain,
            failed: counts.failed,
          })}`,
        ]
      : []),
    ...(device.log ?? []).map(
      ({ what, code, times }) => `  ${t('settings.skippedUnknownItemKindCodeTimes', { what, code, times })}`,
    ),
  ]
}

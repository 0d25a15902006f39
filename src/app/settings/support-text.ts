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
  /** What the profiles are called, and what each slot holds: only where its person says so. */
  names: readonly string[] | undefined
}

/** What one tells who is to help, as one text. Without names it says nothing of what is in a profile. */
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
    ...(lines.length > 0 ? lines : ['none']).map((line) => `  ${line}`),
  ]
  return [
    ...part('Unisera', [version]),
    ...part('Browser', [browser]),
    ...part('Storage', [storage, library]),
    ...part('Devices', devices.flatMap(deviceLines)),
    ...part('Findings of the checks', findings),
    ...part('What went wrong since the page was opened', said),
    ...(names ? part('Profiles', names) : []),
    '',
  ].join('\n')
}

function deviceLines({ device, counts }: SupportFacts['devices'][number]): string[] {
  const { model, info, connected } = device
  if (!info) return [`${model.name}: ${connected ? 'not read' : 'not connected'}`]
  const { major, minor, patch } = info.firmware
  const connection = connected ? (model.connections[info.connection]?.name ?? 'connected') : 'not connected'
  const taken = device.slots.filter(({ bytes }) => bytes).length
  return [
    `${model.name}, serial ${serialText(info.serial)}, firmware ${major}.${minor}.${patch}, protocol ${info.protocol}`,
    `  ${connection}, battery ${batteryText(info)}, ${taken} of ${info.slots} slots taken, slot ${info.activeSlot + 1} on`,
    ...(counts
      ? [
          `  link: ${counts.requests} requests, ${counts.repeated} repeated, ${counts.writesAgain} writes begun again, ${counts.failed} failed`,
        ]
      : []),
    ...(device.log ?? []).map(
      ({ what, code, times }) => `  met and passed over: kind ${what}, code ${code}, ${times} times`,
    ),
  ]
}

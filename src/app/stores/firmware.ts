import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { reactive, shallowRef, watch } from 'vue'
import { array, number, object, string } from 'yup'
import { compareVersions, versionText, type FirmwareVersion } from '../../core/base/versions'
import { fromHexBytes, ImageError } from '../../core/base/bytes'
import { LinkError } from '../../core/link/link-error'
import type { FirmwareFile } from '../../core/onboard/firmware-file'
import { useDevices } from './devices'
import type { KnownDevice } from './known-device'
import { errorMessage, useNotifications } from './notifications'
import { useUnfinishedWork } from './unfinished'
import { useOwnSetting } from '../../look/own-storage'

export type Version = Required<FirmwareVersion>

/** A firmware file for a device, checked here before the device verifies it. */
export interface Candidate {
  bytes: Uint8Array
  file: FirmwareFile
  /** Whether the browser could verify the signature; the device does in any case. */
  signed: boolean | undefined
}

/** An update in progress, or its result. */
export interface UpdateState {
  phase: 'sending' | 'looking' | 'starting' | 'done' | 'back' | 'failed'
  from: Version
  to: Version
  percent: number
  /** Remaining time of the transfer, once it can be estimated. */
  leftSeconds?: number
  message?: string
}

const listSchema = array(
  object({
    model: string().required(),
    version: object({
      major: number().required(),
      minor: number().required(),
      patch: number().required(),
    }).required(),
    file: string()
      .matches(/^[\w.-]+\.unfw$/)
      .required(),
  }),
).required()

/** By then, a device is back with the new firmware, or it has returned to the old one. */
const BACK_MS = 20_000
const LOOK_MS = 200

/** Included firmware, and updates with it or with a file. */
export const useFirmware = defineStore('firmware', () => {
  const devices = useDevices()
  const notices = useNotifications()
  const unfinished = useUnfinishedWork()
  const list = shallowRef<{ model: string; version: Version; file: string }[]>([])
  const states = reactive(new Map<string, UpdateState>())
  /** Updates that started but did not finish, by device. */
  const begun = useOwnSetting<Record<string, { from: Version; to: Version }>>('unisera-updates-begun', {})
  /** Versions that were already offered: once per device. */
  const told = useOwnSetting<string[]>('unisera-firmware-told', [])

  async function load(): Promise<void> {
    if (list.value.length > 0) return
    try {
      const answer = await fetch('/firmware/index.json')
      list.value = await listSchema.validate(await answer.json(), { strict: true })
    } catch {
      // Without the server there may be no included firmware; files of the person still work.
      list.value = []
    }
  }

  /** The included version that is newer than the one on a device. */
  function newerFor({ model, info }: KnownDevice): Version | undefined {
    const there = list.value.find((each) => each.model === model.id)
    return info && there && compareVersions(there.version, info.firmware) > 0 ? there.version : undefined
  }

  watch(
    () => devices.list.map((device) => [device, newerFor(device)] as const),
    (all) => {
      for (const [device, version] of all) {
        const key = version && `${device.id} ${versionText(version)}`
        if (!key || told.value.includes(key)) continue
        told.value = [...told.value, key]
        notices.tell(
          'firmware',
          t('stores.firmwareIsAvailableFor', { version: versionText(version), title: devices.title(device) }),
          {
            quiet: true,
          },
        )
      }
    },
  )

  /** An interrupted update is reported when its device is connected again. */
  watch(
    () => devices.list.map(({ id, connected, info }) => [id, connected && info?.firmware] as const),
    (all) => {
      for (const [id, runs] of all) {
        const cut = begun.value[id]
        if (!cut || !runs || states.get(id)) continue
        forget(id)
        const device = devices.known.get(id)
        const title = device ? devices.title(device) : id
        notices.say(
          compareVersions(runs, cut.to) === 0
            ? t('stores.theUpdateOfWasInterruptedAfterThe', { title, version: versionText(runs) })
            : t('stores.theUpdateOfToWasInterruptedThe', {
                title,
                version: versionText(cut.to),
                current: versionText(runs),
              }),
        )
      }
    },
  )
  function forget(id: string): void {
    begun.value = Object.fromEntries(Object.entries(begun.value).filter(([each]) => each !== id))
  }

  /** The included file for a device. @throws Error if it cannot be loaded */
  async function bundledFor({ model }: KnownDevice): Promise<Uint8Array> {
    const there = list.value.find((each) => each.model === model.id)
    const answer = there && (await fetch(`/firmware/${there.file}`))
    if (!answer?.ok) throw new Error(t('stores.theFileIsMissingOrTheServer'))
    return new Uint8Array(await answer.arrayBuffer())
  }

  /** @returns the file to install, or why it is refused */
  async function look(bytes: Uint8Array, { model }: KnownDevice): Promise<Candidate | string> {
    // Its checksums are not part of the first view.
    const { readFirmwareFile } = await import('../../core/onboard/firmware-file')
    try {
      const file = readFirmwareFile(bytes)
      if (file.model !== model.number) return t('stores.theFileIsForADifferentModel', { name: model.name })
      const signed = await verified(file, model.firmwareKey)
      if (signed === false) return t('stores.theFileIsNotSignedByIt', { maker: model.maker })
      return { bytes, file, signed }
    } catch (error) {
      if (error instanceof ImageError)
        return t('stores.theFileCannotBeRead', { message: errorMessage(error) })
      throw error
    }
  }

  /** Sends the file, restarts the device, and reports the running version. */
  async function update(id: string, { bytes, file }: Candidate): Promise<void> {
    const device = devices.known.get(id)
    if (!device?.info || states.get(id)?.phase === 'sending') return
    const state: UpdateState = { phase: 'sending', from: device.info.firmware, to: file.version, percent: 0 }
    states.set(id, state)
    const now = () => states.get(id) ?? state
    begun.value = { ...begun.value, [id]: { from: state.from, to: state.to } }
    const start = performance.now()
    const end = unfinished.begin('firmware')
    try {
      await devices.session(id, async (session) => {
        await session.sendFirmware(bytes, ({ phase, doneBytes, totalBytes }) => {
          const seconds = (performance.now() - start) / 1000
          Object.assign(now(), {
            phase: phase === 'sending' ? 'sending' : 'looking',
            percent: Math.round((100 * doneBytes) / totalBytes),
            leftSeconds:
              doneBytes > 0 ? Math.ceil((seconds * (totalBytes - doneBytes)) / doneBytes) : undefined,
          })
        })
        now().phase = 'starting'
        await session.restart()
      })
      await backAgain(id, file.version)
    } catch (error) {
      const gone = error instanceof LinkError && error.reason === 'disconnected'
      Object.assign(now(), {
        phase: 'failed',
        message: gone
          ? t('stores.theUpdateWasInterruptedTheDevice', {
              version: versionText(state.from),
              next: versionText(state.to),
            })
          : t('stores.theDeviceStillRunsItsSlotsAre', {
              message: errorMessage(error),
              version: versionText(state.from),
            }),
      })
      if (!gone) forget(id)
    } finally {
      end()
    }
    await devices.refresh(id, 'all')
  }

  async function backAgain(id: string, wanted: Version): Promise<void> {
    const state = states.get(id)
    const until = performance.now() + BACK_MS
    while (state && performance.now() < until) {
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
      await devices.refresh(id)
      const device = devices.known.get(id)
      const runs = device?.connected ? device.info?.firmware : undefined
      if (!runs) continue
      const same = compareVersions(runs, wanted) === 0
      if (!same && performance.now() < until - BACK_MS + 2000) continue
      state.phase = same ? 'done' : 'back'
      forget(id)
      return
    }
    if (state)
      Object.assign(state, {
        phase: 'failed',
        message: t('stores.theDeviceHasNotReconnectedYet'),
      })
  }

  const dismiss = (id: string) => states.delete(id)

  return { list, states, load, newerFor, bundledFor, look, update, dismiss }
})

/** By Web Crypto; undefined in a browser without Ed25519. */
async function verified({ signature, signed }: FirmwareFile, keyHex: string): Promise<boolean | undefined> {
  try {
    const key = await crypto.subtle.importKey('raw', new Uint8Array(fromHexBytes(keyHex)), 'Ed25519', false, [
      'verify',
    ])
    return await crypto.subtle.verify('Ed25519', key, new Uint8Array(signature), new Uint8Array(signed))
  } catch {
    return undefined
  }
}

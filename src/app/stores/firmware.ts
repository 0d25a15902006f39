import { defineStore } from 'pinia'
import { reactive, shallowRef, watch } from 'vue'
import { array, number, object, string } from 'yup'
import { compareVersions, versionText, type FirmwareVersion } from '../../core/base/versions'
import { fromHexBytes, ImageError } from '../../core/base/bytes'
import { LinkError } from '../../core/link/link-error'
import type { FirmwareFile } from '../../core/onboard/firmware-file'
import { useDevices } from './devices'
import type { KnownDevice } from './known-device'
import { messageOf, useNotices } from './notices'
import { useUnfinished } from './unfinished'
import { useOwnSetting } from '../../look/own-storage'

export type Version = Required<FirmwareVersion>

/** A firmware file that may go into a device, looked at here before the device does. */
export interface Candidate {
  bytes: Uint8Array
  file: FirmwareFile
  /** Whether the browser could look at the signature; the device does in any case. */
  signed: boolean | undefined
}

/** An update under way, or how it ended. */
export interface UpdateState {
  phase: 'sending' | 'looking' | 'starting' | 'done' | 'back' | 'failed'
  from: Version
  to: Version
  percent: number
  /** Until all is sent, once that can be told. */
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

/** A device is back with what it was started with by then, or it went back. */
const BACK_MS = 20_000
const LOOK_MS = 200

/** Firmware that ships beside the application, and updates with it or with a file. */
export const useFirmware = defineStore('firmware', () => {
  const devices = useDevices()
  const notices = useNotices()
  const unfinished = useUnfinished()
  const list = shallowRef<{ model: string; version: Version; file: string }[]>([])
  const states = reactive(new Map<string, UpdateState>())
  /** Updates that were begun and not seen to their end, by device. */
  const begun = useOwnSetting<Record<string, { from: Version; to: Version }>>('unisera-updates-begun', {})
  /** What was told already: a version is told once a device. */
  const told = useOwnSetting<string[]>('unisera-firmware-told', [])

  async function load(): Promise<void> {
    if (list.value.length > 0) return
    try {
      const answer = await fetch('/firmware/index.json')
      list.value = await listSchema.validate(await answer.json(), { strict: true })
    } catch {
      // Without its server there may be none here; a file of the person's own still goes.
      list.value = []
    }
  }

  /** The bundled version that is newer than what a device runs. */
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
        notices.tell('firmware', `Firmware ${versionText(version)} is here for ${devices.title(device)}`, {
          quiet: true,
        })
      }
    },
  )

  /** An update that was cut is told when its device is there again. */
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
            ? `The update of ${title} had been cut after all was in it: it runs ${versionText(runs)} now.`
            : `The update of ${title} to ${versionText(cut.to)} had been cut. It runs ${versionText(runs)} as before, with its slots as they were. Begin it again in Devices.`,
        )
      }
    },
  )
  function forget(id: string): void {
    begun.value = Object.fromEntries(Object.entries(begun.value).filter(([each]) => each !== id))
  }

  /** The file that ships for a device. @throws Error where it cannot be had */
  async function bundledFor({ model }: KnownDevice): Promise<Uint8Array> {
    const there = list.value.find((each) => each.model === model.id)
    const answer = there && (await fetch(`/firmware/${there.file}`))
    if (!answer?.ok) throw new Error('the file is not here; the server may be away')
    return new Uint8Array(await answer.arrayBuffer())
  }

  /** @returns what may go in, or why not */
  async function look(bytes: Uint8Array, { model }: KnownDevice): Promise<Candidate | string> {
    // Its sums are nothing that a page needs at its beginning.
    const { readFirmwareFile } = await import('../../core/onboard/firmware-file')
    try {
      const file = readFirmwareFile(bytes)
      if (file.model !== model.number) return `It is for another model than ${model.name}`
      const signed = await verified(file, model.firmwareKey)
      if (signed === false)
        return `It is not signed by ${model.maker}: it was changed, or comes from somebody else`
      return { bytes, file, signed }
    } catch (error) {
      if (error instanceof ImageError) return `It cannot be read: ${error.message}`
      throw error
    }
  }

  /** Puts it in, starts the device with it, and says what it runs then. */
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
        await session.putFirmware(bytes, ({ phase, doneBytes, totalBytes }) => {
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
          ? `The cable came out, or the power went. The device runs ${versionText(state.from)} as before, or all of ${versionText(state.to)}; its slots are as they were. Plug it in and begin again.`
          : `${messageOf(error)}. It runs ${versionText(state.from)} as before, with its slots as they were.`,
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
        message:
          'The device has not come back yet. Take its cable out and put it in again: it begins with the version before, or the new one, whole.',
      })
  }

  const dismiss = (id: string) => states.delete(id)

  return { list, states, load, newerFor, bundledFor, look, update, dismiss }
})

/** By Web Crypto; undefined in a browser that does not know Ed25519. */
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

import { t, textOf } from '../messages/page'
import { useRafFn } from '@vueuse/core'
import { onScopeDispose, shallowRef } from 'vue'
import { Computer, computerEventMessage } from '../core/computer/computer'
import { applyEvent, emptyDesktop } from '../core/computer/desktop'
import { layoutFor, type LayoutId } from '../core/computer/layouts'
import type { OperatingSystem } from '../core/computer/operating-systems'
import { measurePolling, type MeasuredPolling } from '../core/computer/movement-polling'
import { listenToSimulator } from '../simulator/client'
import type { DeviceEntry } from '../simulator/api'

export interface HeardReport {
  serial: number
  /** The device that sent it. */
  from: string
  atMs: number
  hex: string
  meaning: string
}

const MAX_HEARD = 80

/** A longer pause ends a movement. */
const PAUSE_US = 100_000
const MAX_MOVES = 4000

/**
 * One computer with all devices of the desk: it received their descriptors and interprets their reports. The page is
 * updated once per frame, however many reports arrive.
 */
export function useListening(entries: readonly (DeviceEntry & { name: string })[]) {
  const layout = shallowRef<LayoutId>('us')
  const system = shallowRef<OperatingSystem>('windows')
  const plugIn = ({ id, descriptor }: DeviceEntry): [string, Computer] => [
    id,
    new Computer(descriptor, layoutFor(layout.value, system.value)),
  ]
  const ports = new Map(entries.map(plugIn))
  let heard: HeardReport[] = []
  let changed = false
  let serial = 0
  let startUs: number | undefined
  let now = emptyDesktop()
  const desktop = shallowRef(now)
  const reports = shallowRef<HeardReport[]>([])
  const polling = shallowRef<MeasuredPolling>()

  let moved: { deviceId: string; timesUs: number[] } = { deviceId: '', timesUs: [] }
  function noteMove(deviceId: string, atUs: number): void {
    const lastUs = moved.timesUs.at(-1) ?? -Infinity
    if (moved.deviceId !== deviceId || atUs - lastUs > PAUSE_US || moved.timesUs.length > MAX_MOVES)
      moved = { deviceId, timesUs: [] }
    moved.timesUs.push(atUs)
  }

  function receive(deviceId: string, report: Uint8Array, atUs: number): void {
    const computer = ports.get(deviceId)
    if (!computer) return
    startUs ??= atUs
    const atMs = (atUs - startUs) / 1000
    const events = computer.receive(report)
    for (const event of events) now = applyEvent(now, event, atMs)
    if (events.some(({ kind }) => kind === 'pointer')) noteMove(deviceId, atUs)
    const hex = Array.from(report, (byte) => byte.toString(16).padStart(2, '0')).join(' ')
    const meaning =
      events.map((event) => textOf(computerEventMessage(event))).join(', ') || t('unplugged.noNewReports')
    const from = entries.find(({ id }) => id === deviceId)?.name ?? deviceId
    heard = [{ serial: serial++, from, atMs, hex, meaning }, ...heard].slice(0, MAX_HEARD)
    changed = true
  }

  /** A reconnected device is new to the computer: nothing is held. */
  function replug(deviceId: string): void {
    const entry = entries.find(({ id }) => id === deviceId)
    if (entry) ports.set(...plugIn(entry))
    now = { ...now, down: [] }
    changed = true
  }

  const stop = listenToSimulator((event) => {
    if (event.kind === 'report') receive(event.deviceId, event.report, event.atUs)
    if (event.kind === 'connection') replug(event.deviceId)
  })
  useRafFn(() => {
    if (!changed) return
    changed = false
    desktop.value = now
    reports.value = heard
    polling.value = measurePolling(moved.timesUs) ?? polling.value
  })
  onScopeDispose(stop)

  function clear(): void {
    now = emptyDesktop(system.value)
    heard = []
    startUs = undefined
    changed = true
  }

  /** The computer's keyboard layout or operating system changed. */
  function setUp(change: { layout?: LayoutId; system?: OperatingSystem }): void {
    layout.value = change.layout ?? layout.value
    system.value = change.system ?? system.value
    for (const { id } of entries) replug(id)
    now = { ...now, system: system.value, box: undefined }
  }

  return { desktop, reports, polling, layout, system, clear, setUp }
}

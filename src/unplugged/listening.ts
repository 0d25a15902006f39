import { useRafFn } from '@vueuse/core'
import { onScopeDispose, shallowRef } from 'vue'
import { Computer, eventText } from '../core/computer/computer'
import { afterEvent, emptyDesktop } from '../core/computer/desktop'
import { layoutOn, type LayoutId } from '../core/computer/layouts'
import type { OperatingSystem } from '../core/computer/systems'
import { listenToSimulator } from '../simulator/client'
import type { DeviceEntry } from '../simulator/face'

export interface HeardReport {
  serial: number
  /** The device it came from. */
  from: string
  atMs: number
  hex: string
  meaning: string
}

const MOST_HEARD = 80

/**
 * One computer with every device of the desk at its ports: it was handed their descriptors, hears reports, and
 * makes of them what it can. The page is told once a frame, however many reports came.
 */
export function useListening(entries: readonly (DeviceEntry & { name: string })[]) {
  const layout = shallowRef<LayoutId>('us')
  const system = shallowRef<OperatingSystem>('windows')
  const plugIn = ({ id, descriptor }: DeviceEntry): [string, Computer] => [
    id,
    new Computer(descriptor, layoutOn(layout.value, system.value)),
  ]
  const ports = new Map(entries.map(plugIn))
  let heard: HeardReport[] = []
  let changed = false
  let serial = 0
  let startUs: number | undefined
  let now = emptyDesktop()
  const desktop = shallowRef(now)
  const reports = shallowRef<HeardReport[]>([])

  function receive(deviceId: string, report: Uint8Array, atUs: number): void {
    const computer = ports.get(deviceId)
    if (!computer) return
    startUs ??= atUs
    const atMs = (atUs - startUs) / 1000
    const events = computer.receive(report)
    for (const event of events) now = afterEvent(now, event, atMs)
    const hex = Array.from(report, (byte) => byte.toString(16).padStart(2, '0')).join(' ')
    const meaning = events.map(eventText).join(', ') || 'nothing new'
    const from = entries.find(({ id }) => id === deviceId)?.name ?? deviceId
    heard = [{ serial: serial++, from, atMs, hex, meaning }, ...heard].slice(0, MOST_HEARD)
    changed = true
  }

  /** A device that comes back is a new one to the computer: nothing is held down any more. */
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
  })
  onScopeDispose(stop)

  function clear(): void {
    now = emptyDesktop(system.value)
    heard = []
    startUs = undefined
    changed = true
  }

  /** The computer is set to another layout or runs another system. */
  function setUp(change: { layout?: LayoutId; system?: OperatingSystem }): void {
    layout.value = change.layout ?? layout.value
    system.value = change.system ?? system.value
    for (const { id } of entries) replug(id)
    now = { ...now, system: system.value, box: undefined }
  }

  return { desktop, reports, layout, system, clear, setUp }
}

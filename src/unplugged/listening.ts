import { useRafFn } from '@vueuse/core'
import { onScopeDispose, shallowRef } from 'vue'
import { itemAt } from '../core/base/items'
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

/** How often the device that moved last reported its movement. */
export interface HeardPolling {
  rateHz: number
  reports: number
}

/** A longer pause than this ends a movement. */
const PAUSE_US = 100_000
const MOST_MOVES = 4000
/** Fewer reports of movement say nothing of a rate. */
const LEAST_MOVES = 10

/**
 * The polling rate by the intervals of a movement: where the hand was fast enough a report came at every poll, so the
 * short ones are the period. Rounded to what a USB host can poll at.
 */
function pollingOf(timesUs: readonly number[]): HeardPolling | undefined {
  if (timesUs.length < LEAST_MOVES) return undefined
  const gaps = timesUs.slice(1).map((atUs, at) => atUs - itemAt(timesUs, at))
  const period = itemAt(
    gaps.sort((a, b) => a - b),
    Math.floor(gaps.length / 10),
  )
  return { rateHz: Math.round(1e6 / period), reports: timesUs.length }
}

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
  const polling = shallowRef<HeardPolling>()

  let moved: { deviceId: string; timesUs: number[] } = { deviceId: '', timesUs: [] }
  function noteMove(deviceId: string, atUs: number): void {
    const lastUs = moved.timesUs.at(-1) ?? -Infinity
    if (moved.deviceId !== deviceId || atUs - lastUs > PAUSE_US || moved.timesUs.length > MOST_MOVES)
      moved = { deviceId, timesUs: [] }
    moved.timesUs.push(atUs)
  }

  function receive(deviceId: string, report: Uint8Array, atUs: number): void {
    const computer = ports.get(deviceId)
    if (!computer) return
    startUs ??= atUs
    const atMs = (atUs - startUs) / 1000
    const events = computer.receive(report)
    for (const event of events) now = afterEvent(now, event, atMs)
    if (events.some(({ kind }) => kind === 'pointer')) noteMove(deviceId, atUs)
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
    polling.value = pollingOf(moved.timesUs) ?? polling.value
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

  return { desktop, reports, polling, layout, system, clear, setUp }
}

import { useRafFn } from '@vueuse/core'
import { onScopeDispose, shallowRef } from 'vue'
import { Computer, eventText } from '../core/hid/computer'
import { US_LAYOUT } from '../core/hid/us-layout'
import { listenToSimulator } from '../simulator/client'
import { afterEvent, emptyDesktop } from './desktop'

export interface HeardReport {
  serial: number
  atMs: number
  hex: string
  meaning: string
}

const MOST_HEARD = 80

/**
 * A computer at the end of the cable: it was handed the descriptor, hears reports, and makes of them what it can.
 * The page is told once a frame, however many reports came.
 */
export function useListening(deviceId: string, descriptor: Uint8Array) {
  let computer = new Computer(descriptor, US_LAYOUT)
  let heard: HeardReport[] = []
  let changed = false
  let serial = 0
  let startUs: number | undefined
  let now = emptyDesktop()
  const desktop = shallowRef(now)
  const reports = shallowRef<HeardReport[]>([])

  function receive(report: Uint8Array, atUs: number): void {
    startUs ??= atUs
    const events = computer.receive(report)
    for (const event of events) now = afterEvent(now, event)
    const hex = Array.from(report, (byte) => byte.toString(16).padStart(2, '0')).join(' ')
    const meaning = events.map(eventText).join(', ') || 'nothing new'
    heard = [{ serial: serial++, atMs: (atUs - startUs) / 1000, hex, meaning }, ...heard].slice(0, MOST_HEARD)
    changed = true
  }

  const stop = listenToSimulator((event) => {
    if (event.kind === 'report' && event.deviceId === deviceId) receive(event.report, event.atUs)
    // A device that comes back is a new one to the computer: nothing is held down any more.
    if (event.kind === 'connection' && event.deviceId === deviceId) {
      computer = new Computer(descriptor, US_LAYOUT)
      now = { ...now, down: [] }
      changed = true
    }
  })
  useRafFn(() => {
    if (!changed) return
    changed = false
    desktop.value = now
    reports.value = heard
  })
  onScopeDispose(stop)

  function clear(): void {
    now = emptyDesktop()
    heard = []
    startUs = undefined
    changed = true
  }

  return { desktop, reports, clear }
}

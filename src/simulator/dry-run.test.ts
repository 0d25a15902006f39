import { baseLayer } from '../core/document/base-layer'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { knot5 } from '../core/device/models/knot-5'
import { tern7 } from '../core/device/models/tern-7'
import type { DeviceModel } from '../core/device/model'
import { compileProfile } from '../core/compile/compile'
import { anyCombo } from '../core/document/any-macro.test-support'
import { compareChanges, idealChanges } from '../core/compile/dry-run'
import { lowerMacro } from '../core/terms/lower-macro'
import { emptyMacro, shelfOf, type MacroEvent } from '../core/document/macro'
import { durationMs } from '../core/document/macro-timing'
import { factoryProfile } from '../core/terms/profile'
import { dryRun } from './dry-run'
import type { DryRunRequest } from './api'
import { runs } from '../core/base/runs.test-support'

/** Plays events once on a device and pairs ideal and sent changes. */
async function compared(
  events: MacroEvent[],
  model: DeviceModel,
  connectionId: DryRunRequest['connectionId'],
  rateHz: number,
) {
  const macro = { ...emptyMacro('m', 'M'), events }
  const shelf = shelfOf([macro])
  const how = { play: 'once', gapMs: 0, again: 'ignore', others: 'go-on' } as const
  const blank = factoryProfile(model, 'Dry run')
  const bindings = { 'side-front': { action: { kind: 'macro', macro: 'm', ...how } as const } }
  const profile = {
    ...blank,
    polling: { ...blank.polling, [connectionId]: rateHz },
    layers: [{ ...baseLayer(blank), bindings }],
  }
  const request = { modelId: model.id, connectionId, inputId: 'side-front', forUs: durationMs(events) * 1000 }
  const { bytes: image } = compileProfile(profile, model, shelf)
  const { descriptor, reports } = await dryRun({ ...request, image })
  const { changes, known } = idealChanges(lowerMacro(macro, shelf, { layout: 'us' }), 1e6 / rateHz)
  return { known, wanted: changes, sent: compareChanges(changes, descriptor, reports) }
}

describe('a dry run', () => {
  it('sends every change of a combo within one poll of when it was wanted, however long it is', async () => {
    await fc.assert(
      fc.asyncProperty(anyCombo, async (events) => {
        const { wanted, sent } = await compared(events, tern7, 'receiver', 1000)
        expect(sent.map(({ what }) => what)).toEqual(wanted.map(({ what }) => what))
        for (const { requestedMs, sentMs } of sent) {
          expect(sentMs).toBeGreaterThanOrEqual(requestedMs)
          expect(sentMs - requestedMs).toBeLessThanOrEqual(1)
        }
      }),
      runs(15),
    )
  })

  it('shows what a slow poll does to quick events', async () => {
    const quick: MacroEvent[] = ['KeyA', 'KeyB', 'KeyC'].map((code, index) => ({
      kind: 'key',
      code,
      does: 'press',
      afterMs: index === 0 ? 0 : 1,
    }))
    const { sent } = await compared(quick, knot5, 'cable', 125)
    const late = sent.map(({ requestedMs, sentMs }) => sentMs - requestedMs)
    expect(Math.max(...late.slice(0, 3))).toBeGreaterThan(8)
  })

  it('knows when each end of a typed stroke is due, and nothing behind a wait that is drawn', async () => {
    const text = await compared([{ kind: 'text', text: 'Ab', afterMs: 20 }], tern7, 'cable', 500)
    expect(text.sent.map(({ requestedMs }) => requestedMs)).toEqual([20, 20, 30, 30, 32, 42])
    const drawn: MacroEvent = { kind: 'pause', fromMs: 5, toMs: 90, afterMs: 0 }
    expect((await compared([drawn, ...[]], tern7, 'cable', 500)).known).toBe(false)
  })
})

import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import { compileProfile } from '../core/compile/compile'
import { analyseClicks, analyseKeys } from '../core/measure/clicks'
import { analysePasses, CARD_SIDES_MM, findPasses } from '../core/measure/counts-per-inch'
import { receiveReports, type ReceptionFaults } from '../core/measure/reception'
import { analysePolling } from '../core/measure/polling'
import { analyseStroke, detectSnapping } from '../core/measure/straightness'
import type { Estimate } from '../core/base/statistics'
import { setPolling, setSettings, setStep } from '../core/edits/motion-edits'
import { factoryProfile } from '../core/terms/profile'
import type { TestDeviceRequest, ActualValues } from './api'
import { powerRun } from './power-run'
import { profilePower } from '../core/terms/profile-power'
import { runTestDevice } from './test-device'
import { findStrokes } from '../core/measure/strokes'
import { emptySession, recordMovement, recordPress, sessionFigures } from '../core/document/session-log'

const sound: ActualValues & ReceptionFaults = {
  seed: 1,
  errorPercent: 0,
  turnedDegrees: 0,
  jitterMs: 0,
  lostShare: 0,
  chatterShare: 0,
}
const profile = setStep(factoryProfile(tern7, 'Bench'), tern7, 1, { dpi: 1600 })
const image = compileProfile(profile, tern7).bytes
async function measured(
  use: TestDeviceRequest['use'],
  times: number,
  faults: Partial<ActualValues & ReceptionFaults>,
  bytes = image,
) {
  const truth = { ...sound, ...faults }
  const place = { modelId: 'tern-7', connectionId: 'cable' as const, image: bytes }
  return receiveReports(
    await runTestDevice({ ...place, truth, use, times, distanceMm: CARD_SIDES_MM.long }),
    truth,
  )
}
const holds = ({ low, high }: Estimate, truth: number) => low <= truth && truth <= high

describe('instruments recover what was planted', () => {
  it('a session of play: two clicks and one stroke a second', async () => {
    const { presses, dx, dy, timesMs } = await measured('play', 60, {})
    const log = emptySession(0, 1600)
    timesMs.forEach((atMs, at) => recordMovement(log, atMs, itemAt(dx, at), itemAt(dy, at)))
    for (const press of presses) recordPress(log, press, 'clicks')
    const figures = sessionFigures({ ...log, dpi: 1600 })
    expect(figures.clicks).toBe(120)
    expect(figures.metres).toBeCloseTo((60 * CARD_SIDES_MM.long) / 1000, 1)
  })

  it('a rate of 1,000 Hz with jitter and lost reports', async () => {
    const { timesMs } = await measured('swirl', 6000, { jitterMs: 0.05, lostShare: 0.01 })
    const found = analysePolling(Float64Array.from(timesMs))
    if (!found) throw new Error('nothing found')
    expect(holds(found.rateHz, 1000)).toBe(true)
    expect(found.rateHz.high - found.rateHz.low).toBeLessThan(3)
    expect(found.medianMs).toBeCloseTo(1, 1)
    // Both ends of an interval vary.
    expect(found.jitterMs).toBeGreaterThan(0.05)
    expect(found.jitterMs).toBeLessThan(0.09)
    expect(found.missed / found.reports).toBeGreaterThan(0.006)
    expect(found.missed / found.reports).toBeLessThan(0.014)
  })

  it('1,600 DPI + 3.2 % and a sensor turned by 4°, nineteen times of twenty', async () => {
    let [held, all] = [0, 0]
    for (let seed = 1; seed <= 20; seed++) {
      const { timesMs, dx, dy } = await measured('passes', 16, { errorPercent: 3.2, turnedDegrees: 4, seed })
      for (const { dpi, turnedDegrees, errorPercent } of analysePasses(
        findPasses(timesMs, dx, dy),
        CARD_SIDES_MM.long,
        1600,
      )) {
        all += 2
        held += Number(holds(dpi, 1600 * 1.032)) + Number(holds(turnedDegrees, 4))
        expect(errorPercent.value).toBeCloseTo(3.2, 0)
        expect(errorPercent.high - errorPercent.low).toBeLessThan(1.5)
      }
    }
    expect(all).toBe(80)
    // A 95% interval contains the actual value about 76 times in 80.
    expect(held).toBeGreaterThanOrEqual(70)
  })

  it('chatter of 2 %, and none where there is none', async () => {
    const found = itemAt(analyseClicks((await measured('clicks', 1500, { chatterShare: 0.02 })).presses), 0)
    expect(holds(found.chatter, 0.02)).toBe(true)
    expect(found.chatter.presses).toBeGreaterThan(10)
    const none = itemAt(analyseClicks((await measured('clicks', 300, {})).presses), 0)
    expect(none.chatter.presses).toBe(0)
    expect(none.clicks).toBe(300)
    expect(none.heldMs.value).toBeGreaterThan(65)
    expect(none.heldMs.value).toBeLessThan(95)
  })

  it('angle snapping, from strokes alone', async () => {
    const strokes = async (angleSnapping: boolean) => {
      const bytes = compileProfile(setSettings(profile, tern7, { angleSnapping }), tern7).bytes
      const { timesMs, dx, dy } = await measured('strokes', 12, {}, bytes)
      return findStrokes(timesMs, dx, dy).map(analyseStroke)
    }
    expect(detectSnapping(await strokes(true)).verdict).toBe('snaps')
    expect(detectSnapping(await strokes(false)).verdict).toBe('does not')
  })

  it('how many keys register together', async () => {
    const bytes = compileProfile(factoryProfile(dunlin84, 'Bench'), dunlin84).bytes
    const request = { modelId: 'dunlin-84', connectionId: 'cable' as const, image: bytes, truth: sound }
    const { keys } = receiveReports(
      await runTestDevice({ ...request, use: 'chords', times: 10, distanceMm: 0 }),
      sound,
    )
    const found = analyseKeys(keys)
    expect(found.max).toBe(10)
    expect(found.fastestMs).toBeGreaterThan(13)
    expect(found.fastestMs).toBeLessThan(16)
  })
})

describe('a battery run down', () => {
  it('lasts as the estimate says, at any rate', async () => {
    for (const rateHz of [125, 4000]) {
      const fast = setPolling(profile, tern7, 'receiver', rateHz)
      const usage = { activeShare: 0.6, hoursADay: 6 }
      const connection = itemAt(tern7.connections, 1)
      const { inHandHours, samples, noticeHour, chargeHours } = await powerRun({
        modelId: 'tern-7',
        connectionId: 'receiver',
        image: compileProfile(fast, tern7).bytes,
        ...usage,
      })
      const estimate = profilePower(fast, tern7, connection, { usage })
      expect(Math.abs(inHandHours / (estimate?.hoursInHand ?? 0) - 1)).toBeLessThan(0.1)
      expect(samples.at(-1)?.percent).toBe(0)
      // 15% of the charge is left at the warning, and 320 mAh are charged at 180 mA.
      expect(noticeHour).toBeLessThan(samples.at(-1)?.hour ?? 0)
      expect(chargeHours).toBeCloseTo(320 / 180, 1)
    }
  })
})

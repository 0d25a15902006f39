import { ref } from 'vue'
import { dunlin84 } from '../../core/device/models/dunlin-84'
import { tern7 } from '../../core/device/models/tern-7'
import { compileProfile } from '../../core/compile/compile'
import { CARD_MM } from '../../core/measure/counts-per-inch'
import { hear, type HearingTruth } from '../../core/measure/heard'
import { setStep } from '../../core/edits/motion-edits'
import { factoryProfile } from '../../core/terms/profile'
import type { SpecimenRequest, SpecimenTruth } from '../../simulator/face'
import { useDevices } from '../stores/devices'
import { messageOf } from '../stores/notices'
import type { Instrument } from './instrument'

export const SPECIMEN_DPI = 1600

/** A simulated device with known faults: what an instrument finds can be held against what is true. */
export const SPECIMEN: SpecimenTruth & HearingTruth = {
  seed: 1,
  errorPercent: 3.2,
  turnedDegrees: 4,
  jitterMs: 0.05,
  lostShare: 0.005,
  chatterShare: 0.02,
}

/** Points an instrument at the specimen. */
export function useSpecimen(instrument: Instrument) {
  const devices = useDevices()
  const working = ref(false)
  const problem = ref<string>()
  let seed = 1

  async function measure(use: SpecimenRequest['use'], times: number): Promise<void> {
    const client = devices.simulator
    if (!client) return
    working.value = true
    problem.value = undefined
    try {
      const model = use === 'chords' ? dunlin84 : tern7
      const factory = factoryProfile(model, 'Specimen')
      const profile = model.sensor ? setStep(factory, model, 1, { dpi: SPECIMEN_DPI }) : factory
      const { bytes } = compileProfile(profile, model)
      const request: SpecimenRequest & { truth: HearingTruth } = {
        modelId: model.id,
        connectionId: 'cable',
        image: bytes,
        truth: { ...SPECIMEN, seed: seed++ },
        use,
        times,
        distanceMm: CARD_MM.long,
      }
      instrument.take(hear(await client.specimen(request), request.truth))
    } catch (error) {
      problem.value = `The specimen could not be used: ${messageOf(error)}`
    }
    working.value = false
  }

  return { working, problem, measure }
}

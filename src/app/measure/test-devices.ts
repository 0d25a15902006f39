import { t } from '../../messages/page'
import { ref } from 'vue'
import { dunlin84 } from '../../core/device/models/dunlin-84'
import { tern7 } from '../../core/device/models/tern-7'
import { compileProfile } from '../../core/compile/compile'
import { CARD_SIDES_MM } from '../../core/measure/counts-per-inch'
import { receiveReports, type ReceptionFaults } from '../../core/measure/reception'
import { setStep } from '../../core/edits/motion-edits'
import { factoryProfile } from '../../core/terms/profile'
import type { TestDeviceRequest, ActualValues } from '../../simulator/api'
import { useDevices } from '../stores/devices'
import { errorMessage } from '../stores/notifications'
import type { Instrument } from './instrument'

export const TEST_DEVICE_DPI = 1600

/** A simulated device with known faults, for comparing the results of an instrument with actual values. */
export const TEST_DEVICE: ActualValues & ReceptionFaults = {
  seed: 1,
  errorPercent: 3.2,
  turnedDegrees: 4,
  jitterMs: 0.05,
  lostShare: 0.005,
  chatterShare: 0.02,
}

/** Measures the test device with an instrument. */
export function useTestDevice(instrument: Instrument) {
  const devices = useDevices()
  const working = ref(false)
  const problem = ref<string>()
  let seed = 1

  async function measure(use: TestDeviceRequest['use'], times: number): Promise<void> {
    const client = devices.simulator
    if (!client) return
    working.value = true
    problem.value = undefined
    try {
      const model = use === 'chords' ? dunlin84 : tern7
      const factory = factoryProfile(model, 'Specimen')
      const profile = model.sensor ? setStep(factory, model, 1, { dpi: TEST_DEVICE_DPI }) : factory
      const { bytes } = compileProfile(profile, model)
      const request: TestDeviceRequest & { truth: ReceptionFaults } = {
        modelId: model.id,
        connectionId: 'cable',
        image: bytes,
        truth: { ...TEST_DEVICE, seed: seed++ },
        use,
        times,
        distanceMm: CARD_SIDES_MM.long,
      }
      instrument.take(receiveReports(await client.specimen(request), request.truth))
    } catch (error) {
      problem.value = t('measure.theTestDeviceCouldNotBeUsed', { message: errorMessage(error) })
    }
    working.value = false
  }

  return { working, problem, measure }
}

import { t } from '../../messages/page'
import type { CalibrationStatus } from '../../core/link/packets'
import type { useDeviceSessions } from './device-sessions'
import type { KnownDevice } from './known-device'
import { errorMessage, useNotifications } from './notifications'

/** Polling interval while waiting for a press. */
const LISTEN_MS = 60

/** Queries of a device that take time: the next pressed input, the progress of a calibration. */
export function useDevicePolling(
  known: ReadonlyMap<string, KnownDevice>,
  withSession: ReturnType<typeof useDeviceSessions>['withSession'],
) {
  const notices = useNotifications()

  /**
   * Waits for the next press or turn of an input, by polling the device.
   *
   * @param stillWanted returns false to cancel the wait
   * @returns the input's id, or undefined if the wait was cancelled or the device disconnected
   */
  async function nextPress(id: string, stillWanted: () => boolean): Promise<string | undefined> {
    const device = known.get(id)
    let before: number | undefined
    try {
      while (device && stillWanted()) {
        const info = await withSession(id, (session) => session.info())
        if (before !== undefined && info.presses !== before) {
          return device.model.inputs.find(({ number }) => number === info.lastInput)?.id
        }
        before = info.presses
        await new Promise((resolve) => setTimeout(resolve, LISTEN_MS))
      }
    } catch (error) {
      notices.refuse(t('stores.selectTheInputOnTheDrawingInstead', { message: errorMessage(error) }))
    }
    return undefined
  }

  /** Calibrates a sensor for its surface. @returns the progress, or why it is not available */
  async function calibrate(id: string, what: number): Promise<CalibrationStatus | string> {
    try {
      return await withSession(id, (session) => session.calibrate(what))
    } catch (error) {
      return t('stores.theDeviceKeepsItsPrevious', { message: errorMessage(error) })
    }
  }

  return { nextPress, calibrate }
}

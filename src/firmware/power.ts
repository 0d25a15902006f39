import type { Alarm, PoweredAlarms } from './clock'
import type { Battery, Load } from './battery'

/** State of the firmware for power management, and its callbacks. */
export interface PowerSurroundings {
  alarms: PoweredAlarms
  /** Missing in a device without a battery, which neither sleeps nor runs down. */
  battery: Battery | undefined
  /** Whether a cable powers it. */
  charging(): boolean
  load(): Pick<Load, 'rateHz' | 'lightMa'>
  /** It fell asleep or woke up. */
  slept(asleep: boolean): void
  /** The charge reached the warning level. */
  notice(): void
  empty(): void
}

export interface PowerSettings {
  sleepMinutes: number
  noticePercent: number
}

/** Time between two checks of a charge close to the warning level. */
const MIN_LOOK_US = 1e6

/** Current, sleep and the low-battery warning of the device. There is no loop: alarms are set for the next event. */
export class Power {
  private setting: PowerSettings = { sleepMinutes: 255, noticePercent: 0 }
  private asleep = false
  private activeUs: number
  private sleepAlarm: Alarm | undefined
  private watchAlarm: Alarm | undefined
  private noticed = false

  constructor(private readonly around: PowerSurroundings) {
    this.activeUs = around.alarms.nowUs
  }

  set(setting: PowerSettings): void {
    this.setting = setting
    this.update()
  }

  /** Whether a low charge was reported since the last charging. */
  get low(): boolean {
    return this.noticed
  }

  /** Something was pressed, turned, moved or sent: a sleeping device wakes up. */
  active(): void {
    const { battery, alarms } = this.around
    if (!battery) return
    this.activeUs = alarms.nowUs
    battery.active(alarms.nowUs)
    if (this.asleep) this.sleep(false)
  }

  /** The load changed: lights, polling rate, connection, a cable. */
  update(): void {
    const { battery, alarms } = this.around
    if (!battery) return
    const charging = this.around.charging()
    if (charging && this.asleep) return this.sleep(false)
    battery.setLoad({ ...this.around.load(), asleep: this.asleep, charging }, alarms.nowUs)
    this.sleepWhenDue()
    this.watch()
  }

  private sleep(asleep: boolean): void {
    this.asleep = asleep
    this.around.slept(asleep)
    this.update()
  }

  private sleepWhenDue(): void {
    const { alarms } = this.around
    if (this.sleepAlarm) alarms.cancel(this.sleepAlarm)
    this.sleepAlarm = undefined
    if (this.asleep || this.around.charging()) return
    const dueUs = this.activeUs + this.setting.sleepMinutes * 60e6
    this.sleepAlarm = alarms.at(Math.max(dueUs, alarms.nowUs + 1), () => {
      this.sleepAlarm = undefined
      // Activity since the alarm was set postpones it.
      if (alarms.nowUs >= this.activeUs + this.setting.sleepMinutes * 60e6) this.sleep(true)
      else this.sleepWhenDue()
    })
  }

  /** The next check is no later than the charge can reach the level. */
  private watch(): void {
    const { alarms, battery } = this.around
    if (!battery) return
    if (this.watchAlarm) alarms.cancel(this.watchAlarm)
    this.watchAlarm = undefined
    if (this.around.charging()) {
      this.noticed = false
      return
    }
    const noticeMah = (battery.data.capacityMah * this.setting.noticePercent) / 100
    const charge = battery.charge(alarms.nowUs)
    if (charge <= 0) return this.around.empty()
    if (charge <= noticeMah && !this.noticed) {
      this.noticed = true
      this.around.notice()
    }
    const nextMah = charge > noticeMah ? noticeMah : 0
    const inUs = Math.max(MIN_LOOK_US, Math.floor(battery.soonestUs(nextMah, alarms.nowUs)))
    this.watchAlarm = alarms.after(inUs, () => this.watch())
  }
}

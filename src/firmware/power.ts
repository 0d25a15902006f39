import type { Alarm, PoweredAlarms } from './clock'
import type { Battery, Load } from './battery'

/** What the firmware tells of itself, and what it is told. */
export interface PowerAround {
  alarms: PoweredAlarms
  /** None in a device that runs from its cable alone: it neither sleeps nor runs down. */
  battery: Battery | undefined
  /** Whether a cable feeds it. */
  charging(): boolean
  load(): Pick<Load, 'rateHz' | 'lightMa'>
  /** It went to sleep, or woke. */
  slept(asleep: boolean): void
  /** The charge has come down to where the person wants to hear of it. */
  notice(): void
  empty(): void
}

export interface PowerSetting {
  sleepMinutes: number
  noticePercent: number
}

/** Between two looks at a charge that is nearly where it is watched for. */
const LEAST_LOOK_US = 1e6

/** What the device draws, when it sleeps, and when it says that little is left. No loop: alarms for what comes next. */
export class Power {
  private setting: PowerSetting = { sleepMinutes: 255, noticePercent: 0 }
  private asleep = false
  private activeUs: number
  private sleepAlarm: Alarm | undefined
  private watchAlarm: Alarm | undefined
  private noticed = false

  constructor(private readonly around: PowerAround) {
    this.activeUs = around.alarms.nowUs
  }

  set(setting: PowerSetting): void {
    this.setting = setting
    this.update()
  }

  /** Whether notice of a low charge was given since it was last charged. */
  get low(): boolean {
    return this.noticed
  }

  /** Something was pressed, turned, moved or sent: a sleeping device wakes. */
  active(): void {
    const { battery, alarms } = this.around
    if (!battery) return
    this.activeUs = alarms.nowUs
    battery.active(alarms.nowUs)
    if (this.asleep) this.sleep(false)
  }

  /** What draws current has changed: lights, polling rate, connection, a cable. */
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
      // What was done since the alarm was set puts it off.
      if (alarms.nowUs >= this.activeUs + this.setting.sleepMinutes * 60e6) this.sleep(true)
      else this.sleepWhenDue()
    })
  }

  /** Looks again no later than the charge can be where it matters. */
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
    const inUs = Math.max(LEAST_LOOK_US, Math.floor(battery.soonestUs(nextMah, alarms.nowUs)))
    this.watchAlarm = alarms.after(inUs, () => this.watch())
  }
}

// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface LookFacts {
  'look.realTime': Record<string, never>
  'look.n50Slower': Record<string, never>
  'look.n500Slower': Record<string, never>
  'look.none': Record<string, never>
  'look.unplugTheCable': Record<string, never>
  'look.chargingOnly': Record<string, never>
  'look.aCableWithoutDataWires': Record<string, never>
  'look.data': Record<string, never>
  'look.aCableForChargingAndData': Record<string, never>
  'look.off': Record<string, never>
  'look.bluetooth': Record<string, never>
  'look.controlsOfTheSimulatedDevice': Record<string, never>
  'look.hands': Record<string, never>
  'look.isSimulatedHandleItsCableReceiver': { name: Fact }
  'look.cable': Record<string, never>
  'look.wireless': Record<string, never>
  'look.receiver': Record<string, never>
  'look.unplugTheReceiver': Record<string, never>
  'look.plugInTheReceiver': Record<string, never>
  'look.pairing': Record<string, never>
  'look.pairing2': Record<string, never>
  'look.holdForS': { pairingName: Fact; holdMs: Fact }
  'look.power': Record<string, never>
  'look.cutThePower': Record<string, never>
  'look.restoreThePower': Record<string, never>
  'look.speed': Record<string, never>
  'look.speedOfTheSimulatedDevices': Record<string, never>
  'look.pauseLights': Record<string, never>
  'look.playLights': Record<string, never>
  'look.menusAndDialogs': Record<string, never>
  'look.holdStep': { dpi: Fact }
  'look.slot': { slot: Fact }
  'look.pairingEnded': Record<string, never>
  'look.step': { step: Fact; name: Fact; dpi: Fact }
  'look.step2': { step: Fact; dpi: Fact }
  'look.layer': { on: Fact }
  'look.baseLayer': Record<string, never>
  'look.pollingHz': { rateHz: Fact }
  'look.lightsOff': Record<string, never>
  'look.lightsOn': Record<string, never>
  'look.lightAllEffects': Record<string, never>
  'look.lightOnlyEffect': { alone: Fact }
  'look.brightness': { percent: Fact }
  'look.dpi': { dpi: Fact }
  'look.dpi2': { dpi: Fact; dpiY: Fact }
  'look.open': Record<string, never>
  'look.close': Record<string, never>
  'look.dismiss': Record<string, never>
  'look.nothingToShow': Record<string, never>
  'look.plus': Record<string, never>
  'look.or': Record<string, never>
  'look.keyboardShortcut': { keys: Fact }
  'look.radio': Record<string, never>
  'look.percent': { percent: Fact }
  'look.pickAColourFromTheScreen': Record<string, never>
  'look.hue': Record<string, never>
}

// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface UnpluggedFacts {
  'unplugged.computer': Record<string, never>
  'unplugged.anEmptyTextPage': Record<string, never>
  'unplugged.anEmptyTextPageYourOwnKeys': Record<string, never>
  'unplugged.anEmptyTextPageWhileItHas': Record<string, never>
  'unplugged.operatingSystem': Record<string, never>
  'unplugged.keyboardLayout': Record<string, never>
  'unplugged.open': Record<string, never>
  'unplugged.terminal': Record<string, never>
  'unplugged.opened': Record<string, never>
  'unplugged.noPower': Record<string, never>
  'unplugged.chargingNotConnected': Record<string, never>
  'unplugged.notConnectedToThisComputer': Record<string, never>
  'unplugged.factorySettings': Record<string, never>
  'unplugged.slotOfIsActive': { slot: Fact; slots: Fact; contents: Fact }
  'unplugged.device': Record<string, never>
  'unplugged.drawnToScalePressItsInputs': { name: Fact }
  'unplugged.deviceInputs': Record<string, never>
  'unplugged.andAClickOrKeepsAnInput': { shift: Fact; enter: Fact }
  'unplugged.theRulesCannotBeUsed': { problem: Fact }
  'unplugged.theHelperIsOffDevicesKeepTheir': Record<string, never>
  'unplugged.theHelperIsOn': Record<string, never>
  'unplugged.theHelperHasNoRulesCreateThem': Record<string, never>
  'unplugged.matchesNoRule': Record<string, never>
  'unplugged.matchesRule': { rule: Fact }
  'unplugged.programsAndHelper': Record<string, never>
  'unplugged.inFront': Record<string, never>
  'unplugged.programInFront': Record<string, never>
  'unplugged.helperForAppRules': Record<string, never>
  'unplugged.media': Record<string, never>
  'unplugged.muted': Record<string, never>
  'unplugged.playing': Record<string, never>
  'unplugged.paused': Record<string, never>
  'unplugged.lastShortcutOrMediaKey': { last: Fact }
  'unplugged.noShortcutOrMediaKeyYet': Record<string, never>
  'unplugged.dpi': { dpi: Fact }
  'unplugged.fromTheReportsOfTheLastMovement': { count: Fact }
  'unplugged.theBrowserDidNotReleaseThePointer': { message: Fact }
  'unplugged.computerScreenDigitsPressThe': Record<string, never>
  'unplugged.countsReceived': Record<string, never>
  'unplugged.pressEscToReleaseIt': Record<string, never>
  'unplugged.useMyOwnMouseHere': Record<string, never>
  'unplugged.dpiOfMyMouse': Record<string, never>
  'unplugged.moveItMmRight': { distance: Fact }
  'unplugged.left': Record<string, never>
  'unplugged.held': Record<string, never>
  'unplugged.none': Record<string, never>
  'unplugged.scrolled': Record<string, never>
  'unplugged.pollingRate': Record<string, never>
  'unplugged.hz': { rateHz: Fact }
  'unplugged.moveItToMeasure': Record<string, never>
  'unplugged.whileTheScreenHasFocusDigitsPress': Record<string, never>
  'unplugged.from': Record<string, never>
  'unplugged.bytes': Record<string, never>
  'unplugged.meaning': Record<string, never>
  'unplugged.reports': Record<string, never>
  'unplugged.newestFirstDecodedByTheDevices': Record<string, never>
  'unplugged.clear': Record<string, never>
  'unplugged.noReportsYetPressAnInputOf': Record<string, never>
  'unplugged.devicesOnTheDesk': Record<string, never>
  'unplugged.isHeld': { device: Fact; input: Fact }
  'unplugged.release': Record<string, never>
  'unplugged.unplugged': Record<string, never>
  'unplugged.aComputerWithNothingInstalledIt': Record<string, never>
  'unplugged.openUnisera': Record<string, never>
  'unplugged.theSimulatedDevicesCannotBeReached': { problem: Fact }
  'unplugged.noNewReports': Record<string, never>
  'unplugged.devicesKeepTheirSlots': { program: Fact; match: Fact }
  'unplugged.text': { program: Fact; match: Fact; effects: Fact }
  'unplugged.text2': { device: Fact; effect: Fact }
  'unplugged.connectedOver': { connection: Fact }
}

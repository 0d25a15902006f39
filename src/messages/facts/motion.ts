// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface MotionFacts {
  'motion.bTookOfTheTimeOfA': { ratio: Fact; low: Fact; high: Fact; count: Fact }
  'motion.thisManyTargetsShowNoDifference': Record<string, never>
  'motion.aIsFaster': { name: Fact }
  'motion.bIsFaster': { name: Fact }
  'motion.aWasBWas': { first: Fact; second: Fact }
  'motion.setting': { setting: Fact }
  'motion.startAgain': Record<string, never>
  'motion.start': Record<string, never>
  'motion.roundsOfTargetsInRandomOrderThe': { blocks: Fact; targets: Fact }
  'motion.sendOnFirstContact': Record<string, never>
  'motion.ignoresTheContactForThisLongAfter': Record<string, never>
  'motion.sendWhenStable': Record<string, never>
  'motion.waitsUntilTheContactHasBeenStable': Record<string, never>
  'motion.nearlyNew': Record<string, never>
  'motion.worn': Record<string, never>
  'motion.wornOut': Record<string, never>
  'motion.doubleClicksFirstContact': Record<string, never>
  'motion.doubleClicksWhenStable': Record<string, never>
  'motion.addedDelayWhenStable': Record<string, never>
  'motion.debounce': Record<string, never>
  'motion.notOnTheDevice': Record<string, never>
  'motion.ms': { ms: Fact }
  'motion.debounceInMs': Record<string, never>
  'motion.debounceStrategy': Record<string, never>
  'motion.debounceOnIsFixedAtMs': { name: Fact; ms: Fact; strategy: Fact }
  'motion.onePressOfAWornSwitchIs': { presses: Fact }
  'motion.contact': Record<string, never>
  'motion.sent': Record<string, never>
  'motion.simulateClicksOfASwitchThatIs': { clicks: Fact }
  'motion.switchWear': Record<string, never>
  'motion.doubleClicksAndDelay': Record<string, never>
  'motion.withThisSettingOfClicksAreSent': { double: Fact; delay: Fact }
  'motion.debounceMs': Record<string, never>
  'motion.doubleClicks': Record<string, never>
  'motion.delayMs': Record<string, never>
  'motion.current': Record<string, never>
  'motion.firstContact': Record<string, never>
  'motion.whenStableDelayInMs': Record<string, never>
  'motion.dpi': { dpi: Fact }
  'motion.enterANumberBetween0And10': Record<string, never>
  'motion.distanceSettings': Record<string, never>
  'motion.distancesForAScreenOfAndA': { screen: Fact; degrees: Fact }
  'motion.screenWidthInPx': Record<string, never>
  'motion.atPointerSpeed': { factor: Fact }
  'motion.degreesPerCount': Record<string, never>
  'motion.measure': Record<string, never>
  'motion.inTheGameITurnedFullTurns': { turns: Fact; distance: Fact; step: Fact }
  'motion.fullTurns': Record<string, never>
  'motion.handMovementInCm': Record<string, never>
  'motion.dpiStep': Record<string, never>
  'motion.apply': Record<string, never>
  'motion.selectAnInput': Record<string, never>
  'motion.stepDpi': { number: Fact; dpi: Fact }
  'motion.step': { step: Fact }
  'motion.nowHoldsStepItReplaced': { input: Fact; step: Fact; before: Fact }
  'motion.undo': Record<string, never>
  'motion.holdSteps': Record<string, never>
  'motion.removeTheHoldStepOf': { input: Fact }
  'motion.input': Record<string, never>
  'motion.replaces': { replaced: Fact }
  'motion.setHoldStep': Record<string, never>
  'motion.steps': Record<string, never>
  'motion.sensorAndSwitches': Record<string, never>
  'motion.switches': Record<string, never>
  'motion.pollingAndPower': Record<string, never>
  'motion.polling': Record<string, never>
  'motion.motionSettings': Record<string, never>
  'motion.settingsGroup': Record<string, never>
  'motion.hasNoSensorSoItHasNo': { name: Fact }
  'motion.oneReportEveryMsAddsMsOn': { interval: Fact; mean: Fact }
  'motion.drawsMaHOfUse': { current: Fact; hours: Fact }
  'motion.inUse': Record<string, never>
  'motion.pollingRateOver': { name: Fact }
  'motion.hz': Record<string, never>
  'motion.hzFixedSettingsCannotBeChangedOver': { rate: Fact }
  'motion.theBatteryCouldNotBeSimulated': { message: Fact }
  'motion.charge': Record<string, never>
  'motion.battery': Record<string, never>
  'motion.over': { name: Fact }
  'motion.connectionForTheEstimate': Record<string, never>
  'motion.hoursOfUsePerDay': Record<string, never>
  'motion.hoursOfUsePerDay2': Record<string, never>
  'motion.ma': { part: Fact; current: Fact }
  'motion.meanCurrentInUseMa': Record<string, never>
  'motion.sleepAfterMinIdle': { minutes: Fact }
  'motion.sleepDelayInMinutes': Record<string, never>
  'motion.lowBatteryWarningAt': { percent: Fact }
  'motion.lowBatteryWarningInPercent': Record<string, never>
  'motion.simulating': Record<string, never>
  'motion.simulateAFullDischarge': Record<string, never>
  'motion.simulatesDaysOfUseUntilTheBattery': Record<string, never>
  'motion.theLowBatteryWarningCameOnDay': { day: Fact }
  'motion.chargeOverTime': Record<string, never>
  'motion.days': Record<string, never>
  'motion.lowBatteryWarning': Record<string, never>
  'motion.mm': { mm: Fact }
  'motion.off': Record<string, never>
  'motion.on': Record<string, never>
  'motion.angleSnapping': Record<string, never>
  'motion.strokesWithin5OfHorizontalOr': Record<string, never>
  'motion.liftOffDistance': Record<string, never>
  'motion.aboveThisHeightTheSensorStops': { liftMm: Fact }
  'motion.keyHoldTimeInMs': Record<string, never>
  'motion.ms2': Record<string, never>
  'motion.howLongTheDeviceHoldsAKey': { fps: Fact }
  'motion.steps2': { count: Fact }
  'motion.spreadStepsEvenly': Record<string, never>
  'motion.numberOfSteps': Record<string, never>
  'motion.from': Record<string, never>
  'motion.lowestStepInDpi': Record<string, never>
  'motion.to': Record<string, never>
  'motion.highestStepInDpi': Record<string, never>
  'motion.applySteps': Record<string, never>
  'motion.lowestAndHighestStep': Record<string, never>
  'motion.dpi2': { from: Fact; to: Fact }
  'motion.exactly': { dpi: Fact }
  'motion.exactlyOffBy': { dpi: Fact; percent: Fact }
  'motion.starters': Record<string, never>
  'motion.startFrom': Record<string, never>
  'motion.theProfileAlreadyHasTheseSettings': Record<string, never>
  'motion.applyChange': { count: number }
  'motion.youCanUndoThis': Record<string, never>
  'motion.step2': { number: Fact }
  'motion.dragToReorder': Record<string, never>
  'motion.tryStep': { number: Fact }
  'motion.tryStepOnTheLeft': { number: Fact }
  'motion.nameOfStep': { number: Fact }
  'motion.colourOfStep': { number: Fact }
  'motion.decreaseStep': { number: Fact }
  'motion.stepInDpi': { number: Fact }
  'motion.increaseStep': { number: Fact }
  'motion.default': Record<string, never>
  'motion.makeStepTheDefault': { number: Fact }
  'motion.removeStep': { number: Fact }
  'motion.perInch': { degrees: Fact }
  'motion.perCm': { degrees: Fact }
  'motion.separateXAndY': Record<string, never>
  'motion.stepOnTheYAxisInDpi': { number: Fact }
  'motion.addStep': Record<string, never>
  'motion.spreadStepsEvenly2': Record<string, never>
  'motion.ofStepsDpiInIncrementsOf': { count: Fact; max: Fact; minDpi: Fact; maxDpi: Fact; increment: Fact }
  'motion.surface': Record<string, never>
  'motion.storedOnTheDeviceForAllSlots': Record<string, never>
  'motion.connectTheDeviceToCalibrateIts': Record<string, never>
  'motion.surfaceUnderTheSimulatedDevice': Record<string, never>
  'motion.simulatedSurface': Record<string, never>
  'motion.before': Record<string, never>
  'motion.now': Record<string, never>
  'motion.movementLost': Record<string, never>
  'motion.deviationOver10Cm': Record<string, never>
  'motion.mm2': { decimal: Fact }
  'motion.liftOffDistanceSetToMm': { liftOff: Fact }
  'motion.movingInCircles': Record<string, never>
  'motion.calibrateForThisSurface': Record<string, never>
  'motion.ofMm': { moved: Fact; needed: Fact }
  'motion.calibratedForQualityThisSurfaceHas': { stored: Fact; quality: Fact }
  'motion.factoryCalibrationClothQuality100': { quality: Fact }
  'motion.resetToFactoryCalibration': Record<string, never>
  'motion.acceleration': Record<string, never>
  'motion.pointerSpeedInTheOperatingSystem': Record<string, never>
  'motion.operatingSystemsAccelerateThe': { curve: Fact }
  'motion.thisBrowserPassesOnYourOwnMouse': Record<string, never>
  'motion.target': Record<string, never>
  'motion.reached': Record<string, never>
  'motion.median': Record<string, never>
  'motion.misses': Record<string, never>
  'motion.px': { size: Fact }
  'motion.ms3': { decimal: Fact }
  'motion.free': Record<string, never>
  'motion.targets': Record<string, never>
  'motion.blindComparison': Record<string, never>
  'motion.nearlyStraight': Record<string, never>
  'motion.slanted': Record<string, never>
  'motion.circle': Record<string, never>
  'motion.liftedBack': Record<string, never>
  'motion.noInput': Record<string, never>
  'motion.deviatesPxFromAStraightLineThe': { sent: Fact; hand: Fact }
  'motion.tryOut': Record<string, never>
  'motion.clear': Record<string, never>
  'motion.task': Record<string, never>
  'motion.tryOutSurfaceArrowKeysMoveThe': Record<string, never>
  'motion.roundOf': { round: Fact; rounds: Fact }
  'motion.pressEscToReleaseIt': Record<string, never>
  'motion.useMyMouseHere': Record<string, never>
  'motion.setTo': Record<string, never>
  'motion.dpiOfMyMouse': Record<string, never>
  'motion.oneCountMovesOnePixelAsOn': Record<string, never>
  'motion.actualSize': Record<string, never>
  'motion.drawWithASimulatedHand': Record<string, never>
  'motion.startTargets': { count: Fact }
  'motion.clickTheSolidRingsOnlyCrossThe': Record<string, never>
  'motion.hold': Record<string, never>
  'motion.inputHeldInTheTryOut': Record<string, never>
  'motion.theProfileHasAnErrorSoThe': Record<string, never>
  'motion.theBrowserDidNotReleaseThePointer': { message: Fact }
  'motion.colourOfStep2': { step: Fact }
  'motion.inUseOrWithFromMahThe': { hours: Fact; days: Fact; current: Fact; capacity: Fact; share: Fact }
  'motion.nowAtLeft': { percent: Fact; hours: Fact }
  'motion.h': { hours: Fact }
  'motion.days2': { days: Fact }
  'motion.ma2': { current: Fact }
  'motion.lastedInUseOverFullyChargedAgain': { hours: Fact; days: Fact; charge: Fact }
  'motion.onePressThatBouncesAndLosesContact': { presses: Fact; timing: Fact }
  'motion.onePress': { count: number }
  'motion.immediately': Record<string, never>
  'motion.msAfterTheContactIsStable': { ms: Fact }
  'motion.whenStable': Record<string, never>
  'motion.withThisSettingOfClicksAreSent2': { double: Fact; delay: Fact }
  'motion.text': { percent: Fact }
  'motion.acrossTheScreen': { distance: Fact }
  'motion.perFullTurn': { distance: Fact; turn: Fact }
  'motion.text2': { degrees: Fact }
  'motion.step3': { factor: Fact; step: Fact }
  'motion.text3': { factor: Fact }
  'motion.operatingSystemEffects': Record<string, never>
  'motion.pointerSpeed': { factor: Fact }
  'motion.eachStepIsTheOneBefore': { factor: Fact }
  'motion.lowestStep': Record<string, never>
  'motion.highestStep': Record<string, never>
  'motion.day': Record<string, never>
  'motion.hand': Record<string, never>
  'motion.sent2': Record<string, never>
  'motion.keyHoldTime': Record<string, never>
  'motion.enterAWholeNumberOfDpi': Record<string, never>
  'motion.heldInput': { input: Fact; action: Fact }
  'motion.partController': Record<string, never>
  'motion.partSensor': Record<string, never>
  'motion.partRadio': Record<string, never>
  'motion.partLight': Record<string, never>
  'motion.stepAdded': { step: Fact; dpi: Fact }
  'motion.stepAndRate': { dpi: Fact; connection: Fact; rate: Fact }
}

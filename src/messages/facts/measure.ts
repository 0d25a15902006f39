// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface MeasureFacts {
  'measure.button': Record<string, never>
  'measure.presses': Record<string, never>
  'measure.peakPerSecond': Record<string, never>
  'measure.medianHoldTimeMs': Record<string, never>
  'measure.shortestGap': Record<string, never>
  'measure.doublePresses': Record<string, never>
  'measure.share': Record<string, never>
  'measure.ms': { ms: Fact }
  'measure.to': { share: Fact; low: Fact; high: Fact }
  'measure.noClicksYet': Record<string, never>
  'measure.pressStartAndClickEachButtonAt': Record<string, never>
  'measure.doublePresses2': { share: Fact }
  'measure.aPressWithinMsOfARelease': { ms: Fact }
  'measure.youClickSoFastThatOnlyGaps': { ms: Fact; share: Fact }
  'measure.doublePressesThatTheMouseItself': Record<string, never>
  'measure.bankCardLongSideMm': { length: Fact }
  'measure.bankCardShortSideMm': { length: Fact }
  'measure.ruler100Mm': Record<string, never>
  'measure.otherLength': Record<string, never>
  'measure.distance': Record<string, never>
  'measure.distanceInMm': Record<string, never>
  'measure.mm': Record<string, never>
  'measure.setTo': Record<string, never>
  'measure.nominalDpi': Record<string, never>
  'measure.dpi': Record<string, never>
  'measure.layARulerOrCardOnThe': Record<string, never>
  'measure.pressStartMoveAlongTheEdgeRest': Record<string, never>
  'measure.turnTheEdgeBy90AndRepeat': Record<string, never>
  'measure.axis': Record<string, never>
  'measure.passes': Record<string, never>
  'measure.countsPerInch': Record<string, never>
  'measure.error': Record<string, never>
  'measure.sensorRotation': Record<string, never>
  'measure.forwardBack': Record<string, never>
  'measure.noPassesYet': Record<string, never>
  'measure.pressStartAndMoveAlongTheRuler': Record<string, never>
  'measure.countsRotation': { counts: Fact; rotation: Fact }
  'measure.intervalsAre95ConfidenceIntervals': Record<string, never>
  'measure.intervalsAre95ConfidenceIntervals2': Record<string, never>
  'measure.mostKeysAtOnce': Record<string, never>
  'measure.shortestTimeBetweenPresses': Record<string, never>
  'measure.median': Record<string, never>
  'measure.actualValuesChordsOfUpTo10': Record<string, never>
  'measure.reportedTogether': Record<string, never>
  'measure.noKeysYet': Record<string, never>
  'measure.pressStartAndHoldKeysTogetherFirst': Record<string, never>
  'measure.aMissingKeyIsOneThatThe': Record<string, never>
  'measure.thisMouseSnapsStrokesToStraight': Record<string, never>
  'measure.noAngleSnapping': Record<string, never>
  'measure.drawAtLeastThreeStrokesWithin6': Record<string, never>
  'measure.aHandAloneWouldDoThisWith': Record<string, never>
  'measure.aHandAloneWouldDoThisWith2': { percent: Fact }
  'measure.latestStrokesEachFromTheCentre': Record<string, never>
  'measure.stroke': Record<string, never>
  'measure.counts': Record<string, never>
  'measure.direction': Record<string, never>
  'measure.deviationRms': Record<string, never>
  'measure.maximum': Record<string, never>
  'measure.noStrokesYet': Record<string, never>
  'measure.pressStartAndDrawAboutADozen': Record<string, never>
  'measure.polling': Record<string, never>
  'measure.pollingRate': Record<string, never>
  'measure.moveInCircles': Record<string, never>
  'measure.trueCountsPerInch': Record<string, never>
  'measure.moveAlongTheEdge': Record<string, never>
  'measure.clicks': Record<string, never>
  'measure.clicksAndDoublePresses': Record<string, never>
  'measure.clickEachButton': Record<string, never>
  'measure.keys': Record<string, never>
  'measure.keyRollover': Record<string, never>
  'measure.holdKeysDown': Record<string, never>
  'measure.lines': Record<string, never>
  'measure.straightLines': Record<string, never>
  'measure.drawStraightStrokes': Record<string, never>
  'measure.session': Record<string, never>
  'measure.sessionLog': Record<string, never>
  'measure.playOrWork': Record<string, never>
  'measure.myOwnDevice': Record<string, never>
  'measure.testDeviceWithKnownFaults': Record<string, never>
  'measure.measure': Record<string, never>
  'measure.instrument': Record<string, never>
  'measure.bench': Record<string, never>
  'measure.measuredDevice': Record<string, never>
  'measure.measuringSurface': Record<string, never>
  'measure.theTestDeviceIsReady': Record<string, never>
  'measure.pressStartThenHere': { task: Fact }
  'measure.escapeStopsAndReleasesThePointer': Record<string, never>
  'measure.escapeStops': Record<string, never>
  'measure.measuring': Record<string, never>
  'measure.measureTheTestDevice': Record<string, never>
  'measure.stop': Record<string, never>
  'measure.start': Record<string, never>
  'measure.clear': Record<string, never>
  'measure.aSimulatedDunlin84WithKnownFaults': Record<string, never>
  'measure.aSimulatedTern7WithKnownFaults': Record<string, never>
  'measure.thisInstrumentHasNoTestDeviceIt': Record<string, never>
  'measure.worksWithDevicesOfAnyMake': Record<string, never>
  'measure.rate': Record<string, never>
  'measure.notKnownYet': Record<string, never>
  'measure.reportsPerSecond': Record<string, never>
  'measure.typicalInterval': Record<string, never>
  'measure.jitter': Record<string, never>
  'measure.missed': Record<string, never>
  'measure.of': { missed: Fact; reports: Fact }
  'measure.theIntervalsVaryTooMuchToTell': Record<string, never>
  'measure.thisBrowsersClockHasAResolutionOf': { resolution: Fact }
  'measure.otherActualValuesJitterOfMsLost': { verdict: Fact; jitterMs: Fact; lostShare: Fact }
  'measure.intervals': Record<string, never>
  'measure.halfOfAllIntervalsAreShorterThan': { ms: Fact }
  'measure.reports': Record<string, never>
  'measure.msBetweenReports': Record<string, never>
  'measure.median2': Record<string, never>
  'measure.overTime': Record<string, never>
  'measure.noReportsYet': Record<string, never>
  'measure.pressStartAndMoveTheMouseIn': Record<string, never>
  'measure.thisBrowserPassesOnEachReportAs': Record<string, never>
  'measure.thisBrowserPassesOnMovementOncePer': Record<string, never>
  'measure.sessionOf': { date: Fact }
  'measure.thisSession': Record<string, never>
  'measure.thisSession2': Record<string, never>
  'measure.mouseSetTo': Record<string, never>
  'measure.dpiOfTheMouse': Record<string, never>
  'measure.sessionName': Record<string, never>
  'measure.saveSession': Record<string, never>
  'measure.actionsPerMinute': Record<string, never>
  'measure.peakOver30Seconds': Record<string, never>
  'measure.actualValuesOfTheTestDevice120': { decimal: Fact; specimenDpi: Fact }
  'measure.minutes': Record<string, never>
  'measure.noActionsYet': Record<string, never>
  'measure.pressStartThenPlayOrWorkOn': Record<string, never>
  'measure.savedSessions': Record<string, never>
  'measure.min': { minutes: Fact }
  'measure.hide': Record<string, never>
  'measure.compare': Record<string, never>
  'measure.csv': Record<string, never>
  'measure.delete': { name: Fact }
  'measure.delete2': Record<string, never>
  'measure.to2': { low: Fact; high: Fact }
  'measure.actualValueWithinTheInterval': { value: Fact }
  'measure.actualValueOutsideTheInterval': { value: Fact }
  'measure.button2': { number: Fact }
  'measure.theTestDeviceCouldNotBeUsed': { message: Fact }
  'measure.ofStrokesNearAnAxisAreExactly': { exact: Fact; near: Fact }
  'measure.heldNow': { keys: Fact }
  'measure.noKeys': Record<string, never>
  'measure.report': { count: number }
  'measure.click': { count: number }
  'measure.key': { count: number }
  'measure.minute': Record<string, never>
  'measure.metres': Record<string, never>
  'measure.secondsAxis': Record<string, never>
  'measure.hertzAxis': Record<string, never>
  'measure.lengthInMetres': { metres: Fact }
}

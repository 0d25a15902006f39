// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface ButtonsFacts {
  'buttons.hold': Record<string, never>
  'buttons.selectTheOperatingSystemOfThe': Record<string, never>
  'buttons.sendsOn': { keys: Fact; system: Fact }
  'buttons.hasNoShortcutForThis': { system: Fact }
  'buttons.aDeviceCannotOpenAProgramItself': { system: Fact }
  'buttons.delayOf': { text: Fact }
  'buttons.typesKeyOfTheLayoutHeldAs': { count: number; layout: Fact }
  'buttons.pressTheNextKeyOrSelectDone': { keys: Fact }
  'buttons.pressTheFirstKeyEscapeCancels': Record<string, never>
  'buttons.nowPressTheOtherKey': Record<string, never>
  'buttons.pressAKeyOrChordTapEsc': Record<string, never>
  'buttons.isSetToInThisProfile': { name: Fact; action: Fact }
  'buttons.addLayer': { layer: Fact }
  'buttons.createMacro': { macro: Fact }
  'buttons.setTheOperatingSystemTo': { system: Fact }
  'buttons.setTheKeyboardLayoutTo': { layout: Fact }
  'buttons.actionOfIn': { name: Fact; layer: Fact }
  'buttons.actionOf': { name: Fact }
  'buttons.done': Record<string, never>
  'buttons.stop': Record<string, never>
  'buttons.capture': Record<string, never>
  'buttons.set': Record<string, never>
  'buttons.thisCellWasChangedToElsewhereWhile': { elsewhere: Fact }
  'buttons.actionTypes': Record<string, never>
  'buttons.options': Record<string, never>
  'buttons.suggestions': Record<string, never>
  'buttons.examples': Record<string, never>
  'buttons.dragItOntoAnInputInThe': { note: Fact }
  'buttons.thisProfileHasOnlyTheBaseLayer': Record<string, never>
  'buttons.completeTheActionAndPressEnter': Record<string, never>
  'buttons.factorySettingUsesNoMemory': Record<string, never>
  'buttons.inheritedUsesNoMemory': Record<string, never>
  'buttons.usesBOnTheDeviceWorksWith': { cost: Fact }
  'buttons.resetToFactorySetting': { action: Fact }
  'buttons.inheritFromTheLayerBelow': Record<string, never>
  'buttons.arrowKeysAndClicksSelectMoreCells': Record<string, never>
  'buttons.arrowKeysAndClicksSelectOneCell': Record<string, never>
  'buttons.bindingSheet': Record<string, never>
  'buttons.number': Record<string, never>
  'buttons.input': Record<string, never>
  'buttons.noInputActionOrNameContains': { text: Fact }
  'buttons.thisProfileHasNoChangedInputsYet': Record<string, never>
  'buttons.showAllInputs': Record<string, never>
  'buttons.typeOrPressToEditACell': { enter: Fact; home: Fact; end: Fact; shift: Fact; copy: Fact; cut: Fact; paste: Fact; fill: Fact; delete: Fact }
  'buttons.inGameName': Record<string, never>
  'buttons.noteSavedInTheLibraryOnly': Record<string, never>
  'buttons.rightHand': Record<string, never>
  'buttons.yourThumbIsOnTheLeftSide': Record<string, never>
  'buttons.leftHand': Record<string, never>
  'buttons.yourThumbIsOnTheRightSide': Record<string, never>
  'buttons.theButtonsOnBothSidesShareTwo': Record<string, never>
  'buttons.hand': Record<string, never>
  'buttons.bindings': Record<string, never>
  'buttons.cheatSheet': Record<string, never>
  'buttons.cancel': Record<string, never>
  'buttons.error': Record<string, never>
  'buttons.warning': Record<string, never>
  'buttons.anySystem': Record<string, never>
  'buttons.ofCharactersWouldDiffer': { different: Fact; count: Fact }
  'buttons.operatingSystemAndKeyboardLayoutOf': Record<string, never>
  'buttons.receivingComputer': Record<string, never>
  'buttons.shortcutsOpenedProgramsAndTyped': Record<string, never>
  'buttons.operatingSystem': Record<string, never>
  'buttons.keyboardLayout': Record<string, never>
  'buttons.notOnTheDeviceYet': Record<string, never>
  'buttons.tap': { tap: Fact }
  'buttons.pasteEmptyCells': Record<string, never>
  'buttons.thePastedBlockHasEmptyCellsSkip': Record<string, never>
  'buttons.clearInputs': Record<string, never>
  'buttons.skipEmptyCells': Record<string, never>
  'buttons.pressOrTurnAnInputOnThe': { device: Fact }
  'buttons.connectTheDeviceToFindAnInput': Record<string, never>
  'buttons.findByPressing': Record<string, never>
  'buttons.drawnToScaleWithTheActionsOf': { name: Fact }
  'buttons.thisDeviceOnly': Record<string, never>
  'buttons.signal': { number: Fact }
  'buttons.theLayerAndAllBindingsThat': { name: Fact }
  'buttons.undo': Record<string, never>
  'buttons.layers': Record<string, never>
  'buttons.addLayer2': Record<string, never>
  'buttons.aProfileCanHaveUpToLayers': { max: Fact }
  'buttons.settings': { name: Fact }
  'buttons.settingsOfLayer': { name: Fact }
  'buttons.colour': Record<string, never>
  'buttons.shareWithOtherDevices': Record<string, never>
  'buttons.devicesOnOneReceiverActivateLayers': Record<string, never>
  'buttons.rename': Record<string, never>
  'buttons.moveDown': Record<string, never>
  'buttons.moveUp': Record<string, never>
  'buttons.remove': Record<string, never>
  'buttons.newLayer': Record<string, never>
  'buttons.add': Record<string, never>
  'buttons.renameLayer': Record<string, never>
  'buttons.whenPressed': Record<string, never>
  'buttons.repeatWhileHeld': Record<string, never>
  'buttons.whenReleased': Record<string, never>
  'buttons.noMacro': Record<string, never>
  'buttons.macro': { text: Fact }
  'buttons.useOneMacro': Record<string, never>
  'buttons.once': Record<string, never>
  'buttons.aNumberOfTimes': Record<string, never>
  'buttons.whileHeld': Record<string, never>
  'buttons.untilPressedAgain': Record<string, never>
  'buttons.separatelyForPressHoldAndRelease': Record<string, never>
  'buttons.doesNothing': Record<string, never>
  'buttons.restartsIt': Record<string, never>
  'buttons.stopsIt': Record<string, never>
  'buttons.pressingTheInputAgain': Record<string, never>
  'buttons.anyOtherInput': Record<string, never>
  'buttons.anInputBoundToStopMacros': Record<string, never>
  'buttons.endsByItselfEarlierItIsStopped': { ways: Fact }
  'buttons.repeatsUntilItIsStoppedBy': { ways: Fact }
  'buttons.enterANumberFromTo': { min: Fact; max: Fact }
  'buttons.enterANumberFromToMs': { min: Fact; max: Fact }
  'buttons.playback': Record<string, never>
  'buttons.numberOfTimes': Record<string, never>
  'buttons.times': Record<string, never>
  'buttons.delayBetweenRepeatsInMs': Record<string, never>
  'buttons.msBetweenRepeats': Record<string, never>
  'buttons.aSecondPress': Record<string, never>
  'buttons.effectOfASecondPress': Record<string, never>
  'buttons.stopOnAnyOtherInput': Record<string, never>
  'buttons.edit': { name: Fact }
  'buttons.holdsThisLayer': Record<string, never>
  'buttons.inherited': Record<string, never>
  'buttons.note': Record<string, never>
  'buttons.error2': Record<string, never>
  'buttons.thisBrowserBlocksTheClipboard': { message: Fact }
  'buttons.selectedCells': Record<string, never>
  'buttons.n1Cell': { count: number }
  'buttons.fillWithTheFirst': Record<string, never>
  'buttons.swap': Record<string, never>
  'buttons.copy': Record<string, never>
  'buttons.paste': Record<string, never>
  'buttons.del': Record<string, never>
  'buttons.clear': Record<string, never>
  'buttons.resetToFactorySettings': Record<string, never>
  'buttons.clearSelection': Record<string, never>
  'buttons.searchTheBindingSheet': Record<string, never>
  'buttons.searchActionsAndNames': Record<string, never>
  'buttons.onlyChanged': Record<string, never>
  'buttons.showOnlyInputsThatDifferFrom': Record<string, never>
  'buttons.hidden': { count: Fact }
  'buttons.selectSeveralCells': Record<string, never>
  'buttons.selectSeveralCellsWithoutShiftF8': Record<string, never>
  'buttons.onlyAfterTheDelay': Record<string, never>
  'buttons.otherInputsPressedBeforeThe': Record<string, never>
  'buttons.alsoOnAnotherPress': Record<string, never>
  'buttons.pressingAnotherInputBeforeThe': Record<string, never>
  'buttons.holdThreshold': Record<string, never>
  'buttons.holdThresholdInMs': Record<string, never>
  'buttons.ms': Record<string, never>
  'buttons.startOfAHold': Record<string, never>
  'buttons.releasedBeforeMsHeldLonger': { thresholdMs: Fact; tap: Fact; hold: Fact }
  'buttons.ms2': { thresholdMs: Fact }
  'buttons.tap2': Record<string, never>
  'buttons.press': Record<string, never>
  'buttons.tapAndHold': Record<string, never>
  'buttons.pressingAnotherInputBeforeThe2': Record<string, never>
  'buttons.otherInputsPressedBeforeThe2': Record<string, never>
  'buttons.thisKeyCannotBeBound': { value: Fact }
  'buttons.nothingWasPastedRowsAndColumnsDo': { count: Fact; columns: Fact }
  'buttons.nothingWasPastedInTheCellFor': { name: Fact; text: Fact; problem: Fact }
  'buttons.noProfileIsOpen': Record<string, never>
  'buttons.nothingWasChanged': { problem: Fact }
  'buttons.oneCellWasCopiedAsText': { count: number }
  'buttons.releasingTheInput': Record<string, never>
  'buttons.anotherSlotBeingActivated': Record<string, never>
  'buttons.selectTheInputForThisActionIn': Record<string, never>
  'buttons.whereSeveralLayersAreActiveThe': Record<string, never>
  'buttons.theMacro': Record<string, never>
  'buttons.systemAndLayout': { system: Fact; layout: Fact }
  'buttons.anySystemAndLayout': { layout: Fact }
  'buttons.notOnTheMouse': Record<string, never>
  'buttons.notOnTheKeyboard': Record<string, never>
  'buttons.copied': Record<string, never>
  'buttons.cellsSelected': { count: number }
  'buttons.firstLayer': Record<string, never>
  'buttons.secondLayer': Record<string, never>
  'buttons.thirdLayer': Record<string, never>
  'buttons.fourthLayer': Record<string, never>
  'buttons.fifthLayer': Record<string, never>
  'buttons.sixthLayer': Record<string, never>
  'buttons.seventhLayer': Record<string, never>
  'buttons.anotherLayer': Record<string, never>
}

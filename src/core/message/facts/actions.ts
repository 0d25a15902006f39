// Generated from the catalogue by `npm run messages`.

export interface ActionsFacts {
  'actions.off': never
  'actions.offNote': never
  'actions.scrollUp': never
  'actions.scrollDown': never
  'actions.scrollLeft': never
  'actions.scrollRight': never
  'actions.scrollUpBy': 'amount'
  'actions.scrollDownBy': 'amount'
  'actions.scrollLeftBy': 'amount'
  'actions.scrollRightBy': 'amount'
  'actions.scrollNote': never
  'actions.controlNote': never
  'actions.notOnThisSystem': never
  'actions.selectSystemFirst': never
  'actions.nextLight': never
  'actions.previousLight': never
  'actions.lightBrighter': never
  'actions.lightDimmer': never
  'actions.lightOff': never
  'actions.lightOffNote': never
  'actions.lightNote': never
  'actions.fromLater': 'code'
  'actions.fromLaterBytes': 'code' | 'bytes'
  'actions.typeText': 'text'
  'actions.typeTextNote': never
  'actions.openProgram': 'target'
  'actions.openFile': 'target'
  'actions.openFolder': 'target'
  'actions.openAddress': 'target'
  'actions.openNote': never
  'actions.nextStep': never
  'actions.previousStep': never
  'actions.step': 'step'
  'actions.stepNote': never
  'actions.nextSlot': never
  'actions.previousSlot': never
  'actions.slot': 'slot'
  'actions.slotNote': never
  'actions.holdStep': 'step'
  'actions.holdDpi': 'dpi'
  'actions.countdown': 'time'
  'actions.countdownIn': 'time' | 'colour'
  'actions.countdownNote': never
  'actions.hours': 'hours'
  'actions.minutes': 'minutes'
  'actions.seconds': 'seconds'
  'actions.holdLayer': 'layer'
  'actions.switchLayer': 'layer'
  'actions.toggledNote': never
  'actions.macro': 'macro'
  'actions.macroToggle': never
  'actions.macroTimes': 'times'
  'actions.macroGap': 'gap'
  'actions.macroRestart': never
  'actions.macroStop': never
  'actions.macroOthers': never
  'actions.macroNote': never
  'actions.macros': 'parts'
  'actions.onPress': 'macro'
  'actions.held': 'macro'
  'actions.onRelease': 'macro'
  'actions.stopMacros': never
  'actions.stopMacrosNote': never
  'actions.keyNote': never
  'actions.tapHold': 'tap' | 'hold'
  'actions.tapHoldAfter': 'tap' | 'hold' | 'time'
  'actions.tapHoldNextPress': 'tap' | 'hold'
  'actions.tapHoldAfterNextPress': 'tap' | 'hold' | 'time'
  'actions.tapHoldNote': never
  'actions.inherited': never
  'actions.named': 'action' | 'name'
  'actions.forExample': never
  'actions.asEntered': never
  'actions.groupKeys': never
  'actions.groupKeysAbout': never
  'actions.groupPointer': never
  'actions.groupPointerAbout': never
  'actions.groupShortcuts': never
  'actions.groupShortcutsAbout': never
  'actions.groupMedia': never
  'actions.groupMediaAbout': never
  'actions.groupSteps': never
  'actions.groupStepsAbout': never
  'actions.groupLayers': never
  'actions.groupLayersAbout': never
  'actions.groupSlots': never
  'actions.groupSlotsAbout': never
  'actions.groupMacro': never
  'actions.groupMacroAbout': never
  'actions.groupText': never
  'actions.groupTextAbout': never
  'actions.groupTextBegin': never
  'actions.groupOpen': never
  'actions.groupOpenAbout': never
  'actions.groupOpenBegin': never
  'actions.groupTapHold': never
  'actions.groupTapHoldAbout': never
  'actions.groupTapHoldBegin': never
  'actions.groupLight': never
  'actions.groupLightAbout': never
  'actions.groupCountdown': never
  'actions.groupCountdownAbout': never
  'actions.groupCountdownBegin': never
  'actions.groupOffAbout': never
  'actions.repeated': 'key' | 'count'
  'actions.textAndKey': 'text' | 'key'
  'actions.clickTenTimesASecond': never
  'actions.clickTenTimesASecondNote': never
  'actions.whileHeld': never
  'actions.always': never
  'actions.whileInputHeld': 'inputs'
  'actions.toggledBy': 'inputs'
  'actions.withSignal': 'signal'
  'actions.notActivated': never
  'actions.inputTitle': 'number' | 'input' | 'action'
  'actions.titleNamed': 'name' | 'action'
  'actions.layerTitle': 'layer' | 'action'
  'actions.notOnTheDevice': never
  'actions.cellInLayer': 'input' | 'layer'
  'actions.command': 'name' | 'key'
  'actions.commandWithoutKey': never
  'actions.commandNote': never
  'actions.groupCommands': never
  'actions.groupCommandsAbout': never
}

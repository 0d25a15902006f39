// Generated from the catalogue by `npm run messages`.

export interface ChecksFacts {
  'checks.inputPlace': 'input' | 'layer'
  'checks.anyOperatingSystem': never
  'checks.keyboard': 'layout' | 'system'
  'checks.leftClick': never
  'checks.input': 'model' | 'input'
  'checks.noSensor': 'where' | 'model'
  'checks.chosenStep': 'where' | 'step' | 'steps'
  'checks.chosenSlot': 'where' | 'slot' | 'model' | 'slots'
  'checks.systemOpening': 'where'
  'checks.systemShortcut': 'where' | 'shortcut'
  'checks.shortcut': 'where' | 'system' | 'shortcut'
  'checks.untypable': 'where' | 'characters' | 'layout' | 'system'
  'checks.macCharacters': 'where' | 'characters' | 'kind'
  'checks.sameName': 'name' | 'first' | 'where'
  'checks.connectionInput': 'where' | 'connection' | 'because'
  'checks.unreachableLayer': 'layer'
  'checks.layer': 'where' | 'layer'
  'checks.layerKeyHeld': 'input' | 'layer'
  'checks.layerKeySwitch': 'input' | 'layer'
  'checks.signal': 'layer' | 'signal' | 'model'
  'checks.zone': 'effect' | 'model' | 'zone'
  'checks.light': 'effect' | 'model' | 'light'
  'checks.nowhere': 'effect'
  'checks.lightLayer': 'effect' | 'layer'
  'checks.lightMacro': 'effect'
  'checks.lightConnection': 'effect' | 'model' | 'connection'
  'checks.lightInput': 'effect' | 'model' | 'input'
  'checks.battery': 'effect' | 'model'
  'checks.covered': 'effect'
  'checks.gaugeColours': 'effect' | 'delta' | 'vision' | 'min'
  'checks.layerColours': 'effect' | 'one' | 'other' | 'delta' | 'vision'
  'checks.macroMissing': 'where'
  'checks.macroCycle': 'where' | 'macros'
  'checks.macroPlaysItself': 'where' | 'macro'
  'checks.macroText': 'macro' | 'characters' | 'layout' | 'system'
  'checks.macroBudget': 'where' | 'problem'
  'checks.macroUnread': 'where' | 'macro' | 'within'
  'checks.macroUnplayed': 'where' | 'macro'
  'checks.macroLeftDown': 'where' | 'macro' | 'count'
  'checks.macros': 'macros' | 'model' | 'max'
  'checks.playRepeats': 'where'
  'checks.playSeveral': 'where'
  'checks.stepsNoSensor': 'steps' | 'model'
  'checks.stepsNone': never
  'checks.steps': 'steps' | 'model' | 'max'
  'checks.step': 'step' | 'dpi' | 'problem'
  'checks.stepAxes': 'step' | 'model'
  'checks.defaultStep': 'step'
  'checks.sameStep': 'one' | 'other' | 'dpi'
  'checks.stepColours': 'one' | 'other' | 'delta' | 'vision' | 'min'
  'checks.slotKeysSame': never
  'checks.slotKeysOne': never
  'checks.connection': 'model' | 'connection'
  'checks.rate': 'connection' | 'rate' | 'rates'
  'checks.noRate': 'connection' | 'rates'
  'checks.size': 'bytes' | 'over' | 'model' | 'binding' | 'bindingBytes'
  'checks.sizeWithMacro': 'bytes' | 'over' | 'model' | 'binding' | 'bindingBytes' | 'macro' | 'macroBytes'
  'checks.names': 'bytes' | 'model'
  'checks.resetToFactory': never
  'checks.inheritFromBelow': never
  'checks.clearCell': never
  'checks.clearPlace': 'where' | 'bytes'
  'checks.remove': never
  'checks.bindLeftClick': 'input'
  'checks.setSystem': 'system'
  'checks.setLayout': 'layout'
  'checks.removeName': 'where'
  'checks.removeLayer': never
  'checks.inheritInLayer': 'layer'
  'checks.changeLowColour': 'colour'
  'checks.playOnce': never
  'checks.changeStepColour': 'step' | 'colour'
  'checks.ruleNoProgram': never
  'checks.ruleNever': 'rule'
  'checks.ruleNoChange': never
  'checks.ruleTwice': 'model'
  'checks.ruleNoProfile': 'profile'
  'checks.ruleNotFor': 'profile' | 'model'
  'checks.ruleInNoSlot': 'profile' | 'model'
  'checks.ruleNoSlot': 'model' | 'slot' | 'slots'
  'checks.ruleEmptySlot': 'slot' | 'model'
  'checks.typeOnLayout': 'keyboard' | 'characters' | 'layouts'
  'checks.typeOnSystem': 'keyboard' | 'characters' | 'systems'
  'checks.typeOnLayoutOrSystem': 'keyboard' | 'characters' | 'layouts' | 'systems'
  'checks.typeOtherwise': 'keyboard' | 'characters'
  'checks.cannotBeTyped': 'character'
  'checks.noKeysOnSystem': 'shortcut'
  'checks.openNeedsSystem': never
  'checks.unreadableCode': 'macro'
  'checks.playsItself': 'macro'
  'checks.fullVision': never
  'checks.protanopia': never
  'checks.deuteranopia': never
  'checks.tritanopia': never
  'checks.commandWithoutKey': 'command'
  'checks.commandNoKey': 'where' | 'command'
  'checks.commandDeleted': 'where' | 'program' | 'command'
  'checks.commandOutdated': 'where' | 'command'
  'checks.commandHold': 'where' | 'command'
  'checks.macroCommand': 'macro' | 'command'
  'checks.keepKey': never
  'checks.refreshCommands': never
}

// Generated from the catalogue by `npm run messages`.

export interface EditsFacts {
  'edits.deviceCode': 'macro'
  'edits.maxEvents': 'max'
  'edits.delay': 'max'
  'edits.factor': never
  'edits.noSensor': 'model'
  'edits.noStep': 'step'
  'edits.splitAxes': 'model'
  'edits.colour': 'colour'
  'edits.maxSteps': 'model' | 'max'
  'edits.tooManySteps': 'model' | 'max' | 'steps'
  'edits.lastStep': never
  'edits.rate': 'model' | 'rate' | 'connection'
  'edits.unknownEffect': never
  'edits.maxEffects': 'max'
  'edits.noLight': never
  'edits.starterNotShown': 'model' | 'starter'
  'edits.maxLayers': 'max'
  'edits.signals': 'max'
  'edits.signalTaken': 'layer' | 'signal'
  'edits.baseLayer': never
  'edits.layerName': never
  'edits.sameLayer': 'layer'
  'edits.noLayer': 'layer'
  'edits.noInput': 'model' | 'input'
  'edits.onlyLeftClick': 'input'
  'edits.nothingToName': never
  'edits.noMirror': 'model'
  'edits.noLeftClick': never
  'edits.dpiInteger': never
  'edits.dpiRange': 'min' | 'max'
  'edits.dpiStep': 'by'
  'edits.tooMuchInOnePass': 'macro' | 'steps' | 'max'
  'edits.tooMuchAtOnce': 'macro' | 'steps' | 'max'
  'edits.settingNone': 'setting' | 'model'
  'edits.settingRange': 'setting' | 'min' | 'max'
  'edits.settingChoice': 'setting' | 'choices'
  'edits.settingInput': 'setting' | 'input'
  'edits.notShown': 'zone' | 'effect' | 'effects'
  'edits.liftOffDistance': never
  'edits.angleSnapping': never
  'edits.debounce': never
  'edits.debounceStrategy': never
  'edits.keyHoldTime': never
  'edits.sleepAfter': never
  'edits.lowBatteryWarning': never
  'edits.brightnessOnCable': never
  'edits.brightnessOnBattery': never
  'edits.lightsOffAfter': never
  'edits.nextSlotFirstInput': never
  'edits.nextSlotSecondInput': never
  'edits.mm': 'mm'
  'edits.on': never
  'edits.off': never
  'edits.ms': 'ms'
  'edits.minutes': 'minutes'
  'edits.none': never
  'edits.atPercent': 'percent'
  'edits.percent': 'percent'
  'edits.never': never
  'edits.minutesIdle': 'minutes'
  'edits.inputNumber': 'number'
  'edits.eager': never
  'edits.deferred': never
}

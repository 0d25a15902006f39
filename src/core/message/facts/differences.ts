// Generated from the catalogue by `npm run messages`.

export interface DifferencesFacts {
  'differences.name': never
  'differences.computer': never
  'differences.hand': never
  'differences.left': never
  'differences.right': never
  'differences.step': 'step'
  'differences.defaultStep': never
  'differences.polling': 'connection'
  'differences.light': 'effect'
  'differences.sections': 'count'
  'differences.settings': 'count'
  'differences.numberedMacros': 'count'
  'differences.layer': 'layer'
  'differences.signal': 'signal'
  'differences.inherited': never
  'differences.inputInLayer': 'input' | 'layer'
  'differences.keysOn': 'action' | 'computer'
  'differences.computerLayout': 'system' | 'layout'
  'differences.anyComputerLayout': 'layout'
  'differences.dpi': 'dpi'
  'differences.dpiAxes': 'dpi' | 'dpiY'
  'differences.rate': 'rate'
  'differences.none': never
  'differences.macro': 'macro'
  'differences.indigo': never
  'differences.sky': never
  'differences.violet': never
  'differences.slate': never
  'differences.ultramarine': never
  'differences.lavender': never
  'differences.steel': never
  'differences.sectionName': never
  'differences.sectionBindings': never
  'differences.sectionSteps': never
  'differences.sectionPolling': never
  'differences.sectionLayers': never
  'differences.sectionMacros': never
  'differences.sectionNames': never
  'differences.sectionLight': never
  'differences.sectionSettings': never
  'differences.sectionMade': never
  'differences.sectionMacroNames': never
  'differences.sectionStepNames': never
  'differences.sectionLightNames': never
  'differences.sectionRevision': never
  'differences.sectionUnknown': 'type'
  'differences.motionPart': never
  'differences.lightPart': never
  'differences.profilePart': never
  'differences.buttonsPart': never
  'differences.noRepeats': never
  'differences.oneAction': never
  'differences.required': never
  'differences.notRequired': never
}

// Generated from the catalogue by `npm run messages`.

export interface ImagesFacts {
  'images.tooLarge': 'value'
  'images.byteMissing': 'at'
  'images.longLength': 'at'
  'images.bytesMissing': 'length' | 'at' | 'left'
  'images.outOfBounds': 'value' | 'min' | 'max'
  'images.noMeaning': 'number'
  'images.tableEntry': 'tag'
  'images.tableEffects': never
  'images.stepBytes': 'found' | 'expected'
  'images.manySteps': 'steps' | 'max'
  'images.zeroDpi': never
  'images.defaultStep': 'step' | 'steps'
  'images.macroNumber': 'number' | 'max'
  'images.macroSteps': 'steps' | 'max'
  'images.openRepeat': never
  'images.unknownCode': 'code'
  'images.repeatDepth': 'max'
  'images.repeatTimes': 'times' | 'max'
  'images.emptyRepeat': never
  'images.macroButton': 'value' | 'min' | 'max'
  'images.macroStep': 'value' | 'min' | 'max'
  'images.macroLayer': 'value' | 'min' | 'max'
  'images.listedTwice': 'part'
  'images.section': 'number'
  'images.stepName': 'step'
  'images.connectionRate': 'connection'
  'images.effectName': 'effect'
  'images.listedLayer': 'layer'
  'images.inputName': 'input' | 'layer'
  'images.macro': 'macro'
  'images.macroName': 'macro'
  'images.layerBindings': 'layer'
  'images.input': 'input' | 'layer'
  'images.zone': 'zone'
  'images.setting': 'code'
  'images.layerNumber': 'layer' | 'max'
  'images.layerNotListed': 'layer'
  'images.imageTooLarge': 'length' | 'max'
  'images.laterSection': 'number'
  'images.otherModel': 'found' | 'expected'
  'images.unlistedLayer': 'layer'
  'images.tooShort': 'length'
  'images.noMagic': never
  'images.version': 'found' | 'expected'
  'images.length': 'expected' | 'found'
  'images.checksum': 'stored' | 'computed'
  'images.firmwareFileTooLarge': 'length' | 'max'
  'images.firmwareFileTooShort': never
  'images.notFirmware': never
  'images.firmwareFormat': 'found' | 'expected'
  'images.firmwareLengths': never
  'images.firmwareChecksum': never
  'images.hexEmpty': never
  'images.hexTooLarge': never
  'images.notHex': never
  'images.hexRecord': 'record'
  'images.manyEffects': 'effects' | 'max'
  'images.lightsOrder': never
  'images.manyLights': never
  'images.nestedTapHold': never
  'images.reservedPlayback': never
  'images.reservedStroke': 'stroke'
  'images.bytesFollow': 'left'
  'images.unknownModel': 'number'
  'images.bankTooSmall': never
}

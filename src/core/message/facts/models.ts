// Generated from the catalogue by `npm run messages`.

export interface ModelsFacts {
  'models.bluetooth': never
  'models.cable': never
  'models.crest': never
  'models.dunlin84': never
  'models.functionRow': never
  'models.godwit19': never
  'models.grid': never
  'models.keys': never
  'models.knob': never
  'models.knobLeft': never
  'models.knobPress': never
  'models.knobRight': never
  'models.knot5': never
  'models.leftButton': never
  'models.leftSide': never
  'models.lettersAndSymbols': never
  'models.logo': never
  'models.modifiers': never
  'models.navigation': never
  'models.nose': never
  'models.numbers': never
  'models.pairsTheKeyboard': never
  'models.pairsTheMouse': never
  'models.radio': never
  'models.rightButton': never
  'models.rightSide': never
  'models.sideFront': never
  'models.sideRear': never
  'models.spine': never
  'models.status': never
  'models.stepLight': never
  'models.tern7': never
  'models.thumb': 'number'
  'models.thumbGridRow': 'row'
  'models.top': never
  'models.topView': never
  'models.underTheWheel': never
  'models.underTheWheelFront': never
  'models.underTheWheelRear': never
  'models.underside': never
  'models.undersideDetail': never
  'models.wheel': never
  'models.wheelDown': never
  'models.wheelPress': never
  'models.wheelTiltLeft': never
  'models.wheelTiltRight': never
  'models.wheelUp': never
  'models.numbered': 'number' | 'input'
}

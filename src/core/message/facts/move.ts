// Generated from the catalogue by `npm run messages`.

export interface MoveFacts {
  'move.binding': 'input' | 'action'
  'move.noSimilarInput': 'model'
  'move.onInput': 'input'
  'move.noSteps': 'model'
  'move.steps': 'model' | 'count'
  'move.noDpi': 'model' | 'dpi'
  'move.slots': 'model' | 'count'
  'move.holdsNoLayer': never
  'move.holdsLayer': 'layer'
  'move.onceActivated': 'how' | 'layer'
  'move.unreachable': 'model' | 'inputs' | 'count'
  'move.staysLeftClick': never
  'move.step': 'step' | 'dpi'
  'move.noSensor': 'model'
  'move.setting': 'setting' | 'value'
  'move.otherInputs': 'model'
  'move.polling': 'connection' | 'rate'
  'move.noConnection': 'model'
  'move.fromLaterVersion': never
  'move.noLights': 'model'
  'move.zoneShowsOnly': 'zone' | 'effects'
  'move.noTrigger': 'model'
}

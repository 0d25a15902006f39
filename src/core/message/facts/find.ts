// Generated from the catalogue by `npm run messages`.

export interface FindFacts {
  'find.inProfile': 'detail' | 'profile'
  'find.layerOf': 'layer' | 'profile'
  'find.inputsChanged': 'count'
  'find.layerNames': 'layers' | 'count'
  'find.stepDpis': 'steps'
}

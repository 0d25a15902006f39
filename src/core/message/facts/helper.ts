// Generated from the catalogue by `npm run messages`.

export interface HelperFacts {
  'helper.notInSlots': 'profile'
  'helper.noSlot': 'slot'
  'helper.alreadyActive': 'slot'
  'helper.nowActive': 'slot'
}

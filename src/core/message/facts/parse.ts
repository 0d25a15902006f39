// Generated from the catalogue by `npm run messages`.

export interface ParseFacts {
  'parse.dpi': 'dpi' | 'problem'
  'parse.noStep': 'model' | 'count' | 'step'
  'parse.noSlot': 'model' | 'count' | 'slot'
  'parse.emptyText': never
  'parse.notAKeyAfterText': 'key'
  'parse.textTooLong': 'max' | 'length'
  'parse.singleLine': never
  'parse.detents': never
  'parse.actionCode': never
  'parse.onlyBaseLayer': 'layer'
  'parse.noLayer': 'layer' | 'layers'
  'parse.colour': 'colour'
  'parse.time': 'time'
  'parse.timeRange': never
  'parse.endsWithPlus': 'text'
  'parse.notAKey': 'text'
  'parse.oneKey': 'keys'
  'parse.playback': 'text'
  'parse.times': 'max'
  'parse.gap': 'max'
  'parse.macroParts': never
  'parse.nameTooLong': 'name'
  'parse.empty': never
  'parse.holdAction': never
  'parse.perSecond': 'max'
  'parse.threshold': 'min' | 'max' | 'step'
  'parse.noMicrophoneKey': never
  'parse.noMacrosYet': 'name'
  'parse.noMacro': 'name'
  'parse.scriptWords': 'verb' | 'count' | 'found'
  'parse.noCommand': 'name'
}

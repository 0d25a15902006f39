// Generated from the catalogue by `npm run messages`.

export interface ListsFacts {
  'lists.notAKey': 'text'
  'lists.listTooLong': 'lines'
  'lists.tooManyCommands': 'max'
  'lists.lineTooLong': 'max'
  'lists.noSeparator': never
  'lists.noName': never
  'lists.tooManyKeys': 'max'
  'lists.importantNowhere': 'command'
  'lists.sharedKey': 'commands'
  'lists.modifierIsCommand': 'command' | 'other'
  'lists.twiceOnDevice': 'command' | 'device' | 'inputs'
}

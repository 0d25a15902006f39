// Generated from the catalogue by `npm run messages`.

export interface ListsFacts {
  'lists.notAKey': 'text'
  'lists.listTooLong': 'lines'
  'lists.tooManyCommands': 'max'
  'lists.lineTooLong': 'max'
  'lists.noSeparator': never
  'lists.noName': never
  'lists.tooManyKeys': 'max'
}

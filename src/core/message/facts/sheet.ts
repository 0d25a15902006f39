// Generated from the catalogue by `npm run messages`.

export interface SheetFacts {
  'sheet.whileHeld': 'input'
  'sheet.toggledBy': 'input'
  'sheet.bySignal': 'signal'
  'sheet.footer': 'computer'
  'sheet.footerWithRules': 'computer' | 'rules'
  'sheet.more': 'count'
}

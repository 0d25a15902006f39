const rules = new Intl.PluralRules('en')

/** Picks the form of a text that fits a count. */
export const pluralOf = (count: number, forms: { one: string; other: string }): string =>
  rules.select(count) === 'one' ? forms.one : forms.other

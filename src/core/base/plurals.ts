const rules = new Intl.PluralRules('en')

/** Selects the plural form of a text for a count. */
export const selectPlural = (count: number, forms: { one: string; other: string }): string =>
  rules.select(count) === 'one' ? forms.one : forms.other

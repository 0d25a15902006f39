const TITLES: Record<string, string | undefined> = {
  motion: 'Motion',
  light: 'Light',
  profile: 'The profile itself',
}

/** What a part of a profile is called: those of `partOf` in compile/take-over.ts. @param layers names of all layers, the base first */
export function partTitle(part: string, layers: readonly string[]): string {
  const [, place] = /^layer:(\d+)$/.exec(part) ?? []
  if (place === undefined) return TITLES[part] ?? part
  return Number(place) === 0 ? 'Buttons' : `Layer ${layers[Number(place)] ?? place}`
}

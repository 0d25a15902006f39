import type { Profile } from './schema'

/** Colours in a profile, each once: first of its light, then of its steps. */
export function coloursOfProfile({ light, steps }: Profile): string[] {
  const ofLight = light.flatMap((item) => {
    if (item.kind === 'later') return []
    const { effect } = item
    return Object.values(effect).flatMap((value) => (Array.isArray(value) ? value : [value]))
  })
  const all = [...ofLight, ...steps.map(({ colour }) => colour)]
  return [
    ...new Set(all.filter((value): value is string => typeof value === 'string' && value.startsWith('#'))),
  ]
}

/**
 * Profiles of earlier versions, brought up one version at a time. Each step takes what the version before it
 * wrote and trusts nothing: what comes out goes through the schema like anything else.
 */
const MIGRATIONS: Record<
  number,
  ((profile: Record<string, unknown>) => Record<string, unknown>) | undefined
> = {
  /** Version 1 knew one layer without a name, and no computer. */
  1: (profile) => ({
    ...profile,
    version: 2,
    computer: { layout: 'us' },
    hand: 'right',
    layers: Array.isArray(profile.layers)
      ? profile.layers.map((layer: unknown) => ({ name: 'Base', colour: 'indigo', ...Object(layer) }))
      : profile.layers,
  }),
  /** Version 2 knew no finer settings. */
  2: (profile) => ({ ...profile, version: 3, settings: {} }),
}

/** The value as the latest version has it; one that is no profile, or a later version, as it is. */
export function migrated(value: object): unknown {
  let current: unknown = value
  for (let step = next(current); step; step = next(current)) current = step(Object(current))
  return current
}

function next(value: unknown) {
  const version =
    typeof value === 'object' && value !== null && 'version' in value ? value.version : undefined
  return typeof version === 'number' ? MIGRATIONS[version] : undefined
}

import {
  MOST_BINDING_NAME_BYTES,
  MOST_LAYER_NAME_BYTES,
  MOST_NAME_BYTES,
  MOST_STEP_NAME_BYTES,
} from '../base/name-lengths'
import { modelById } from '../device/models'
import { cleanName, nameProblem } from '../base/names'

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
  /** Version 3 let any character into names. */
  3: (profile) => ({
    ...named(profile, MOST_NAME_BYTES, 'Unnamed'),
    version: 4,
    layers: eachOf(profile.layers, (layer, index) => ({
      ...named(layer, MOST_LAYER_NAME_BYTES, index === 0 ? 'Base' : `Layer ${index}`),
      ...(isRecord(layer.bindings) && {
        bindings: Object.fromEntries(
          Object.entries(layer.bindings).map(([input, binding]) => [
            input,
            isRecord(binding) ? named(binding, MOST_BINDING_NAME_BYTES) : binding,
          ]),
        ),
      }),
    })),
    steps: eachOf(profile.steps, (step) => named(step, MOST_STEP_NAME_BYTES)),
  }),
  /** Version 4 had one effect a zone. */
  4: (profile) => ({ ...profile, version: 5, light: stackOf(profile.light, profile.model) }),
  /** Version 5 had no tags, and knew no rules that a game sets. */
  5: (profile) => ({ ...profile, version: 6, tags: [], rules: [] }),
}

/** An effect of each zone, in the order of the model's zones, over one another. */
function stackOf(light: unknown, model: unknown): unknown {
  if (!isRecord(light)) return light
  const order = modelById(String(model))?.zones.map(({ id }) => id) ?? []
  const place = (zone: string) => (order.includes(zone) ? order.indexOf(zone) : order.length)
  return Object.entries(light)
    .sort(([a], [b]) => place(a) - place(b))
    .flatMap(([zone, effect]) =>
      // Bytes of a later version could only be what no version ever wrote.
      isRecord(effect) && effect.kind === 'later'
        ? []
        : {
            kind: 'effect',
            effect: isRecord(effect) && hasPhase(effect.kind) ? { ...effect, ...NO_PHASE } : effect,
            where: { kind: 'zones', zones: [zone] },
            when: { kind: 'always' },
            opacity: 100,
            mix: 'covers',
          },
    )
}

const NO_PHASE = { shift: 0, lag: 0, lagBy: 'light' }
const hasPhase = (kind: unknown): boolean => kind === 'breathing' || kind === 'cycle'

/** The same with a name that may be one; without one where nothing is left of it and nothing stands for it. */
function named(
  document: Record<string, unknown>,
  mostBytes: number,
  otherwise = '',
): Record<string, unknown> {
  const { name, ...rest } = document
  if (typeof name !== 'string' || nameProblem(name) === undefined) return document
  const clean = cleanName(name, mostBytes, otherwise)
  return clean === '' ? rest : { ...rest, name: clean }
}

const eachOf = (
  list: unknown,
  change: (item: Record<string, unknown>, index: number) => Record<string, unknown>,
): unknown =>
  Array.isArray(list)
    ? list.map((item: unknown, index) => (isRecord(item) ? change(item, index) : item))
    : list

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

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

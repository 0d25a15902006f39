import {
  MAX_BINDING_NAME_BYTES,
  MAX_LAYER_NAME_BYTES,
  MAX_NAME_BYTES,
  MAX_STEP_NAME_BYTES,
} from '../base/name-lengths'
import { modelById } from '../device/models'
import { cleanName, nameProblem } from '../base/names'

/**
 * Migrates profiles of earlier versions, one version at a time. Each step expects the output of the version before it
 * but trusts nothing: the result is validated like any other document.
 */
const MIGRATIONS: Record<
  number,
  ((profile: Record<string, unknown>) => Record<string, unknown>) | undefined
> = {
  /** Version 1 had one unnamed layer, and no computer. */
  1: (profile) => ({
    ...profile,
    version: 2,
    computer: { layout: 'us' },
    hand: 'right',
    layers: Array.isArray(profile.layers)
      ? profile.layers.map((layer: unknown) => ({ name: 'Base', colour: 'indigo', ...Object(layer) }))
      : profile.layers,
  }),
  /** Version 2 had no device settings. */
  2: (profile) => ({ ...profile, version: 3, settings: {} }),
  /** Version 3 allowed any character in names. */
  3: (profile) => ({
    ...named(profile, MAX_NAME_BYTES, 'Unnamed'),
    version: 4,
    layers: eachOf(profile.layers, (layer, index) => ({
      ...named(layer, MAX_LAYER_NAME_BYTES, index === 0 ? 'Base' : `Layer ${index}`),
      ...(isRecord(layer.bindings) && {
        bindings: Object.fromEntries(
          Object.entries(layer.bindings).map(([input, binding]) => [
            input,
            isRecord(binding) ? named(binding, MAX_BINDING_NAME_BYTES) : binding,
          ]),
        ),
      }),
    })),
    steps: eachOf(profile.steps, (step) => named(step, MAX_STEP_NAME_BYTES)),
  }),
  /** Version 4 had one effect per zone. */
  4: (profile) => ({ ...profile, version: 5, light: stackOf(profile.light, profile.model) }),
  /** Version 5 had no tags and no rules for play. */
  5: (profile) => ({ ...profile, version: 6, tags: [], rules: [] }),
  /** Version 6 knew no programs. */
  6: (profile) => ({ ...profile, version: 7 }),
}

/** One effect per zone, in the order of the model's zones, stacked. */
function stackOf(light: unknown, model: unknown): unknown {
  if (!isRecord(light)) return light
  const order = modelById(String(model))?.zones.map(({ id }) => id) ?? []
  const place = (zone: string) => (order.includes(zone) ? order.indexOf(zone) : order.length)
  return Object.entries(light)
    .sort(([a], [b]) => place(a) - place(b))
    .flatMap(([zone, effect]) =>
      // Unknown bytes here cannot come from any earlier version.
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

/** The same with a valid name; without a name if nothing valid remains and there is no default. */
function named(
  document: Record<string, unknown>,
  maxBytes: number,
  defaultValue = '',
): Record<string, unknown> {
  const { name, ...rest } = document
  if (typeof name !== 'string' || nameProblem(name) === undefined) return document
  const clean = cleanName(name, maxBytes, defaultValue)
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

/**
 * The value in the latest version. Values that are not profiles, or come from a later version, are returned unchanged.
 */
export function migrate(value: object): unknown {
  let current: unknown = value
  for (let step = next(current); step; step = next(current)) current = step(Object(current))
  return current
}

function next(value: unknown) {
  const version =
    typeof value === 'object' && value !== null && 'version' in value ? value.version : undefined
  return typeof version === 'number' ? MIGRATIONS[version] : undefined
}

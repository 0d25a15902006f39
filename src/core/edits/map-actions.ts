import type { Action, Binding, Layer, Profile, SingleAction } from '../document/schema'

/** Changes every single action of a profile, including those of tap and hold. */
export function mapActions(profile: Profile, change: (action: SingleAction) => SingleAction): Profile {
  return mapBindings(profile, (binding) => {
    const action = mapAction(binding.action, change)
    return action === binding.action ? binding : { ...binding, action }
  })
}

/** The same action where nothing changes. */
export function mapAction(action: Action, change: (action: SingleAction) => SingleAction): Action {
  if (action.kind !== 'tap-hold') return change(action)
  const [tap, hold] = [change(action.tap), change(action.hold)]
  return tap === action.tap && hold === action.hold ? action : { ...action, tap, hold }
}

/** The same profile, layer or binding where nothing changes. */
export function mapBindings(profile: Profile, change: (binding: Binding) => Binding): Profile {
  const layers = profile.layers.map((layer): Layer => {
    const entries = Object.entries(layer.bindings).map(([id, binding]) => [id, change(binding)] as const)
    return entries.every(([id, binding]) => binding === layer.bindings[id])
      ? layer
      : { ...layer, bindings: Object.fromEntries(entries) }
  })
  return layers.every((layer, index) => layer === profile.layers[index]) ? profile : { ...profile, layers }
}

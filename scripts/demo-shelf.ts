import { mkdirSync, writeFileSync } from 'node:fs'
import { PURPOSES, applyPurpose } from '../src/core/compile/purposes'
import { modelById } from '../src/core/device/models'
import { bindAll } from '../src/core/edits/edits'
import type { MacroShelf } from '../src/core/document/macro'
import { factoryProfile } from '../src/core/terms/profile'
import { parseProfile, type Profile } from '../src/core/document/schema'
import { contextOf } from '../src/core/text/context'
import { parseCell } from '../src/core/text/cell-text'

const WINDOWS = { system: 'windows', layout: 'us' } as const

/** Profiles on the shelf: each purpose on a suitable device, named after its author. */
interface Shared {
  name: string
  model: string
  purpose: string
  tags: string[]
  cells?: Record<string, string>
}
const SHARED: Shared[] = [
  {
    name: 'Reef scout',
    model: 'tern-7',
    purpose: 'aim',
    tags: ['Brinewatch', 'scout'],
    cells: { 'side-front': 'l = Lamp' },
  },
  {
    name: 'Courier, light hands',
    model: 'tern-7',
    purpose: 'aim',
    tags: ['Gantry Run'],
    cells: { 'wheel-press': 'space = Vault' },
  },
  { name: 'Rooftop league', model: 'tern-7', purpose: 'tournament', tags: ['Gantry Run', 'league'] },
  { name: 'Night ferry', model: 'tern-7', purpose: 'battery', tags: ['long battery'] },
  {
    name: 'Winch master',
    model: 'godwit-19',
    purpose: 'fours',
    tags: ['Brinewatch', 'winch'],
    cells: { 'upper-front': 'w = Winch in' },
  },
  { name: 'Forty orders', model: 'godwit-19', purpose: 'orders', tags: ['Hollow Tithe'] },
  {
    name: 'Copyist',
    model: 'godwit-19',
    purpose: 'editing',
    tags: ['Engraving'],
    cells: { 'tilt-left': 'page up', 'tilt-right': 'page down' },
  },
  { name: 'Ink and line', model: 'godwit-19', purpose: 'drawing', tags: ['drawing'] },
  { name: 'One-handed page', model: 'knot-5', purpose: 'one-hand', tags: ['Engraving', 'one hand'] },
  { name: 'Quiet proofs', model: 'knot-5', purpose: 'editing', tags: ['Engraving'] },
  {
    name: 'Score desk',
    model: 'dunlin-84',
    purpose: 'editing',
    tags: ['Engraving'],
    cells: { f6: 'ctrl+f = Find a bar' },
  },
  { name: 'Dark bridge', model: 'dunlin-84', purpose: 'still-light', tags: ['Brinewatch', 'still light'] },
]

function sharedProfile(
  { name, model: id, purpose: wanted, tags, cells = {} }: Shared,
  macros: MacroShelf,
): Profile {
  const model = modelById(id)
  const purpose = PURPOSES.find((each) => each.id === wanted)
  if (!model || !purpose) throw new Error(`${name}: no ${id}, or no ${wanted}`)
  const begun = applyPurpose(factoryProfile(model, name, WINDOWS), model, purpose)
  const context = contextOf(begun, model, macros)
  const bound = Object.entries(cells).map(([input, text]) => {
    const parsed = parseCell(text, context)
    if (!('action' in parsed)) throw new Error(`${name}, ${input}: ${JSON.stringify(parsed)}`)
    const { action, name: called } = parsed
    return { layer: 0, input, put: { action, ...(called && { name: called }) } }
  })
  return parseProfile({ ...bindAll(begun, model, bound), tags })
}

/** Writes the included profiles of the shelf, one file each. */
export function writeShelf(macros: MacroShelf): void {
  mkdirSync('demo/shelf', { recursive: true })
  for (const shared of SHARED)
    writeFileSync(
      `demo/shelf/${shared.name.toLowerCase().replace(/[^a-z]+/g, '-')}.json`,
      `${JSON.stringify(sharedProfile(shared, macros), null, 2)}\n`,
    )
}

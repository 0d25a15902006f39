// npm run vectors: writes docs/vectors/light/, frames for testing other implementations of the light.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { valueOf } from '../src/core/base/items'
import { framesCsv, lightFrames } from '../src/cli/light'
import { parseScript } from '../src/cli/script'
import { compileProfile } from '../src/core/compile/compile'
import { modelById } from '../src/core/device/models'
import { tern7 } from '../src/core/device/models/tern-7'
import { bindAll } from '../src/core/edits/edits'
import { addLayer } from '../src/core/edits/layer-edits'
import { type StackItem, type EffectCondition } from '../src/core/document/light'
import { newCondition, newEffect, newStackItem } from '../src/core/terms/light'
import { factoryProfile } from '../src/core/terms/profile'
import type { Profile } from '../src/core/document/schema'
import { CONDITION_NAMES, CONDITIONS, type ConditionName } from '../src/core/effects/conditions'
import { EFFECT_NAMES, EFFECTS } from '../src/core/effects/registry'
import { keyAction } from '../src/core/text/context'
import { PLAY_ONCE } from '../src/core/document/action-schema'
import { compareVersions, type FirmwareVersion } from '../src/core/base/versions'
import { emptyMacro, shelfOf, type Macro } from '../src/core/document/macro'
import { readProfileFile } from '../src/core/files/profile-file'
import { toIntelHex } from '../src/core/onboard/intel-hex'

const FOLDER = 'docs/vectors/light'
/** The devices for the frames; wireless ones use their receiver, so that they do not charge meanwhile. */
const RUN = { fromMs: 0, toMs: 2000, fps: 30, chargePercent: 60 } as const

/** Profiles of the demo, and actions of the hands. */
const CASES: Record<string, string> = {
  brinewatch: '300 press left\n420 release left\n900 press under-wheel\n950 release under-wheel\n',
  'gantry-run': '500 move 3 0\n',
  'hollow-tithe': '0 run-until\n',
  'godwit-brinewatch':
    '200 press thumb-12\n240 release thumb-12\n600 press thumb-10\n1400 release thumb-10\n',
  'godwit-hollow-tithe': '0 run-until\n',
  'knot-proofs': '400 press left\n500 release left\n',
  'dunlin-brinewatch': '100 press key-a\n180 release key-a\n500 press caps-lock\n1300 release caps-lock\n',
}

/** The script for single effects and conditions, with all possible triggers. */
const OF_KINDS_SCRIPT =
  '200 press under-wheel\n300 press left\n380 release left\n600 release under-wheel\n700 press side-rear\n740 release side-rear\n800 press side-front\n820 release side-front\n'

const COUNTDOWN = { kind: 'countdown', seconds: 1, colour: '#ffb000' } as const
const MACRO_ID = 'wait'
/** A signal flashes all lights if no effect waits for it, so only cases about signals have one. */
const macroOf = (name: string): Macro => ({
  ...emptyMacro(MACRO_ID, 'Wait'),
  events: [
    ...(name === 'condition-signal' ? [{ kind: 'signal', colour: '#00ff7f', afterMs: 0 } as const] : []),
    { kind: 'pause', fromMs: 200, toMs: 200, afterMs: 0 },
  ],
})

/** The firmware that supports all of them. */
const NEWEST = [...Object.values(EFFECTS), ...Object.values(CONDITIONS)]
  .map(({ since }): Required<FirmwareVersion> => ({ patch: 0, ...since }))
  .reduce((newest, since) => (compareVersions(since, newest) > 0 ? since : newest))

/** So that it is met within the run. */
const SOONER: Partial<Record<ConditionName, object>> = {
  press: { forMs: 300 },
  arrival: { forMs: 400 },
  idle: { seconds: 1 },
  battery: { underPercent: 100 },
  connection: { connection: 'receiver' },
}

const OF_KINDS: Record<string, StackItem> = {
  ...Object.fromEntries(
    EFFECT_NAMES.map((name) => [`effect-${name}`, { ...newStackItem('solid'), effect: newEffect(name) }]),
  ),
  ...Object.fromEntries(
    CONDITION_NAMES.map((name) => [
      `condition-${name}`,
      { ...newStackItem('wave'), when: { ...newCondition(name, tern7), ...SOONER[name] } as EffectCondition },
    ]),
  ),
}

/** A profile with one light entry above a dim background, a layer on one key and a countdown on another. */
function profileOfKind(name: string): Profile {
  const profile = addLayer(factoryProfile(tern7, name), 'Dive')
  return {
    ...bindAll(profile, tern7, [
      { layer: 0, input: 'under-wheel', put: { kind: 'layer', layer: 1, how: 'hold' } },
      { layer: 1, input: 'left', put: keyAction('KeyQ', []) },
      // Its end flashes all lights, so only cases about countdowns have one.
      ...(name === 'effect-countdown' ? [{ layer: 0, input: 'side-rear', put: COUNTDOWN }] : []),
      { layer: 0, input: 'side-front', put: PLAY_ONCE(MACRO_ID) },
    ]),
    light: [valueOf(OF_KINDS, name), newStackItem('solid', { colour: '#203040', brightness: 40 })],
  }
}

/** Returns the files for a single effect or condition. */
async function kindVector(name: string): Promise<Record<string, string>> {
  const { bytes } = compileProfile(profileOfKind(name), tern7, shelfOf([macroOf(name)]))
  const script = parseScript(OF_KINDS_SCRIPT, name, tern7)
  const found = await lightFrames(bytes, tern7, script, {
    ...RUN,
    fps: 20,
    firmware: NEWEST,
    over: name === 'condition-charging' ? 'cable' : 'receiver',
  })
  return {
    [`${name}.hex`]: toIntelHex(bytes),
    [`${name}.script`]: OF_KINDS_SCRIPT,
    [`${name}.csv`]: framesCsv(found),
  }
}

/** The files of one case: an image, a script, and the frames of our device. */
export async function lightVector(name: string): Promise<Record<string, string>> {
  if (name in OF_KINDS) return kindVector(name)
  const script = valueOf(CASES, name)
  const { profile, macros } = readProfileFile(JSON.parse(readFileSync(`demo/profiles/${name}.json`, 'utf8')))
  const model = modelById(profile.model)
  if (!model) throw new Error(`no model ${profile.model}`)
  const { bytes } = compileProfile(profile, model, shelfOf(macros))
  const found = await lightFrames(bytes, model, parseScript(script, name, model), {
    ...RUN,
    over: model.electrical.battery ? 'receiver' : 'cable',
  })
  return { [`${name}.hex`]: toIntelHex(bytes), [`${name}.script`]: script, [`${name}.csv`]: framesCsv(found) }
}

export const LIGHT_VECTORS = [...Object.keys(CASES), ...Object.keys(OF_KINDS)]

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync(FOLDER, { recursive: true })
  for (const file of readdirSync(FOLDER)) rmSync(join(FOLDER, file))
  for (const name of LIGHT_VECTORS)
    for (const [file, content] of Object.entries(await lightVector(name)))
      writeFileSync(join(FOLDER, file), content)
  console.log(`${LIGHT_VECTORS.length} runs of light`)
}

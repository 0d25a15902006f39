// npm run vectors: writes docs/vectors/light/, frames for other implementations of the light to be held against.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { framesCsv, lightFrames } from '../src/cli/light'
import { parseScript } from '../src/cli/script'
import { compileProfile } from '../src/core/compile/compile'
import { modelById } from '../src/core/device/models'
import { shelfOf } from '../src/core/document/macro'
import { readProfileFile } from '../src/core/document/profile-file'
import { toIntelHex } from '../src/core/onboard/intel-hex'

const FOLDER = 'docs/vectors/light'
/** What the frames are taken with; wireless devices are on their receiver, so that nothing charges meanwhile. */
const RUN = { fromMs: 0, toMs: 2000, fps: 30, chargePercent: 60 } as const

/** Profiles of the demo, and what hands do to their device. */
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

/** The files of one case: an image, a script, and the frames a device of ours shows of them. */
export async function lightVector(name: string): Promise<Record<string, string>> {
  const script = CASES[name]
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

export const LIGHT_VECTORS = Object.keys(CASES)

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync(FOLDER, { recursive: true })
  for (const file of readdirSync(FOLDER)) rmSync(join(FOLDER, file))
  for (const name of LIGHT_VECTORS)
    for (const [file, content] of Object.entries(await lightVector(name)))
      writeFileSync(join(FOLDER, file), content)
  console.log(`${LIGHT_VECTORS.length} runs of light`)
}

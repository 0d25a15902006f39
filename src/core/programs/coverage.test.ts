import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { parseProgram } from '../document/program-schema'
import { factoryProfile } from '../terms/profile'
import { englishText } from '../../messages/plain'
import { checkProgram, countCoverage, coverageOf, type SetUpDevice } from './coverage'
import { placeCommands } from './placing'

const brinewatch = parseProgram(JSON.parse(readFileSync('demo/programs/brinewatch.json', 'utf8')))
const setUp = (...models: (typeof godwit19)[]): SetUpDevice[] =>
  models.map((model) => ({ model, profile: factoryProfile(model, 'Salvage') }))

describe('the commands of a program on its devices', () => {
  it('lie where their keys are, and the important ones are placed on easy inputs', () => {
    const alone = countCoverage(coverageOf(brinewatch, setUp(godwit19)))
    const both = setUp(godwit19, dunlin84)
    const before = countCoverage(coverageOf(brinewatch, both))
    expect(before.covered).toBeGreaterThan(alone.covered)
    const placed = both.map((device, index) => ({
      ...device,
      profile: itemAt(placeCommands(brinewatch, both), index),
    }))
    const ping = coverageOf(brinewatch, placed).find(({ label }) => label === 'Sonar ping')
    // It is the second most used one that no resting finger has, after the talk to the crew.
    expect(ping?.places.map((on) => on.map(({ input, linked }) => [input.role, linked]))).toEqual([
      [['thumb-2', true]],
      [['key-key-q', false]],
    ])
    expect(placed[1]?.profile).toBe(both[1]?.profile)
  })

  it('are reported if they are nowhere, share a key, or press another one', () => {
    const program = {
      ...brinewatch,
      commands: brinewatch.commands.map((command) =>
        command.name === 'Lamp'
          ? { ...command, keys: [{ kind: 'key' as const, code: 'ControlLeft', modifiers: [] }] }
          : command,
      ),
    }
    const said = checkProgram(program, setUp(godwit19)).map(({ text }) => englishText(text))
    expect(said).toContain('“Sonar ping” is important but not on any device')
    expect(said).toContain('“Flood tanks” also presses the key of “Lamp”')
    const shared = {
      ...brinewatch,
      commands: brinewatch.commands.map((each) => ({ ...each, keys: itemAt(brinewatch.commands, 0).keys })),
    }
    expect(checkProgram(shared, []).map(({ text }) => englishText(text))[0]).toMatch(
      /^These commands have the same key: Release ballast, /,
    )
  })
})

import { effectScope } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { itemAt } from '../../core/base/items'
import { canRun, runByKey, runCommand, useCommands } from './commands'
import { KEY_SIGNS, keysShown, pressed } from './command-keys'
import { commandIds, commandWords, type CommandId } from './command-list'

/** The event of each way a command has by key, as a browser has it. */
function eventsOf(id: CommandId): KeyboardEvent[] {
  const ways = commandWords(id).keys?.split(' or ') ?? []
  return ways
    .filter((way) => way !== 'Arrows')
    .map((way) => {
      const parts = way.split(' ')
      const key = parts.at(-1) === 'Space' ? ' ' : (parts.at(-1) ?? '')
      const has = (modifier: string) => parts.slice(0, -1).includes(modifier)
      return {
        key: /^[A-Z]$/.test(key) ? key.toLowerCase() : key,
        code: /^[A-Z]$/.test(key) ? `Key${key}` : key,
        ctrlKey: has('Ctrl'),
        metaKey: false,
        altKey: has('Alt'),
        shiftKey: has('Shift'),
        target: null,
        defaultPrevented: false,
        preventDefault: vi.fn(),
      } as unknown as KeyboardEvent
    })
}
const keysOf = (part: string) =>
  KEY_SIGNS[{ Ctrl: 'meta', Space: ' ' }[part] ?? part.toLowerCase()]?.default.text
const keyed = commandIds().filter((id) => commandWords(id).keys)

describe('commands', () => {
  it.each(keyed)('%s has keys that nothing else has where it works', (id) => {
    const { where } = commandWords(id)
    const near = keyed.filter((other) => ['everywhere', where].includes(commandWords(other).where))
    for (const event of eventsOf(id)) {
      expect(near.filter((other) => pressed(event, other))).toEqual([id])
      if (event.ctrlKey) expect(pressed({ ...event, ctrlKey: false, metaKey: true }, id)).toBe(true)
      expect(pressed({ ...event, altKey: !event.altKey }, id)).toBe(false)
      expect(pressed({ ...event, ctrlKey: !event.ctrlKey }, id)).toBe(false)
    }
  })

  it.each(keyed)('%s is shown with a sign for each of its keys', (id) => {
    for (const way of commandWords(id).keys?.split(' or ') ?? [])
      for (const part of way.split(' ')) if (!/^(.|F\d+)$/.test(part)) expect(keysOf(part)).toBeDefined()
    expect(keysShown(id).join(' ')).not.toMatch(/meta|Arrow[A-Z]|Delete/)
  })

  it('are called by one name each where they stand', () => {
    const names = commandIds().map((id) => `${commandWords(id).where} ${commandWords(id).text}`)
    expect(new Set(names).size).toBe(names.length)
  })

  it('are done by who came last, until it goes, and by nobody when there is nothing to do', () => {
    const done: string[] = []
    const [below, above] = [effectScope(), effectScope()]
    below.run(() => useCommands({ undo: () => done.push('below'), redo: { run: () => 0, can: () => false } }))
    above.run(() => useCommands({ undo: () => done.push('above') }))
    const undo = itemAt(eventsOf('undo'), 0)
    runByKey(undo)
    expect(undo.preventDefault).toHaveBeenCalled()
    above.stop()
    runByKey(undo)
    // What something else has taken is not done again.
    runByKey({ ...undo, defaultPrevented: true })
    expect(done).toEqual(['above', 'below'])
    expect([canRun('undo'), canRun('redo')]).toEqual([true, false])
    expect(runCommand('redo')).toBeUndefined()
    below.stop()
    expect(canRun('undo')).toBe(false)
  })
})

import { effectScope } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { itemAt } from '../../core/base/items'
import { canRun, runByKey, runCommand, useCommands } from './commands'
import { KEY_SIGNS, shortcutTexts, matchesShortcut } from './command-keys'
import { commandIds, commandTexts, type CommandId } from './command-list'

/** The browser's event for each shortcut of a command. */
function eventsOf(id: CommandId): KeyboardEvent[] {
  const ways = commandTexts(id).keys?.split(' or ') ?? []
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
const keyed = commandIds().filter((id) => commandTexts(id).keys)

describe('commands', () => {
  it.each(keyed)('%s has keys that nothing else has where it works', (id) => {
    const { where } = commandTexts(id)
    const near = keyed.filter((other) => ['everywhere', where].includes(commandTexts(other).where))
    for (const event of eventsOf(id)) {
      expect(near.filter((other) => matchesShortcut(event, other))).toEqual([id])
      if (event.ctrlKey) expect(matchesShortcut({ ...event, ctrlKey: false, metaKey: true }, id)).toBe(true)
      expect(matchesShortcut({ ...event, altKey: !event.altKey }, id)).toBe(false)
      expect(matchesShortcut({ ...event, ctrlKey: !event.ctrlKey }, id)).toBe(false)
    }
  })

  it.each(keyed)('%s is shown with a sign for each of its keys', (id) => {
    for (const way of commandTexts(id).keys?.split(' or ') ?? [])
      for (const part of way.split(' ')) if (!/^(.|F\d+)$/.test(part)) expect(keysOf(part)).toBeDefined()
    expect(shortcutTexts(id).join(' ')).not.toMatch(/meta|Arrow[A-Z]|Delete/)
  })

  it('are called by one name each where they stand', () => {
    const names = commandIds().map((id) => `${commandTexts(id).where} ${commandTexts(id).text}`)
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
    // A handled event is not handled again.
    runByKey({ ...undo, defaultPrevented: true })
    expect(done).toEqual(['above', 'below'])
    expect([canRun('undo'), canRun('redo')]).toEqual([true, false])
    expect(runCommand('redo')).toBeUndefined()
    below.stop()
    expect(canRun('undo')).toBe(false)
  })
})

import { t } from '../../messages/page'
import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref } from 'vue'
import { keyByCode } from '../../core/hid/keyboard-page'
import { isModifierUsage } from '../../core/hid/modifiers'
import { useHeldEscape } from '../shared/held-escape'
import { keyAction } from '../../core/text/context'
import type { Action } from '../../core/document/schema'

/**
 * Captures a key or chord from the person's own keyboard: modifiers while they are held, complete with the first other
 * key, or with a modifier that is released alone. In sequential mode, a modifier stays until it is pressed again;
 * {@link finishNow} uses the last of them as the key. If the browser supports it, reserved keys (Tab, the system key)
 * are captured too. Escape cancels; held for a while, it is captured.
 */
export function useCapture(done: (action: Action) => void, inTurn: () => boolean) {
  const capturing = ref(false)
  const held = ref<string[]>([])
  const problem = ref<string>()

  async function start(): Promise<void> {
    held.value = []
    problem.value = undefined
    capturing.value = true
    await lockKeyboard('lock').catch(() => {})
  }

  function stop(): void {
    capturing.value = false
    void lockKeyboard('unlock').catch(() => {})
  }

  const escape = useHeldEscape({ held: () => finish('Escape'), left: stop })

  function finish(code: string): void {
    stop()
    done(keyAction(code, held.value))
  }

  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (!capturing.value) return
      event.preventDefault()
      event.stopPropagation()
      if (event.repeat) return
      if (event.code === 'Escape' && held.value.length === 0) return escape.down()
      const key = keyByCode(event.code)
      if (!key) problem.value = t('buttons.thisKeyCannotBeBound', { value: event.code || 'unnamed' })
      else if (isModifierUsage(key.usage)) {
        const others = held.value.filter((code) => code !== key.code)
        held.value = others.length < held.value.length ? others : [...others, key.code]
      } else finish(key.code)
    },
    { capture: true },
  )
  useEventListener(
    'keyup',
    (event: KeyboardEvent) => {
      if (!capturing.value) return
      if (event.code === 'Escape') escape.up()
      if (inTurn() || !held.value.includes(event.code)) return
      event.preventDefault()
      event.stopPropagation()
      finish(event.code)
    },
    { capture: true },
  )
  useEventListener('blur', stop)
  onScopeDispose(stop)

  /** Ends a sequential capture with its last modifier as the key. */
  function finishNow(): void {
    const key = held.value.at(-1)
    if (key === undefined) return stop()
    held.value = held.value.slice(0, -1)
    finish(key)
  }

  return { capturing, held, problem, start, stop, finishNow }
}

/**
 * Keyboard Lock (WICG): in full screen, reserved keys of the system reach the page. Not every browser has it, and no
 * library has its types yet.
 */
async function lockKeyboard(how: 'lock' | 'unlock'): Promise<void> {
  const keyboard: unknown = 'keyboard' in navigator ? navigator.keyboard : undefined
  if (typeof keyboard !== 'object' || keyboard === null) return
  const act: unknown = Reflect.get(keyboard, how)
  if (typeof act === 'function') await Reflect.apply(act, keyboard, [])
}

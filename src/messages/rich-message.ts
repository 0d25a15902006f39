import { h, type FunctionalComponent, type VNodeChild } from 'vue'
import type { Fact } from './facts/fact'
import type { MessageKey } from './message'
import { messageParts } from './page'

/**
 * A message with markup: each slot replaces the placeholder of its name, and facts replace the others. The sentence
 * stays whole in the catalogue, so that translations can move the markup.
 */
export const RichMessage: FunctionalComponent<{
  message: MessageKey
  facts?: Readonly<Record<string, Fact>>
  tag?: string
}> = ({ message, facts = {}, tag }, { slots }): VNodeChild => {
  const names = Object.keys(slots)
  const parts = messageParts(message, facts, names).map((part) =>
    typeof part === 'string' ? part : slots[part.slot]?.(),
  )
  return tag ? h(tag, parts) : parts
}
RichMessage.props = ['message', 'facts', 'tag']

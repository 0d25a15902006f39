import type { LayerColour } from '../document/schema'
import { message, type Message } from '../message/message'

/** The names of the colours of layers. */
export const COLOUR_NAMES: Record<LayerColour, Message> = {
  indigo: message('differences.indigo'),
  sky: message('differences.sky'),
  violet: message('differences.violet'),
  slate: message('differences.slate'),
  ultramarine: message('differences.ultramarine'),
  lavender: message('differences.lavender'),
  steel: message('differences.steel'),
}

import { itemAt } from '../base/items'
import { readAction, writeAction } from '../actions/records'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import {
  emptyLayer,
  MAX_SIGNAL,
  MAX_UPPER_LAYERS,
  POLLING_UNIT_HZ,
  SECTION,
  type ImageLayer,
  type TargetNumbers,
  type OnboardImage,
} from './image'
import { readLightStack, writeLightStack } from './light-stack'
import { readZoneLight } from './light-zones'
import { getOrAddMacro, checkMacroNumber, writeMacroNames, writeMacros } from './macro-section'
import { readSettings, writeSettings } from './settings-section'
import { readSteps, writeSteps } from './steps-section'
import { message, type Message } from '../message/message'

/** Writers and readers of all sections. */

/** Parts of the image that have been read so far. */
export type ReadParts = Set<string>

/** Records that a part was read. @throws ImageError if it was read before */
export function markRead(said: ReadParts, part: Message): void {
  const id = partId(part)
  if (said.has(id)) throw new ImageError(message('images.listedTwice', { part }))
  said.add(id)
}

const partId = (part: Message): string => JSON.stringify(part)

export function sectionsOf(image: OnboardImage): { type: number; payload: Uint8Array }[] {
  return [
    { type: SECTION.name, payload: new TextEncoder().encode(image.name) },
    ...image.layers.flatMap((layer, index) =>
      layer.bindings.size > 0 ? [{ type: SECTION.bindings, payload: writeLayer(index, layer) }] : [],
    ),
    ...(image.layersListed ? [{ type: SECTION.layers, payload: writeLayerTable(image.layers) }] : []),
    { type: SECTION.macros, payload: writeMacros(image.macros) },
    { type: SECTION.steps, payload: writeSteps(image.steps, image.defaultStep) },
    { type: SECTION.polling, payload: writePolling(image) },
    { type: SECTION.light, payload: image.light ? writeLightStack(image.light) : new Uint8Array() },
    { type: SECTION.settings, payload: writeSettings(image.settings, image.settingsKept) },
    { type: SECTION.names, payload: writeNames(image.names) },
    { type: SECTION.made, payload: writeMade(image.made) },
    { type: SECTION.macroNames, payload: writeMacroNames(image.macros) },
    {
      type: SECTION.stepNames,
      payload: writeNumbered(image.stepNames.map(({ step, name }) => [step, name])),
    },
    {
      type: SECTION.lightNames,
      payload: writeNumbered(image.lightNames.map(({ entry, name }) => [entry, name])),
    },
    {
      type: SECTION.revision,
      payload: image.revision > 0 ? Uint8Array.of(image.revision) : new Uint8Array(),
    },
    ...image.unknown,
  ].filter(({ type, payload }) => payload.length > 0 || type === SECTION.layers || !KNOWN_SECTIONS.has(type))
}

/** Types of known sections. */
export const KNOWN_SECTIONS: ReadonlySet<number> = new Set<number>(Object.values(SECTION))

type SectionReader = (image: OnboardImage, payload: ByteReader, said: ReadParts) => void

export const sectionReaders: Record<number, SectionReader | undefined> = {
  [SECTION.name]: (image, payload) => {
    image.name = payload.text()
  },
  [SECTION.bindings]: readLayer,
  [SECTION.steps]: (image, payload) => Object.assign(image, readSteps(payload)),
  [SECTION.stepNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const step = payload.u8()
      markRead(said, message('images.stepName', { step }))
      image.stepNames.push({ step, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.settings]: (image, payload) => {
    const { settings, kept } = readSettings(payload)
    Object.assign(image, { settings, settingsKept: kept })
  },
  [SECTION.revision]: (image, payload) => {
    image.revision = payload.u8()
  },
  [SECTION.polling]: (image, payload, said) => {
    while (payload.left > 0) {
      const connection = payload.u8()
      markRead(said, message('images.connectionRate', { connection }))
      image.polling.push({ connection, rateHz: payload.u8() * POLLING_UNIT_HZ })
    }
  },
  /** Light of images up to 1.1; section 9 takes precedence. */
  [SECTION.zoneLight]: (image, payload) => {
    const entries = readZoneLight(payload)
    image.light ??= entries
  },
  [SECTION.light]: (image, payload) => {
    image.light = readLightStack(payload)
  },
  [SECTION.lightNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const entry = payload.u8()
      markRead(said, message('images.effectName', { effect: entry }))
      image.lightNames.push({ entry, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.layers]: (image, payload, said) => {
    image.layersListed = true
    while (payload.left > 0) {
      const number = payload.u8()
      const layer = layerAt(image, number)
      markRead(said, listedAs(number))
      const properties = payload.sub(payload.varint())
      layer.colour = properties.u8()
      const signal = properties.u8()
      layer.signal = signal > MAX_SIGNAL ? 0 : signal
      layer.name = properties.text()
    }
  },
  [SECTION.names]: (image, payload, said) => {
    while (payload.left > 0) {
      const [layer, input] = [payload.u8(), payload.u8()]
      markRead(said, message('images.inputName', { input, layer }))
      image.names.push({ layer, input, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.macros]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = checkMacroNumber(payload.u8())
      markRead(said, message('images.macro', { macro: number }))
      getOrAddMacro(image.macros, number).code = payload.sub(payload.varint()).rest().slice()
    }
  },
  [SECTION.macroNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = checkMacroNumber(payload.u8())
      markRead(said, message('images.macroName', { macro: number }))
      getOrAddMacro(image.macros, number).name = payload.sub(payload.varint()).text()
    }
  },
  [SECTION.made]: (image, payload) => {
    image.made = { system: payload.u8(), layout: payload.u8Or(0), hand: payload.u8Or(0) }
  },
}

/**
 * For each layer above the base, and for a base layer that differs from the factory's: its number, and the length of
 * its properties, which may grow.
 */
function writeLayerTable(layers: readonly ImageLayer[]): Uint8Array {
  const writer = new ByteWriter()
  layers.forEach((layer, index) => {
    if (index === 0 && !hasBaseLayerData(layer, index)) return
    const { colour, signal, name } = layer
    const text = new TextEncoder().encode(name)
    writer.u8(index)
    writer.varint(2 + text.length)
    writer.bytes([colour, signal, ...text])
  })
  return writer.toBytes()
}

/** Whether the base layer has its own name, colour or signal. */
export const hasBaseLayerData = ({ name, colour, signal }: ImageLayer, index: number): boolean =>
  index === 0 && (name !== '' || colour !== 0 || signal !== 0)

function writeNames(names: OnboardImage['names']): Uint8Array {
  const writer = new ByteWriter()
  for (const { layer, input, name } of names) {
    writer.bytes([layer, input])
    writer.text(name)
  }
  return writer.toBytes()
}

function writeNumbered(names: readonly [place: number, name: string][]): Uint8Array {
  const writer = new ByteWriter()
  for (const [place, name] of names) {
    writer.u8(place)
    writer.text(name)
  }
  return writer.toBytes()
}

const writeMade = ({ system, layout, hand }: TargetNumbers): Uint8Array =>
  system === 0 && layout === 0 && hand === 0 ? new Uint8Array() : Uint8Array.of(system, layout, hand)

function writeLayer(index: number, layer: ImageLayer): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(index)
  for (const [input, action] of [...layer.bindings].sort(([a], [b]) => a - b)) {
    writer.u8(input)
    writeAction(writer, action)
  }
  return writer.toBytes()
}

function readLayer(image: OnboardImage, payload: ByteReader, said: ReadParts): void {
  const number = payload.u8()
  const { bindings } = layerAt(image, number)
  markRead(said, message('images.layerBindings', { layer: number }))
  while (payload.left > 0) {
    const input = payload.u8()
    markRead(said, message('images.input', { input, layer: number }))
    bindings.set(input, readAction(payload))
  }
}

function layerAt(image: OnboardImage, index: number): ImageLayer {
  if (index > MAX_UPPER_LAYERS)
    throw new ImageError(message('images.layerNumber', { layer: index, max: MAX_UPPER_LAYERS }))
  while (image.layers.length <= index) image.layers.push(emptyLayer())
  return itemAt(image.layers, index)
}

function writePolling(image: OnboardImage): Uint8Array {
  return Uint8Array.from(
    image.polling.flatMap(({ connection, rateHz }) => [connection, rateHz / POLLING_UNIT_HZ]),
  )
}

/** If layers are listed, bindings of other layers are invalid. */
export function rejectUnlistedLayers(image: OnboardImage, said: ReadParts): void {
  if (!image.layersListed) return
  const missing = image.layers.findIndex((_, layer) => layer > 0 && !said.has(partId(listedAs(layer))))
  if (missing > 0) throw new ImageError(message('images.layerNotListed', { layer: missing }))
}

const listedAs = (layer: number): Message => message('images.listedLayer', { layer })

import { itemAt } from '../base/items'
import { readAction, writeAction } from '../actions/records'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import {
  emptyLayer,
  MOST_SIGNAL,
  MOST_UPPER_LAYERS,
  POLLING_UNIT_HZ,
  SECTION,
  type ImageLayer,
  type MadeFor,
  type OnboardImage,
} from './image'
import { readLightStack, writeLightStack } from './light-stack'
import { readZoneLight } from './light-zones'
import { macroAt, macroNumber, writeMacroNames, writeMacros } from './macro-section'
import { readSettings, writeSettings } from './settings-section'
import { readSteps, writeSteps } from './steps-section'

/** How each section is written, and how it is read. */

/** What an image has said so far. */
export type Said = Set<string>

/** Remembers that something was said. @throws ImageError when it was said before */
export function once(said: Said, what: string): void {
  if (said.has(what)) throw new ImageError(`${what}: there twice`)
  said.add(what)
}

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

/** Types of sections this version knows. */
export const KNOWN_SECTIONS: ReadonlySet<number> = new Set<number>(Object.values(SECTION))

type SectionReader = (image: OnboardImage, payload: ByteReader, said: Said) => void

export const sectionReaders: Record<number, SectionReader | undefined> = {
  [SECTION.name]: (image, payload) => {
    image.name = payload.text()
  },
  [SECTION.bindings]: readLayer,
  [SECTION.steps]: (image, payload) => Object.assign(image, readSteps(payload)),
  [SECTION.stepNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const step = payload.u8()
      once(said, `the name of step ${step}`)
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
      once(said, `the rate of connection ${connection}`)
      image.polling.push({ connection, rateHz: payload.u8() * POLLING_UNIT_HZ })
    }
  },
  /** Light of images up to 1.1; where section 9 is there too, that counts. */
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
      once(said, `the name of effect ${entry}`)
      image.lightNames.push({ entry, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.layers]: (image, payload, said) => {
    image.layersListed = true
    while (payload.left > 0) {
      const number = payload.u8()
      const layer = layerAt(image, number)
      once(said, listedAs(number))
      const properties = payload.sub(payload.varint())
      layer.colour = properties.u8()
      const signal = properties.u8()
      layer.signal = signal > MOST_SIGNAL ? 0 : signal
      layer.name = properties.text()
    }
  },
  [SECTION.names]: (image, payload, said) => {
    while (payload.left > 0) {
      const [layer, input] = [payload.u8(), payload.u8()]
      once(said, `the name of input ${input} on layer ${layer}`)
      image.names.push({ layer, input, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.macros]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = macroNumber(payload.u8())
      once(said, `macro ${number}`)
      macroAt(image.macros, number).code = payload.sub(payload.varint()).rest().slice()
    }
  },
  [SECTION.macroNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = macroNumber(payload.u8())
      once(said, `the name of macro ${number}`)
      macroAt(image.macros, number).name = payload.sub(payload.varint()).text()
    }
  },
  [SECTION.made]: (image, payload) => {
    image.made = { system: payload.u8(), layout: payload.u8Or(0), hand: payload.u8Or(0) }
  },
}

/**
 * For each layer over the base, and the base layer where it is not called as the factory calls it: its number, and a
 * length before its properties, which may grow.
 */
function writeLayerTable(layers: readonly ImageLayer[]): Uint8Array {
  const writer = new ByteWriter()
  layers.forEach((layer, index) => {
    if (index === 0 && !saysBase(layer, index)) return
    const { colour, signal, name } = layer
    const text = new TextEncoder().encode(name)
    writer.u8(index)
    writer.varint(2 + text.length)
    writer.bytes([colour, signal, ...text])
  })
  return writer.toBytes()
}

/** Whether the base layer has a name, a colour or a signal of its own. */
export const saysBase = ({ name, colour, signal }: ImageLayer, index: number): boolean =>
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

const writeMade = ({ system, layout, hand }: MadeFor): Uint8Array =>
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

function readLayer(image: OnboardImage, payload: ByteReader, said: Said): void {
  const number = payload.u8()
  const { bindings } = layerAt(image, number)
  once(said, `the bindings of layer ${number}`)
  while (payload.left > 0) {
    const input = payload.u8()
    once(said, `input ${input} on layer ${number}`)
    bindings.set(input, readAction(payload))
  }
}

function layerAt(image: OnboardImage, index: number): ImageLayer {
  if (index > MOST_UPPER_LAYERS) throw new ImageError(`layer ${index}: layers go up to ${MOST_UPPER_LAYERS}`)
  while (image.layers.length <= index) image.layers.push(emptyLayer())
  return itemAt(image.layers, index)
}

function writePolling(image: OnboardImage): Uint8Array {
  return Uint8Array.from(
    image.polling.flatMap(({ connection, rateHz }) => [connection, rateHz / POLLING_UNIT_HZ]),
  )
}

/** Where the layers are listed, bindings of another have no place. */
export function refuseUnlisted(image: OnboardImage, said: Said): void {
  if (!image.layersListed) return
  const missing = image.layers.findIndex((_, layer) => layer > 0 && !said.has(listedAs(layer)))
  if (missing > 0)
    throw new ImageError(`layer ${missing} is not in the list of layers, and one that needs it is there`)
}

const listedAs = (layer: number): string => `layer ${layer} in the list`

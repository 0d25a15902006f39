import type { DeviceModel } from '../device/model'
import type { TextOf } from '../message/message'
import { lightsIn } from '../edits/light-edits'
import { lightsOfModel, rowsOfLights } from '../light/plan'
import { lightName } from './light-messages'

/** The lights named in a text, and its last part that is not a name. */
export interface ParsedLights {
  lights: string[]
  unknown?: string
}

/**
 * Parses names of lights, separated by commas or spaces: `spine 1-3`, `w a s d`, `thumb 4`, `row 2`, a zone. Case does
 * not matter.
 */
export function parseLights(text: string, model: DeviceModel, textOf: TextOf): ParsedLights {
  const parts = text.split(',').flatMap((part) => wordsOf(part.trim().toLowerCase(), model, textOf))
  const found = parts.map((part) => namedBy(part, model, textOf))
  const unknown = parts.findLast((_, index) => found[index]?.length === 0)
  return { lights: found.flat(), ...(unknown !== undefined && { unknown }) }
}

/** A range or a single name, or its single words. */
const wordsOf = (text: string, model: DeviceModel, textOf: TextOf): string[] =>
  namedBy(text, model, textOf).length > 0 ? [text] : text.split(/\s+/)

function namedBy(text: string, model: DeviceModel, textOf: TextOf): string[] {
  const inZone = (name: string | undefined): string[] =>
    model.zones
      .filter((zone) => textOf(zone.name).toLowerCase() === name)
      .flatMap(({ id }) => lightsIn(model, { kind: 'zones', zones: [id] }))
  const range = /^(.*?)\s*(\d+)\s*-\s*(\d+)$/.exec(text)
  if (range) return inZone(range[1]).slice(Number(range[2]) - 1, Number(range[3]))
  const row = /^row\s*(\d+)$/.exec(text)
  if (row) return rowsOfLights(model)[Number(row[1]) - 1] ?? []
  const zone = inZone(text)
  if (zone.length > 0) return zone
  return lightsOfModel(model).flatMap((light) =>
    textOf(lightName(light, model)).toLowerCase() === text ? light.id : [],
  )
}

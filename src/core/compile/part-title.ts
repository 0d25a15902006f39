import { message, type Message } from '../message/message'

const TITLES: Record<string, Message | undefined> = {
  motion: message('differences.motionPart'),
  light: message('differences.lightPart'),
  profile: message('differences.profilePart'),
}

/**
 * The title of a part of a profile, as returned by `partOf` in compile/apply-differences.ts.
 *
 * @param layers names of all layers, the base first
 */
export function partTitle(part: string, layers: readonly string[]): Message {
  const [, place = ''] = /^layer:(\d+)$/.exec(part) ?? []
  return (
    TITLES[part] ??
    (Number(place) === 0
      ? message('differences.buttonsPart')
      : message('differences.layer', { layer: layers[Number(place)] ?? place }))
  )
}

import { ACTIONS, type ActionName } from '../actions/registry'
import { compareVersions, FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import { SETTINGS } from '../document/device-settings'
import { EVENT_NAMES, EVENTS } from '../document/event-kinds'
import { macrosWithin } from '../document/macro'
import { macrosUsed } from '../terms/profile'
import { isDocumentAction } from '../terms/onboard-terms'
import type { Action, Profile, StackedEffect } from '../document/schema'
import { DOCUMENT_ACTIONS } from '../document/document-actions'
import { CONDITIONS } from '../effects/conditions'
import { EFFECTS } from '../effects/registry'
import { SETTING_KINDS } from '../onboard/settings'
import { actionMessage } from '../text/action-text'
import { type ActionContext } from '../text/context'
import { message, type MessageFact } from '../message/message'
import { CONDITION_MESSAGES, EFFECT_MESSAGES } from '../wording/effect-messages'

/** A part of a profile that only newer firmware supports. */
export interface FirmwareNeed {
  what: MessageFact
  since: FirmwareVersion
}

/** Parts of a profile that a device with this version ignores, each once. */
export function unsupportedParts(
  profile: Profile,
  context: ActionContext,
  version: FirmwareVersion,
): FirmwareNeed[] {
  const effects = profile.light.filter((item): item is StackedEffect => item.kind === 'effect')
  const needs: FirmwareNeed[] = [
    ...effects.map(({ effect: { kind } }) => ({
      what: EFFECT_MESSAGES[kind].name,
      since: EFFECTS[kind].since,
    })),
    ...effects.flatMap(({ when: { kind } }) =>
      kind === 'always' ? [] : { what: CONDITION_MESSAGES[kind], since: CONDITIONS[kind].since },
    ),
    ...actionsIn(profile).flatMap((action) => {
      const since = sinceOf(action)
      return since ? { what: actionMessage(action, context), since } : []
    }),
    ...SETTINGS.filter(({ key }) => profile.settings[key] !== undefined).map(({ key, name }) => ({
      what: name,
      since: SETTING_KINDS[key].since,
    })),
    ...macrosUsed(profile).flatMap((id) => eventNeeds(id, context)),
  ]
  const passed = needs.filter(({ since }) => compareVersions(since, version) > 0)
  return [...new Map(passed.map((need) => [JSON.stringify(need.what), need])).values()]
}

/** The firmware needed for the events of a macro and of those it plays. Usually the first firmware is enough. */
function eventNeeds(id: string, { macros }: ActionContext): FirmwareNeed[] {
  if (LATER_EVENTS.length === 0) return []
  const playing = [id, ...macrosWithin(id, macros).ids].flatMap((each) => macros.get(each) ?? [])
  return playing.flatMap(({ name, events }) =>
    LATER_EVENTS.filter((kind) => events.some((event) => event.kind === kind)).map((kind) => ({
      what: message('differences.macro', { macro: name }),
      since: EVENTS[kind].since,
    })),
  )
}

const LATER_EVENTS = EVENT_NAMES.filter((name) => compareVersions(EVENTS[name].since, FIRST_FIRMWARE) > 0)

const actionsIn = ({ layers }: Profile): Action[] =>
  layers.flatMap(({ bindings }) =>
    Object.values(bindings).flatMap(({ action }) =>
      action.kind === 'tap-hold' ? [action, action.tap, action.hold] : action,
    ),
  )

/** The first firmware that supports an action; unknown for an action from a later version. */
function sinceOf(action: Action): FirmwareVersion | undefined {
  const name: ActionName | 'unknown' = isDocumentAction(action)
    ? DOCUMENT_ACTIONS[action.kind].of
    : action.kind
  return name === 'unknown' ? undefined : ACTIONS[name].since
}

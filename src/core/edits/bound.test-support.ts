import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import type { Action, Profile } from '../document/schema'
import { bindAll } from './edits'

/** A profile with up to three actions on the base layer, on inputs that every tested mouse has. */
export const boundOn = (profile: Profile, model: DeviceModel, ...actions: Action[]): Profile =>
  bindAll(
    profile,
    model,
    actions.map((put, at) => ({
      layer: 0,
      input: itemAt(['side-front', 'side-rear', 'wheel-press'], at),
      put,
    })),
  )

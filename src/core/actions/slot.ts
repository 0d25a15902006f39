import { action } from './action'

/** Another slot of the device. */
export const slot = action({
  code: 6,
  parameters: { to: { kind: 'target' } },
  start: ({ to }, reach) => reach.goToSlot(to),
})

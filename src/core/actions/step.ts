import { action } from './action'

/** Another sensitivity step. */
export const step = action({
  code: 5,
  parameters: { to: { kind: 'target' } },
  start: ({ to }, reach) => reach.goToStep(to),
})

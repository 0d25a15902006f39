import { action } from './action'

/** Ends every macro, and what is being typed. */
export const stopMacros = action({ code: 16, parameters: {}, start: (_, reach) => reach.stopAll() })

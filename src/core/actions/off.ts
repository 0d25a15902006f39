import { action } from './action'

/** Does nothing, where a layer below or the factory would. */
export const off = action({ code: 0, parameters: {} })

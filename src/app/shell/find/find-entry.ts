import type { Findable } from '../../../core/find/rank'
import type { CommandId } from '../../shared/command-list'

/** A result of Find, and the effect of selecting it. */
export interface FindEntry extends Findable {
  /** The command with the same effect by keys. */
  command?: CommandId
  run: () => unknown
}

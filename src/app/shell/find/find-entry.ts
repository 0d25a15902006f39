import type { Findable } from '../../../core/find/rank'
import type { CommandId } from '../../shared/command-list'

/** A thing that can be found, and what selecting it does. */
export interface FindEntry extends Findable {
  /** The command that does the same by keys. */
  command?: CommandId
  run: () => unknown
}

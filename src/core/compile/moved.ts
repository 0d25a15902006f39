/** What became of one thing of a profile on another model. */
export interface Moved {
  what: string
  fate: 'fits' | 'changed' | 'left out'
  /** What it is now, or why it is left out. */
  how: string
  /** The layer a binding is in, by its place. */
  layer?: number
}

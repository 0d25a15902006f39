/** A value that a message shows. */
export type Fact = string | number | undefined

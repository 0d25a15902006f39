/** Parts of the images of docs/vectors. */

export type Section = [type: number, payload: (number | string)[]]

export interface Case {
  about: string
  /** Sections of an otherwise complete image, or all of its bytes. */
  image: Section[] | Uint8Array
}

/** Head of a tagged record with a short payload. */
export const tag = (code: number, length: number): number => (code << 3) | length

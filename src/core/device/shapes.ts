import type { Shape } from './model'

/** Shorthands for the outlines of a drawing; all in the millimetres of their view. */

export const path = (d: string): Shape => ({ kind: 'path', d })
export const line = (d: string, width: number): Shape => ({ kind: 'line', d, width })
export const circle = (x: number, y: number, radius: number): Shape => ({ kind: 'circle', x, y, radius })
export const rect = (x: number, y: number, width: number, height: number, radius: number): Shape => ({
  ...{ kind: 'rect', x, y, width, height, radius },
})

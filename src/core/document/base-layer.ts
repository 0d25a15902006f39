import { itemAt } from '../base/items'

/** The base layer: the first, which every profile and every image has. */
export const baseLayer = <Layer>({ layers }: { layers: readonly Layer[] }): Layer => itemAt(layers, 0)

import { itemAt } from '../base/items'

/** The base layer: the first layer of every profile and image. */
export const baseLayer = <Layer>({ layers }: { layers: readonly Layer[] }): Layer => itemAt(layers, 0)

import { itemAt } from '../core/base/items'
import { LIGHT_OF_DRIVE, MAX_LIGHT, nearestDrive } from '../core/effects/fixed'
import type { DeviceModel, Shape } from '../core/device/model'
import { boxOf, type Box } from '../core/device/shapes'
import { lightsOfModel } from '../core/light/plan'

/**
 * Paints the lights of a device: each lamp in its shape, and its glow on the body. The glow is computed as light in
 * cells of two millimetres and drawn enlarged, which takes a few thousand additions per frame, whatever the size on
 * screen.
 */
const CELL_MM = 2
/** A glow ends at three times its width. */
const GLOW_MM = 3.4
const GLOW_REACH = Math.ceil((3 * GLOW_MM) / CELL_MM)
/** Share of a lamp's light that reaches an adjacent cell. */
const GLOW_PART = 0.3
/** Cells around the outermost lamps, for their glow. */
const RIM = GLOW_REACH + 1

interface Lamp {
  light: number
  shape: Shape
  /** The bounding box of the shape in its view. */
  box: Box
  /** Offset of its view in the painted area, in mm. */
  dx: number
  dy: number
  cells: Int32Array
  weights: Float32Array
}

/** The lit part of the sheet, in cells, and its start on the sheet in mm. */
export interface LightPainting {
  left: number
  top: number
  width: number
  height: number
  widthMm: number
  heightMm: number
  lamps: readonly Lamp[]
  light: Float32Array
  pixels: ImageData
}

export function lightPainting(model: DeviceModel): LightPainting {
  const placed = lightsOfModel(model).flatMap(({ shapes }, light) =>
    shapes.map(({ view, shape }) => {
      const [dx, dy] = model.sheet.views.find(({ id }) => id === view)?.at ?? [0, 0]
      const box = boxOf(shape)
      return { light, shape, dx, dy, box: { ...box, x: box.x + dx, y: box.y + dy } }
    }),
  )
  const boxes = placed.map(({ box }) => box)
  const left = Math.floor(Math.min(...boxes.map(({ x }) => x)) / CELL_MM - RIM) * CELL_MM
  const top = Math.floor(Math.min(...boxes.map(({ y }) => y)) / CELL_MM - RIM) * CELL_MM
  const right = Math.max(...boxes.map(({ x, width }) => x + width))
  const bottom = Math.max(...boxes.map(({ y, height }) => y + height))
  const width = Math.ceil((right - left) / CELL_MM) + RIM
  const height = Math.ceil((bottom - top) / CELL_MM) + RIM
  return {
    left,
    top,
    width,
    height,
    widthMm: width * CELL_MM,
    heightMm: height * CELL_MM,
    lamps: placed.map(({ light, shape, dx, dy, box }): Lamp => {
      const inCells = { ...box, x: box.x - left, y: box.y - top }
      return {
        light,
        shape,
        box: boxOf(shape),
        dx: dx - left,
        dy: dy - top,
        ...glowOf(inCells, width, height),
      }
    }),
    light: new Float32Array(3 * width * height),
    pixels: new ImageData(width, height),
  }
}

function glowOf(box: Box, width: number, height: number) {
  const cells: number[] = []
  const weights: number[] = []
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  const cell = (mm: number) => Math.floor(mm / CELL_MM)
  const [wide, high] = [box.width / 2, box.height / 2]
  for (let row = cell(y - high) - GLOW_REACH; row <= cell(y + high) + GLOW_REACH; row++)
    for (let column = cell(x - wide) - GLOW_REACH; column <= cell(x + wide) + GLOW_REACH; column++) {
      if (row < 0 || column < 0 || row >= height || column >= width) continue
      const offX = Math.max(0, Math.abs((column + 0.5) * CELL_MM - x) - wide)
      const offY = Math.max(0, Math.abs((row + 0.5) * CELL_MM - y) - high)
      const weight = GLOW_PART * Math.exp(-(offX * offX + offY * offY) / (2 * GLOW_MM * GLOW_MM))
      if (weight < 0.004) continue
      cells.push(row * width + column)
      weights.push(weight)
    }
  return { cells: Int32Array.from(cells), weights: Float32Array.from(weights) }
}

/** Adds up the glow of a frame and converts it to pixels: the colour at full level, with its strength as opacity. */
function addGlow({ light, lamps, pixels }: LightPainting, drives: Uint8Array): void {
  light.fill(0)
  for (const { light: index, cells, weights } of lamps) {
    const red = LIGHT_OF_DRIVE[drives[3 * index] ?? 0] ?? 0
    const green = LIGHT_OF_DRIVE[drives[3 * index + 1] ?? 0] ?? 0
    const blue = LIGHT_OF_DRIVE[drives[3 * index + 2] ?? 0] ?? 0
    if (red + green + blue === 0) continue
    for (let at = 0; at < cells.length; at++) {
      const cell = 3 * (cells[at] ?? 0)
      light[cell] = (light[cell] ?? 0) + red * (weights[at] ?? 0)
      light[cell + 1] = (light[cell + 1] ?? 0) + green * (weights[at] ?? 0)
      light[cell + 2] = (light[cell + 2] ?? 0) + blue * (weights[at] ?? 0)
    }
  }
  const { data } = pixels
  for (let cell = 0, pixel = 0; cell < light.length; cell += 3, pixel += 4) {
    const max = Math.max(light[cell] ?? 0, light[cell + 1] ?? 0, light[cell + 2] ?? 0)
    if (max < 1) {
      data[pixel + 3] = 0
      continue
    }
    for (let channel = 0; channel < 3; channel++)
      data[pixel + channel] = nearestDrive(Math.floor(((light[cell + channel] ?? 0) / max) * MAX_LIGHT))
    data[pixel + 3] = nearestDrive(Math.min(MAX_LIGHT, Math.floor(max)))
  }
}

/**
 * Two canvases over the drawing: the glow, with one pixel per cell, which the browser enlarges, and above it the lamps
 * at full resolution.
 */
export interface Easel {
  glow: CanvasRenderingContext2D
  lamps: CanvasRenderingContext2D
  paths: Path2D[]
  /** px per mm of the canvas of the lamps. */
  scale: number
  /** Indices of lamps so close to each other that they must be cleared together. */
  groups: number[][]
  /** The LED levels with which each lamp was last painted, as one number; none while its canvas is empty. */
  painted: Int32Array
}

export function easelOf(
  { glow, lamps }: { glow: HTMLCanvasElement; lamps: HTMLCanvasElement },
  painting: LightPainting,
  scale: number,
): Easel | undefined {
  const contexts = [glow.getContext('2d'), lamps.getContext('2d')]
  if (!contexts[0] || !contexts[1]) return undefined
  return {
    glow: contexts[0],
    lamps: contexts[1],
    paths: painting.lamps.map(({ shape }) => pathOf(shape)),
    scale,
    groups: groupsOf(painting.lamps, 1 / scale),
    painted: new Int32Array(painting.lamps.length).fill(EMPTY),
  }
}

function pathOf(shape: Shape): Path2D {
  if (shape.kind === 'path' || shape.kind === 'line') return new Path2D(shape.d)
  const path = new Path2D()
  if (shape.kind === 'circle') path.arc(shape.x, shape.y, shape.radius, 0, 2 * Math.PI)
  else path.roundRect(shape.x, shape.y, shape.width, shape.height, shape.radius)
  return path
}

/** The colour of a light that is off. */
const COVER = '#11151b'

/** A lamp itself is slightly paler than its glow. */
const inLamp = (drive: number): number => Math.round(drive + (255 - drive) * PALER)
const PALER = 0.28

const EMPTY = -1

/** Lamps within twice an edge of each other, in chains. @param edge mm */
function groupsOf(lamps: readonly Lamp[], edge: number): number[][] {
  const left = new Set(lamps.keys())
  const near = (a: Lamp, b: Lamp) => {
    const [x, y] = [b.box.x + b.dx - a.box.x - a.dx, b.box.y + b.dy - a.box.y - a.dy]
    const room = 2 * edge
    return (
      x < a.box.width + room && -x < b.box.width + room && y < a.box.height + room && -y < b.box.height + room
    )
  }
  return [...lamps.keys()].flatMap((first) => {
    if (!left.delete(first)) return []
    const group = [first]
    for (const one of group)
      for (const other of left)
        if (near(itemAt(lamps, one), itemAt(lamps, other)) && left.delete(other)) group.push(other)
    return [group]
  })
}

/** Paints the glow of a frame, and the lamps that changed. */
export function paintLights(
  { glow, lamps, paths, scale, groups, painted }: Easel,
  painting: LightPainting,
  drives: Uint8Array,
): void {
  // Including a pixel around each, where its edge is between two.
  const edge = 1 / scale
  addGlow(painting, drives)
  glow.putImageData(painting.pixels, 0, 0)
  const drivesOf = (index: number) => {
    const at = 3 * itemAt(painting.lamps, index).light
    return [drives[at] ?? 0, drives[at + 1] ?? 0, drives[at + 2] ?? 0] as const
  }
  const litOf = (index: number) => drivesOf(index).reduce((lit, drive) => (lit << 8) | drive, 0)
  const place = ({ dx, dy }: Lamp) => lamps.setTransform(scale, 0, 0, scale, dx * scale, dy * scale)
  for (const group of groups) {
    if (group.every((index) => painted[index] === litOf(index))) continue
    for (const index of group) {
      const lamp = itemAt(painting.lamps, index)
      const { x, y, width, height } = lamp.box
      place(lamp)
      lamps.clearRect(x - edge, y - edge, width + 2 * edge, height + 2 * edge)
    }
    for (const index of group) {
      const [red, green, blue] = drivesOf(index)
      painted[index] = litOf(index)
      place(itemAt(painting.lamps, index))
      lamps.fillStyle = painted[index] === 0 ? COVER : `rgb(${inLamp(red)} ${inLamp(green)} ${inLamp(blue)})`
      lamps.fill(itemAt(paths, index))
    }
  }
}

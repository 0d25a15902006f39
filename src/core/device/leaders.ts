import { itemAt } from '../base/items'

/** Places the labels of a drawing so that they do not overlap and no two lines cross. */
export interface LeaderRequest {
  id: string
  /** The end of the line on the device, in px of the drawing. */
  anchor: { x: number; y: number }
  side: 'left' | 'right' | 'top'
}

export interface LabelBox {
  id: string
  side: LeaderRequest['side']
  /** Top left corner of the label, in px. */
  x: number
  y: number
  /** The start of the line at the label, in px. */
  from: { x: number; y: number }
  anchor: { x: number; y: number }
}

export interface LeaderFrame {
  width: number
  height: number
  labelWidth: number
  labelHeight: number
  gap: number
}

/**
 * Places labels in columns at the left and right edges and in a row along the top, each as close to its anchor as
 * possible. Labels whose lines would cross are swapped, even between edges.
 *
 * @throws never; labels of a column that is too full keep their order and move closer together
 */
export function placeLabels(requests: readonly LeaderRequest[], frame: LeaderFrame): LabelBox[] {
  const { width, height, labelWidth, labelHeight, gap } = frame
  const columnTop = requests.some(({ side }) => side === 'top') ? labelHeight + gap : 0
  const column = (side: 'left' | 'right'): LabelBox[] => {
    const own = requests.filter((request) => request.side === side).sort((a, b) => a.anchor.y - b.anchor.y)
    const x = side === 'left' ? 0 : width - labelWidth
    const wanted = own.map(({ anchor }) => anchor.y - labelHeight / 2)
    return spread(wanted, labelHeight, gap, columnTop, height).map((y, index) => ({
      id: itemAt(own, index).id,
      side,
      x,
      y,
      anchor: itemAt(own, index).anchor,
      from: { x: side === 'left' ? labelWidth : x, y: y + labelHeight / 2 },
    }))
  }
  const top = requests.filter((request) => request.side === 'top').sort((a, b) => a.anchor.x - b.anchor.x)
  const wanted = top.map(({ anchor }) => anchor.x - labelWidth / 2)
  const row = spread(wanted, labelWidth, gap, 0, width).map((x, index) => ({
    id: itemAt(top, index).id,
    side: 'top' as const,
    x,
    y: 0,
    anchor: itemAt(top, index).anchor,
    from: { x: x + labelWidth / 2, y: labelHeight },
  }))
  return uncrossed([...row, ...column('left'), ...column('right')])
}

/**
 * Swapping the ends of two crossing lines always makes them shorter together. Each swap therefore reduces the total
 * length, and the process ends; no lines cross at the minimum. (Boundary labelling by straight lines: Bekos, Kaufmann,
 * Symvonis and Wolff 2007.)
 */
function uncrossed(boxes: readonly LabelBox[]): LabelBox[] {
  const placed = [...boxes]
  for (let again = true; again;) {
    again = false
    for (let i = 0; i < placed.length; i++)
      for (let j = i + 1; j < placed.length; j++) {
        const [one, other] = [itemAt(placed, i), itemAt(placed, j)]
        if (!linesCross(one, other)) continue
        placed[i] = { ...one, id: other.id, anchor: other.anchor }
        placed[j] = { ...other, id: one.id, anchor: one.anchor }
        again = true
      }
  }
  return placed
}

type Point = LabelBox['anchor']

/** Whether two lines have an inner point in common. */
export function linesCross(
  one: Pick<LabelBox, 'from' | 'anchor'>,
  other: Pick<LabelBox, 'from' | 'anchor'>,
): boolean {
  const apart = (line: typeof one, a: Point, b: Point) =>
    turn(line.from, line.anchor, a) * turn(line.from, line.anchor, b) < -ALMOST_STRAIGHT
  return apart(one, other.from, other.anchor) && apart(other, one.from, one.anchor)
}

/** In px⁴: a point closer to a straight line than this counts as touching. */
const ALMOST_STRAIGHT = 1e-6

/** Twice the area of a triangle, positive if it is clockwise on a screen. */
const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/**
 * Positions of equal length along a line, in order and as close as possible to the wanted ones (least squares, by
 * pooling overlapping neighbours), within from..to.
 */
function spread(wanted: number[], length: number, gap: number, from: number, to: number): number[] {
  const room = to - from
  const pitch = Math.min(length + gap, wanted.length > 1 ? (room - length) / (wanted.length - 1) : room)
  const pools: { start: number; count: number }[] = []
  wanted.forEach((position, index) => {
    let pool = { sum: position, start: position, count: 1 }
    for (let last = pools.at(-1); last && last.start + last.count * pitch > pool.start; last = pools.at(-1)) {
      pools.pop()
      const sum = sumOf(wanted, index - pool.count - last.count + 1, last.count + pool.count, pitch)
      pool = { sum, start: sum / (last.count + pool.count), count: last.count + pool.count }
    }
    pools.push({ start: pool.start, count: pool.count })
  })
  const placed = pools.flatMap(({ start, count }) =>
    Array.from({ length: count }, (_, index) => start + index * pitch),
  )
  const last = placed.length - 1
  return placed.map((position, index) =>
    Math.max(from + index * pitch, Math.min(position, to - length - (last - index) * pitch)),
  )
}

const sumOf = (wanted: number[], first: number, count: number, pitch: number): number =>
  wanted.slice(first, first + count).reduce((sum, position, index) => sum + position - index * pitch, 0)

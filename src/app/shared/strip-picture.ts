/**
 * Light over its time as a picture: time to the right, lights from top to bottom.
 *
 * @param lights indices of those that have a row
 * @param drivesAt the drives of a column's frame, three a light, or undefined where there is none: then there is no picture
 * @returns a data address
 */
export function stripPicture(
  columns: number,
  lights: readonly number[],
  drivesAt: (column: number) => Uint8Array | undefined,
): string | undefined {
  const rows = Math.max(1, lights.length)
  const pixels = new ImageData(columns, rows)
  for (let column = 0; column < columns; column++) {
    const drives = drivesAt(column)
    if (!drives) return undefined
    lights.forEach((light, row) =>
      pixels.data.set([...drives.subarray(3 * light, 3 * light + 3), 255], 4 * (row * columns + column)),
    )
  }
  const canvas = Object.assign(document.createElement('canvas'), { width: columns, height: rows })
  canvas.getContext('2d')?.putImageData(pixels, 0, 0)
  return canvas.toDataURL()
}

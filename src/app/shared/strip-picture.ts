/**
 * Light over time as a picture: time from left to right, lights from top to bottom.
 *
 * @param lights indices of those with a row
 * @param drivesAt the LED levels of a column's frame, three per light, or undefined for no picture
 * @returns a data URL
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

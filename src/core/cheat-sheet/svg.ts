import { itemAt } from '../base/items'
import type { Shape } from '../device/model'

/** Parts of an SVG drawing in millimetres, black on white. */

/** An A4 sheet, landscape. */
export const PAGE = { width: 297, height: 210, margin: 10 } as const

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign)

const round = (mm: number): string => String(Math.round(mm * 100) / 100)

/**
 * Widths of sans-serif letters differ little between typefaces; these, in em, are at least those of the common ones.
 */
const WIDTHS_EM: readonly [RegExp, number][] = [
  [/[iljtfrI.,:;'|!()[\] ]/, 0.34],
  [/[mwMW@%…]|[\u2e80-\u{10ffff}]/u, 1],
  [/[A-Z0-9#&+=_]/, 0.68],
]
const OTHERS_EM = 0.56
const BOLDER = 1.1

const widthOf = (character: string): number =>
  WIDTHS_EM.find(([those]) => those.test(character))?.[1] ?? OTHERS_EM

/** Shortens a text with an ellipsis to fit a width at a size, both in mm. Its first character stays. */
export function truncateToWidth(text: string, widthMm: number, sizeMm: number, bold = false): string {
  const room = widthMm / (sizeMm * (bold ? BOLDER : 1))
  const characters = [...text]
  const widths = characters.map(widthOf)
  if (widths.reduce((sum, each) => sum + each, 0) <= room) return text
  let used = itemAt(widths, 0) + widthOf('…')
  let count = 1
  while (count < characters.length && used + itemAt(widths, count) <= room) used += itemAt(widths, count++)
  return `${characters.slice(0, count).join('')}…`
}

interface TextStyle {
  size: number
  bold?: boolean
  anchor?: 'start' | 'middle' | 'end'
}

export function text(x: number, y: number, content: string, { size, bold, anchor }: TextStyle): string {
  const weight = bold ? ' font-weight="700"' : ''
  const align = anchor && anchor !== 'start' ? ` text-anchor="${anchor}"` : ''
  return `<text x="${round(x)}" y="${round(y)}" font-size="${round(size)}"${weight}${align}>${escaped(content)}</text>`
}

/** The number of a layer on black, so that it differs from the base layer without colour. */
export const layerBadge = (x: number, y: number, layer: number, size: number): string =>
  `<rect x="${round(x)}" y="${round(y - size * 0.82)}" width="${round(size * 0.95)}" height="${round(size)}" rx="${round(size * 0.15)}"/>` +
  `<text x="${round(x + size * 0.475)}" y="${round(y)}" font-size="${round(size * 0.88)}" fill="#fff" text-anchor="middle">${layer}</text>`

export const line = (x1: number, y1: number, x2: number, y2: number, width = 0.2): string =>
  `<line x1="${round(x1)}" y1="${round(y1)}" x2="${round(x2)}" y2="${round(y2)}" stroke="#000" stroke-width="${width}"/>`

/** An outline of a device drawing, in the millimetres of its view. */
export function outline(shape: Shape, width: number, fill = 'none'): string {
  const style = `fill="${fill}" stroke="#000" stroke-width="${round(width)}"`
  switch (shape.kind) {
    case 'circle':
      return `<circle cx="${round(shape.x)}" cy="${round(shape.y)}" r="${round(shape.radius)}" ${style}/>`
    case 'rect':
      return `<rect x="${round(shape.x)}" y="${round(shape.y)}" width="${round(shape.width)}" height="${round(shape.height)}" rx="${round(shape.radius)}" ${style}/>`
    case 'path':
    case 'line':
      return `<path d="${shape.d}" ${shape.kind === 'line' ? `fill="none" stroke="#000" stroke-width="${round(width)}"` : style}/>`
  }
}

export const group = (x: number, y: number, scale: number, content: string): string =>
  `<g transform="translate(${round(x)} ${round(y)}) scale(${Math.round(scale * 10_000) / 10_000})">${content}</g>`

/** The page with all its parts and no external resources. */
export const page = (title: string, content: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${PAGE.width}mm" height="${PAGE.height}mm" viewBox="0 0 ${PAGE.width} ${PAGE.height}" font-family="'Archivo Variable', Archivo, 'Helvetica Neue', Arial, sans-serif">` +
  `<title>${escaped(title)}</title><rect width="${PAGE.width}" height="${PAGE.height}" fill="#fff"/>${content}</svg>`

import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'

/** Drawings and time lines have a left and a right side in every language. */
const DRAWN = /(?:DrawingLabel|StepRule|PlayHead|TimeRuler)\.vue$/

/** The styles of a file, without its scripts and template. Lint checks the classes of templates. */
const stylesOf = (file: string): string => {
  const text = readFileSync(`src/${file}`, 'utf8')
  return file.endsWith('.vue') ? (/<style.*/s.exec(text)?.[0] ?? '') : text
}

it('styles use start and end where text flows', () => {
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.(vue|css|scss)$/.test(file) && !DRAWN.test(file),
  )
  expect(files.length).toBeGreaterThan(150)
  const physical = files.flatMap((file) =>
    [
      ...stylesOf(file).matchAll(
        /(?:margin|padding|border|inset)-(?:left|right)\b|^\s*(?:left|right):|(?:text-align|float): *(?:left|right)/gm,
      ),
    ].map(([found]) => `${file}: ${found.trim()}`),
  )
  expect(physical).toEqual([])
})

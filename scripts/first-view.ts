import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'

/** JavaScript that a browser loads for one view of the build, gzipped, file by file. */
export interface LoadedScript {
  file: string
  gzipBytes: number
}

const ASSETS = 'dist/assets'

/**
 * Follows static imports from a page and from the chunks of a view.
 *
 * @param page an HTML file in dist
 * @param chunks names of lazily loaded chunks of the view, without hash
 */
export function scriptsOf(page: string, chunks: string[]): LoadedScript[] {
  const all = readdirSync(ASSETS).filter((name) => name.endsWith('.js'))
  const html = readFileSync(join('dist', page), 'utf8')
  const pending = [...html.matchAll(/(?:src|href)="\/assets\/([\w.-]+\.js)"/g)].map(([, name]) => name)
  for (const chunk of chunks) {
    const found = all.find((name) => name.startsWith(`${chunk}-`))
    if (!found) throw new Error(`the build has no chunk ${chunk}`)
    pending.push(found)
  }
  const seen = new Set<string>()
  for (let name = pending.pop(); name; name = pending.pop()) {
    if (seen.has(name)) continue
    seen.add(name)
    const code = readFileSync(join(ASSETS, name), 'utf8')
    for (const [, imported] of code.matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g))
      pending.push(imported)
  }
  return [...seen]
    .sort()
    .map((file) => ({ file, gzipBytes: gzipSync(readFileSync(join(ASSETS, file))).length }))
}

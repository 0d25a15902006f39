import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/**
 * A part of the service worker that compares the stored build with the checksums of its files, and fetches missing or
 * damaged ones again: once per start of the worker, with the first page, and when a page asks for it.
 */
const CARE = `
const cacheName = () => 'workbox-precache-v2-' + registration.scope
const hex = (buffer) => Array.from(new Uint8Array(buffer), (byte) => byte.toString(16).padStart(2, '0')).join('')
const sumOf = async (response) => hex(await crypto.subtle.digest('SHA-256', await response.arrayBuffer()))
// A page differs in each response by its nonce, so only its presence is checked.
const isWhole = async (response, sum) => response.ok && (sum === null || (await sumOf(response.clone())) === sum)

// Reports uncaught errors to the pages (src/faults/report.ts).
const report = (error) =>
  new BroadcastChannel('unisera faults').postMessage({
    where: 'offline use',
    message: error instanceof Error ? error.name + ': ' + error.message : String(error),
    stack: error instanceof Error ? error.stack || '' : '',
  })
addEventListener('error', (event) => report(event.error || event.message))
addEventListener('unhandledrejection', (event) => report(event.reason))

async function care() {
  const cache = await caches.open(cacheName())
  let repaired = 0
  let missing = 0
  for (const { url, revision, sum } of FILES) {
    const key = new URL(revision ? url + '?__WB_REVISION__=' + revision : url, registration.scope).href
    const stored = await cache.match(key)
    if (stored && (await isWhole(stored, sum))) continue
    const fresh = await fetch(url, { cache: 'reload' }).catch(() => undefined)
    if (fresh && (await isWhole(fresh, sum))) {
      await cache.put(key, fresh)
      repaired++
    } else missing++
  }
  return { repaired, missing }
}

let underWay
const careOnce = () => (underWay ??= care().finally(() => (underWay = undefined)))
let cared = false
self.addEventListener('fetch', (event) => {
  if (cared || event.request.mode !== 'navigate' || !registration.active) return
  cared = true
  event.waitUntil(careOnce().catch(() => undefined))
})
self.addEventListener('message', (event) => {
  if (event.data?.type !== 'CARE') return
  event.waitUntil(careOnce().then((done) => event.ports[0]?.postMessage(done), () => event.ports[0]?.postMessage(undefined)))
})
`

/** Writes that part next to a build. @param entries the files of the build, as the worker stores them */
export function writeCacheCare(
  folder: string,
  entries: readonly { url: string; revision?: string | null }[],
): void {
  const files = entries.map(({ url, revision }) => ({
    url,
    revision,
    sum: url.endsWith('.html')
      ? null
      : createHash('sha256')
          .update(readFileSync(join(folder, url)))
          .digest('hex'),
  }))
  writeFileSync(join(folder, 'sw-care.js'), `const FILES = ${JSON.stringify(files)}\n${CARE}`)
}

import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { serve } from '@hono/node-server'
import { expect } from '@playwright/test'
import { createServer } from '../src/server/app'

/** Serves a folder like the product does. @returns its address, and a function that stops it */
export async function serving(
  root: string,
  port = 0,
): Promise<{ at: string; port: number; stop: () => Promise<unknown> }> {
  const server = serve({ fetch: createServer(root).fetch, port, hostname: '127.0.0.1' })
  await new Promise((resolve) => server.once('listening', resolve))
  const { port: open } = server.address() as AddressInfo
  const stop = () =>
    new Promise((resolve) => {
      server.close(resolve)
      if ('closeAllConnections' in server) server.closeAllConnections()
    })
  return { at: `http://localhost:${open}`, port: open, stop }
}

/** Creates a build that differs from the current one in a single file. */
export function newerBuild(): string {
  const root = mkdtempSync(join(tmpdir(), 'unisera-newer-'))
  cpSync('dist', root, { recursive: true })
  writeFileSync(join(root, 'mark.svg'), readFileSync('dist/mark.svg', 'utf8').replace('#ffb454', '#54b4ff'))
  const worker = readFileSync('dist/sw.js', 'utf8')
  const changed = worker.replace(/(url:"mark\.svg",revision:")[0-9a-f]+/g, '$1newer')
  expect(changed).not.toBe(worker)
  writeFileSync(join(root, 'sw.js'), changed)
  return root
}

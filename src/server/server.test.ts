import { spawn, type ChildProcess } from 'node:child_process'
import { createRequire } from 'node:module'
import { pathToFileURL } from 'node:url'
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliDecompressSync, gunzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { createServer } from './app'

let root: string
const code = `code ${'of the application '.repeat(100)}`

beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'server-test-'))
  mkdirSync(`${root}/assets`)
  writeFileSync(`${root}/index.html`, '<meta nonce="__CSP_NONCE__">the application')
  writeFileSync(`${root}/unplugged.html`, 'the computer')
  writeFileSync(`${root}/assets/app-12345678.js`, code)
  symlinkSync(join(process.cwd(), 'package.json'), `${root}/assets/link.js`)
  symlinkSync(process.cwd(), `${root}/assets/folder`)
})
afterAll(() => rmSync(root, { recursive: true }))

const get = async (path: string, headers: Record<string, string> = {}) =>
  createServer(root).request(path, { headers: { host: 'localhost:4173', ...headers } })

/** Runs the program in a folder, as `npm start` does. */
function started(cwd: string): { child: ChildProcess; said: () => string; ended: Promise<number | null> } {
  const require = createRequire(import.meta.url)
  const child = spawn(
    process.execPath,
    ['--import', pathToFileURL(require.resolve('tsx')).href, join(process.cwd(), 'src/server/main.ts')],
    { cwd, env: { ...process.env, PORT: '0' }, stdio: ['ignore', 'pipe', 'pipe', 'ipc'] },
  )
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data) => (said += String(data)))
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve))
  return { child, said: () => said, ended }
}

describe('the program', () => {
  it('says in a sentence that there is no build, and ends', async () => {
    const empty = mkdtempSync(join(tmpdir(), 'no-build-'))
    const { said, ended } = started(empty)
    expect(await ended).toBe(1)
    expect(said()).toMatch(/^There is no finished build/)
    expect(said()).not.toMatch(/ENOENT|at .*:\d+:\d+/)
    rmSync(empty, { recursive: true })
  })

  it('ends with what started it, and when it is told to', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'build-'))
    cpSync(root, join(folder, 'dist'), { recursive: true, dereference: false })
    for (const end of ['disconnect', 'SIGTERM'] as const) {
      const { child, said, ended } = started(folder)
      await vi.waitFor(() => expect(said()).toContain('Unisera runs at http://localhost:'), {
        timeout: 30_000,
      })
      if (end === 'disconnect') child.disconnect()
      else child.kill(end)
      expect(await ended).toBe(0)
    }
    rmSync(folder, { recursive: true })
  })
})

describe('the server', () => {
  it.each([
    ['/', 'the application'],
    ['/devices', 'the application'],
    ['/profile/some-id/motion', 'the application'],
    ['/unplugged.html', 'the computer'],
    ['/unplugged', 'the computer'],
  ])('answers %s with %s', async (path, body) => {
    const response = await get(path)
    expect(response.status).toBe(200)
    expect(await response.text()).toContain(body)
  })

  it('has a page at every address of the application', async () => {
    const router = readFileSync('src/app/shell/router.ts', 'utf8')
    const paths = [...router.matchAll(/path: '([^']+)'/g)].map(([, path = '']) => path)
    const own = paths.filter((path) => !path.includes('('))
    expect(own.length).toBeGreaterThan(12)
    for (const path of own) {
      const address = (path.startsWith('/') ? path : `/profile/some-id/${path}`).replace(':id', 'some-id')
      expect((await get(address)).status, address).toBe(200)
    }
  })

  it.each(['/assets/app-87654321.js', '/nothing', '/profile/a/b/c', '/devices/x', '/assets/link.js'])(
    'has nothing at %s and says so',
    async (path) => {
      expect((await get(path)).status).toBe(404)
    },
  )

  it('stays within its folder, and follows no link out of it', async () => {
    for (const path of [
      '/../package.json',
      '/%2e%2e/package.json',
      '/..%2fpackage.json',
      '/assets/..%2f..%2fpackage.json',
      '/assets/link.js',
      '/assets/folder/package.json',
    ]) {
      const response = await get(path)
      expect(response.status, path).toBe(404)
      expect(await response.text()).not.toMatch(/"dependencies"/)
    }
  })

  it('lets built files be kept for good, and pages not at all', async () => {
    const file = await get('/assets/app-12345678.js')
    expect(file.headers.get('Cache-Control')).toMatch(/immutable/)
    const etag = file.headers.get('ETag') ?? ''
    const again = await get('/assets/app-12345678.js', { 'if-none-match': etag })
    expect([again.status, await again.text()]).toEqual([304, ''])
    const page = await get('/')
    expect([page.headers.get('Cache-Control'), page.headers.get('ETag')]).toEqual(['no-store', null])
  })

  it('packs what is worth it, as the browser takes it', async () => {
    const sent = async (encodings: string) => {
      const response = await get('/assets/app-12345678.js', { 'accept-encoding': encodings })
      return {
        encoding: response.headers.get('Content-Encoding'),
        body: Buffer.from(await response.arrayBuffer()),
      }
    }
    const brotli = await sent('gzip, br')
    expect([brotli.encoding, brotliDecompressSync(brotli.body).toString()]).toEqual(['br', code])
    const gzip = await sent('gzip, br;q=0')
    expect([gzip.encoding, gunzipSync(gzip.body).toString()]).toEqual(['gzip', code])
    expect(await sent('identity')).toEqual({ encoding: null, body: Buffer.from(code) })
  })

  it('answers only to the names of this computer', async () => {
    for (const host of ['localhost:4173', '127.0.0.1', '[::1]:4173', 'LOCALHOST'])
      expect((await get('/', { host })).status, host).toBe(200)
    for (const host of ['attacker.example', 'localhost.attacker.example:4173', ''])
      expect((await get('/', { host })).status, host).toBe(421)
  })

  it('forbids scripts and styles from elsewhere, frames around it and what it does not use', async () => {
    const [first, second] = [await get('/'), await get('/')]
    const policy = first.headers.get('Content-Security-Policy') ?? ''
    const nonce = /nonce-([\w+/=]+)/.exec(policy)?.[1] ?? ''
    expect(await first.text()).toContain(`nonce="${nonce}"`)
    expect(second.headers.get('Content-Security-Policy')).not.toBe(policy)
    expect(policy).toMatch(/script-src 'self' 'nonce-[^ ]+';/)
    expect(policy).toMatch(/style-src 'self' 'nonce-[^ ]+';/)
    expect(policy).toMatch(/frame-ancestors 'none'/)
    expect(policy).not.toMatch(/unsafe/)
    expect(first.headers.get('X-Frame-Options')).toBe('DENY')
    expect(first.headers.get('Strict-Transport-Security')).toBeNull()
    expect(first.headers.get('X-Content-Type-Options')).toBe('nosniff')
    expect(first.headers.get('Permissions-Policy')).toMatch(/camera=\(\)/)
  })
})

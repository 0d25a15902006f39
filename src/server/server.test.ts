import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { relative } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createServer } from './app'

let root: string

beforeAll(() => {
  root = relative(process.cwd(), mkdtempSync('.server-test-'))
  mkdirSync(`${root}/assets`)
  writeFileSync(`${root}/index.html`, 'the application')
  writeFileSync(`${root}/unplugged.html`, 'the computer')
  writeFileSync(`${root}/assets/app-12345678.js`, 'code')
})
afterAll(() => rmSync(root, { recursive: true }))

const get = async (path: string) => createServer(root).request(path)

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
    expect(await response.text()).toBe(body)
  })

  it('does not pass a page off as a script that is not there', async () => {
    expect((await get('/assets/app-87654321.js')).status).toBe(404)
  })

  it('lets built files be kept for good, and pages not', async () => {
    expect((await get('/assets/app-12345678.js')).headers.get('Cache-Control')).toMatch(/immutable/)
    expect((await get('/')).headers.get('Cache-Control')).toBeNull()
  })

  it('stays within its folder', async () => {
    for (const path of [
      '/../package.json',
      '/%2e%2e/package.json',
      '/..%2fpackage.json',
      '/assets/..%2f..%2fpackage.json',
    ]) {
      expect(await (await get(path)).text()).not.toMatch(/"dependencies"/)
    }
  })

  it('forbids scripts from elsewhere, frames around it and what it does not use', async () => {
    const { headers } = await get('/')
    const policy = headers.get('Content-Security-Policy') ?? ''
    expect(policy).toMatch(/script-src 'self';/)
    expect(policy).toMatch(/frame-ancestors 'none'/)
    expect(policy).not.toMatch(/unsafe-eval/)
    expect(headers.get('X-Content-Type-Options')).toBe('nosniff')
    expect(headers.get('Permissions-Policy')).toMatch(/camera=\(\)/)
  })
})

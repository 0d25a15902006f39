import { chromium } from '@playwright/test'
import { launchOptions } from './browser'
const [, , file] = process.argv
const browser = await chromium.launch(launchOptions)
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: 'http://localhost:4190', serviceWorkers: 'block', reducedMotion: 'reduce' })
const page = await context.newPage()
page.on('pageerror', (e) => console.log('PAGEERROR', e.stack))
page.on('console', (m) => { if (['error','warning'].includes(m.type())) console.log(m.type(), m.text()) })
const shot = async (name: string, p = page) => { await p.screenshot({ path: `/tmp/shots/${name}.png` }); console.log('shot', name) }
const { default: act } = await import(file)
try { await act({ page, context, shot }) } catch (e) { console.log(String(e).slice(0, 1500)); await shot('error') }
await browser.close()

import { spawn } from 'node:child_process'
import { chromium, type CDPSession, type Page } from '@playwright/test'
import { launchOptions } from './browser'
import { drag } from './bench-edits'
const serve = async (cwd: string, port: number) => {
  const server = spawn(process.execPath, ['--import', 'tsx', '/work/main/src/server/main.ts'], { cwd, env: { ...process.env, PORT: String(port) }, stdio: ['ignore', 'pipe', 'inherit'] })
  await new Promise((r) => server.stdout.once('data', r))
  return server
}
const servers = [await serve('/tmp/before', 4191), await serve('/work/main', 4192)]
const browser = await chromium.launch(launchOptions)
const settled = (page: Page) => page.evaluate(`new Promise((resolve) => { let quiet = 0; const look = () => requestIdleCallback((idle) => { quiet = idle.timeRemaining() > 10 ? quiet + 1 : 0; if (quiet > 6) resolve(); else look() }); look() })`)
const metrics = async (cdp: CDPSession) => Object.fromEntries((await cdp.send('Performance.getMetrics')).metrics.map(({ name, value }) => [name, value])) as Record<string, number>
const open = async (port: number) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  await page.addInitScript("localStorage.setItem('unisera-tour', 'seen')")
  await page.goto(`http://localhost:${port}/library`)
  await page.getByRole('link', { name: 'Brinewatch', exact: true }).click()
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  return { page, cdp }
}
const trace = async (cdp: CDPSession, act: () => Promise<void>) => {
  const events: any[] = []
  const take = ({ value }: any) => void events.push(...value)
  cdp.on('Tracing.dataCollected', take)
  await cdp.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['devtools.timeline', 'toplevel', 'cc', 'viz'] } } as any)
  await act()
  const done = new Promise((r) => cdp.once('Tracing.tracingComplete', r))
  await cdp.send('Tracing.end'); await done
  cdp.off('Tracing.dataCollected', take)
  const sum: Record<string, [number, number]> = {}
  for (const e of events) if (e.ph === 'X' && e.dur) { const s = (sum[e.name] ??= [0, 0]); s[0] += e.dur / 1000; s[1]++ }
  return Object.entries(sum).sort((a, b) => b[1][0] - a[1][0]).slice(0, 26).map(([n, [ms, c]]) => `${n} ${ms.toFixed(0)} (${c})`).join(', ')
}
const what = process.argv[2]
for (const port of [4191, 4192, 4191, 4192]) {
  const { page, cdp } = await open(port)
  if (what === 'drag') {
    await page.getByRole('link', { name: 'Light', exact: true }).first().click()
    const shift = page.getByRole('slider', { name: /begins in its period/ }).first()
    await shift.waitFor(); await settled(page)
    const b = await metrics(cdp)
    await drag(page, shift, { x: 200, y: 0 })
    await settled(page)
    const a = await metrics(cdp)
    console.log(port, 'drag task ms', ((a.TaskDuration - b.TaskDuration) * 1000).toFixed(0), 'script', ((a.ScriptDuration - b.ScriptDuration) * 1000).toFixed(0), 'layouts', a.LayoutCount - b.LayoutCount, 'styles', a.RecalcStyleCount - b.RecalcStyleCount)
  } else {
    const cell = page.locator('[data-cell="side-front 0"]')
    await cell.waitFor(); await settled(page)
    const bind = async (key: string) => {
      await cell.click()
      const field = page.getByRole('combobox', { name: 'What Side, front does', exact: true })
      await field.pressSequentially(key)
      await page.keyboard.press('Enter')
      await cell.getByText(key.toUpperCase(), { exact: true }).waitFor()
      await page.keyboard.press('Escape')
      await settled(page)
    }
    for (const k of ['f5', 'f6', 'f7']) await bind(k)
    const b = await metrics(cdp)
    for (let i = 0; i < 12; i++) await bind(`f${5 + (i % 3)}`)
    const a = await metrics(cdp)
    const per = (k: string) => (((a[k] - b[k]) * 1000) / 12).toFixed(0)
    console.log(port, 'bind task', per('TaskDuration'), 'script', per('ScriptDuration'), 'style', per('RecalcStyleDuration'), 'layout', per('LayoutDuration'), 'layouts', (a.LayoutCount - b.LayoutCount) / 12, 'styles', (a.RecalcStyleCount - b.RecalcStyleCount) / 12)
    if (what === 'trace') console.log(await trace(cdp, async () => { await bind('f5'); await bind('f6') }))
  }
  await page.close()
}
await browser.close(); servers.forEach((s) => s.kill())

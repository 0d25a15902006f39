import { chromium } from '@playwright/test'
import { launchOptions } from './browser'
const b = await chromium.launch(launchOptions)
const c = await b.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', serviceWorkers: 'block' })
const p = await c.newPage(); await p.addInitScript(() => localStorage.setItem('unisera-tour', 'seen')); await p.goto('http://localhost:5198/'); await p.getByRole('link', { name: /^Dunlin 84/ }).waitFor(); await p.waitForTimeout(3000)
for (const [name, path] of [['rules','/devices/rules'],['compare','/profile/demo-1/compare'],['library','/library'],['motion','/profile/demo-1/motion'],['light','/profile/demo-1/light'],['buttons','/profile/demo-1/buttons'],['devices','/devices'],['macros','/macros'],['measure','/measure'],['settings','/settings'],['unplugged','/unplugged.html']]) {
 await p.goto('http://localhost:5198' + path); await p.getByRole('heading').first().waitFor(); await p.waitForTimeout(1500)
 if (name==='compare') await p.getByRole('button', { name: /^Fast aim/ }).click().catch(()=>{})
 if (name==='buttons') await p.locator('[data-cell="side-rear 0"]').click()
 await p.waitForTimeout(400)
 await p.screenshot({ path: `/tmp/cmp/${name}.png` }) }
await b.close()

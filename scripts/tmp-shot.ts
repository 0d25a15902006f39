import { chromium } from '@playwright/test'
import { launchOptions } from './browser'
const b = await chromium.launch(launchOptions); const p = await b.newPage(); await p.goto('http://localhost:5198/devices'); await p.waitForTimeout(1500)
console.log(await p.evaluate(() => { const out=[]; let e: Element|null = document.querySelector('main'); while(e){ out.push(e.tagName+'.'+e.className+' '+getComputedStyle(e).color); e=e.parentElement } return out }))
await b.close()

import { chromium, type Page } from '@playwright/test'
import { launchOptions } from './browser'
const A = 'http://localhost:5197', B = 'http://localhost:5198'
const only = process.argv[2]
const WIDTHS = (process.env.WIDTHS ?? '1300,1120,950,680,400').split(',').map(Number)
const VIEWS = ['/devices','/devices?device=godwit-19','/devices/slots','/devices/rules','/library','/shelf','/macros','/macros?macro=demo-macro-1','/measure','/measure?tool=session','/settings',
 '/profile/demo-1/buttons','/profile/demo-1/motion','/profile/demo-1/motion?part=sensor','/profile/demo-1/motion?part=power','/profile/demo-1/light','/profile/demo-1/compare','/profile/demo-5/buttons','/profile/demo-7/buttons','/profile/demo-8/buttons','/profile/demo-8/light','/profile/demo-8/cheat-sheet','/nowhere','/unplugged.html','/unplugged.html?device=dunlin-84']
const dump = (page: Page) => page.evaluate(() => {
  const PROPS = 'display position top right bottom left float width height min-width min-height max-width max-height margin-top margin-right margin-bottom margin-left padding-top padding-right padding-bottom padding-left border-top-width border-right-width border-bottom-width border-left-width border-top-style border-right-style border-bottom-style border-left-style border-top-color border-right-color border-bottom-color border-left-color border-top-left-radius border-bottom-right-radius background-color background-image background-position background-size box-shadow color font-size font-weight font-family font-style font-variant-numeric font-stretch line-height letter-spacing text-align text-decoration-line text-decoration-style text-underline-offset text-transform text-overflow white-space overflow-wrap word-break overflow-x overflow-y flex-direction flex-wrap flex-grow flex-shrink flex-basis order align-items align-content align-self justify-content justify-items justify-self row-gap column-gap grid-template-columns grid-template-rows grid-column-start grid-column-end grid-row-start grid-row-end grid-auto-flow grid-auto-rows grid-auto-columns z-index opacity visibility cursor pointer-events touch-action user-select list-style-type vertical-align transform translate rotate scale transform-origin fill stroke stroke-width stroke-dasharray stroke-linecap fill-opacity stroke-opacity text-anchor dominant-baseline outline-style outline-offset object-fit image-rendering aspect-ratio clip-path filter mix-blend-mode resize scrollbar-gutter isolation column-count columns text-wrap-mode text-wrap-style'.split(' ')
  const out: { path: string; label: string; style: Record<string,string> }[] = []
  const walk = (el: Element, path: string) => {
    if (['SCRIPT','STYLE','LINK','NOSCRIPT'].includes(el.tagName)) return
    const cs = getComputedStyle(el); const style: Record<string,string> = {}
    for (const p of PROPS) style[p] = cs.getPropertyValue(p)
    for (const pseudo of ['::before','::after']) { const c = getComputedStyle(el, pseudo); if (c.content !== 'none' && c.content !== 'normal') style[pseudo] = ['content','width','height','background-color','color','display','position','left','top'].map(p=>c.getPropertyValue(p)).join('|') }
    out.push({ path, label: el.tagName.toLowerCase() + '.' + (el.getAttribute('class') ?? '') , style })
    let i = 0; for (const c of el.children) { if (['SCRIPT','STYLE','LINK'].includes(c.tagName)) continue; walk(c, path + '/' + c.tagName.toLowerCase() + i++) }
  }
  walk(document.body, 'body'); return out
})
const settle = async (page: Page) => { await page.evaluate(() => new Promise(r => setTimeout(r, 250))) }
const seen = new Map<string, number>()
let states = 0
const where = new Map<string,string>()
async function compare(a: Page, b: Page, name: string) {
  states++
  const [x, y] = await Promise.all([dump(a), dump(b)])
  const by = new Map(y.map(e => [e.path, e]))
  if (x.length !== y.length) console.log(`# ${name}: ${x.length} / ${y.length} elements`)
  const bad = new Set<string>()
  for (const e of x) { const o = by.get(e.path); if (!o) continue
    for (const p of Object.keys(e.style)) if (e.style[p] !== o.style[p]) {
      
      // sizes follow from others
      if (['width','height','transform-origin','grid-template-columns','grid-template-rows','top','left','right','bottom'].includes(p) || p.startsWith('::')) { const d = Math.max(...(e.style[p].match(/[\d.]+/g)??['0']).map((v,i)=>Math.abs(+v-+((o.style[p].match(/[\d.]+/g)??[])[i]??1e9)))); if (d < 1.01) continue; bad.add(`${p}\t${e.label.slice(0,110)}\t${e.style[p].slice(0,70)} → ${o.style[p].slice(0,70)}\t~`); continue }
      bad.add(`${p}\t${e.label.slice(0,110)}\t${e.style[p].slice(0,70)} → ${o.style[p].slice(0,70)}`)
    } }
  const strong = [...bad].filter(l => !l.endsWith('~')), weak = [...bad].filter(l => l.endsWith('~'))
  for (const l of strong.length ? strong : weak) { if (!seen.has(l)) where.set(l, name); seen.set(l, (seen.get(l) ?? 0) + 1) }
}
const goTo = async (page: Page, base: string, path: string) => { await page.goto(base + path); await page.getByRole('heading').first().waitFor(); await settle(page); await settle(page); await settle(page) }
const browser = await chromium.launch(launchOptions)
const contexts = await Promise.all([A, B].map(async base => { const c = await browser.newContext({ viewport: { width: 1300, height: 800 }, reducedMotion: 'reduce', serviceWorkers: 'block', colorScheme: 'light' }); await c.addInitScript('globalThis.__name = (f) => f'); await c.addInitScript(() => localStorage.setItem('unisera-tour', 'seen')); const p = await c.newPage(); await p.goto(base + '/'); await p.getByRole('link', { name: /^Dunlin 84/ }).waitFor(); await p.waitForTimeout(4000); return p }))
const [a, b] = contexts
for (const view of VIEWS) {
  if (only && !view.includes(only)) continue
  try {
  await Promise.all([goTo(a, A, view), goTo(b, B, view)])
  for (const width of WIDTHS) { await Promise.all([a, b].map(p => p.setViewportSize({ width, height: 800 }))); await Promise.all([settle(a), settle(b)]); await compare(a, b, `${view} @${width}`) }
  await Promise.all([a, b].map(p => p.setViewportSize({ width: 1300, height: 800 })))
  // what opens
  const openers = 'button[aria-haspopup], button:has-text("…"), [role=gridcell], [data-cell], [aria-expanded=false], button[aria-pressed=false], [role=tab], main .v-btn'
  const n = process.env.NOOPEN ? 0 : Math.min(await a.locator(openers).count(), +(process.env.MAX ?? 60))
  let done = 0
  for (let i = 0; i < n; i++) {
    const before = a.url()
    const label = await a.locator(openers).nth(i).evaluate(e => (e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)).catch(() => '')
    if (/^(Forget|Print|Save|Write|Undo|Redo|Export|Download|Delete)/.test(label)) continue
    const ok = await Promise.all([a, b].map(p => p.locator(openers).nth(i).click({ timeout: 2500, force: true }).then(() => true, () => false)))
    if (!ok[0] || !ok[1]) { if (ok[0] !== ok[1]) console.log('# clicked in one only', view, label); continue }
    await Promise.all([settle(a), settle(b)])
    await compare(a, b, `${view} > ${label}`); done++
    await Promise.all([a, b].map(async p => { await p.keyboard.press('Escape'); await p.keyboard.press('Escape') }))
    if (a.url() !== before) await Promise.all([goTo(a, A, view), goTo(b, B, view)])
  }
  console.log(`${view}: ${done} opened of ${n}`)
  } catch (error) { console.log('# failed', view, String(error).slice(0, 200)) }
}
console.log(states, 'states;', seen.size, 'differences')
const lines = [...seen].sort((p, q) => p[0].split('\t')[1].localeCompare(q[0].split('\t')[1]))
for (const [l, n] of lines.slice(0, +(process.env.SHOW ?? 120))) console.log(n + '\t' + l + '\t[' + where.get(l) + ']')
await browser.close()

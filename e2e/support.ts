import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, test as base, type Locator, type Page } from '@playwright/test'
import { modelById } from '../src/core/device/models'
import { lightIds } from '../src/core/terms/light'

/** Console messages of the browser in stories that disconnect the network, and of Playwright itself. */
const NO_FAULTS = [/^Failed to load resource|net::ERR_/, /^Service Worker registration blocked by Playwright/]

/**
 * A page that fails its story on any uncaught error, unhandled rejection, console error or warning, and on anything that
 * the policy of its server refuses.
 */
export const test = base.extend<{ expectedErrors: RegExp[] }>({
  expectedErrors: [[], { option: true }],
  page: async ({ page, expectedErrors }, use) => {
    const faults: string[] = []
    const note = (text: string) => {
      if (![...NO_FAULTS, ...expectedErrors].some((expected) => expected.test(text))) faults.push(text)
    }
    const listen = (each: Page) => {
      each.on('pageerror', (error) => note(`${error.name}: ${error.message}\n${error.stack ?? ''}`))
      each.on('console', (message) => {
        if (['error', 'warning'].includes(message.type())) note(message.text())
      })
    }
    page.context().on('page', listen)
    // The first visit has its own story.
    await page.context().addInitScript(() => {
      // A frame without an origin, such as a print frame, has no storage.
      if (origin !== 'null') localStorage.setItem('unisera-tour', 'seen')
    })
    listen(page)
    await use(page)
    expect(faults).toEqual([])
  },
})

/** Opens the application and waits until the demo is loaded and the device has been read. */
export async function openDemo(page: Page): Promise<void> {
  await page.addInitScript(() => localStorage.setItem('unisera-tour', 'seen'))
  await page.goto('/')
  await expect(slot(page, 1)).toContainText('Brinewatch')
  await expect(slot(page, 3)).toContainText('Score engraving')
  await expect(page.getByRole('link', { name: /^Dunlin 84/ })).toContainText('Brinewatch bridge')
}

/** Navigates within the application and waits for the view; another page is loaded. */
export async function goTo(page: Page, path: string): Promise<void> {
  const outside = path.startsWith('/unplugged') || new URL(page.url()).pathname.startsWith('/unplugged')
  if (outside) return void (await page.goto(path))
  await page.evaluate(async (to) => {
    type Mounted = HTMLElement & {
      __vue_app__: { config: { globalProperties: { $router: { push(to: string): Promise<unknown> } } } }
    }
    const app = document.querySelector<Mounted>('#app')
    await app?.__vue_app__.config.globalProperties.$router.push(to)
    await new Promise(requestAnimationFrame)
  }, path)
}

/** A slot of the device on the Devices view, counted from 1. */
export const slot = (page: Page, number: number): Locator =>
  page
    .getByRole('list', { name: 'Slots' })
    .getByRole('listitem')
    .nth(number - 1)

/** Opens a view of a profile from the library. */
export async function openProfile(page: Page, name: string, view = 'Buttons'): Promise<void> {
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name, exact: true }).click()
  await openView(page, view)
}

export async function openView(page: Page, view: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Profile views' }).getByRole('link', { name: view }).click()
}

/** The row of a profile in the open library. */
export const profileRow = (page: Page, name: string): Locator =>
  page
    .getByRole('list', { name: 'Profiles' })
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name, exact: true }) })

/** Deletes a profile in the open library. */
export async function deleteProfile(page: Page, name: string): Promise<void> {
  await ofRow(page, name, 'Delete')
  await expect(profileRow(page, name)).toHaveCount(0)
}

/** A cell of the binding sheet: an input on a layer, by default the base layer. */
export const cell = (page: Page, input: string, layer = 0): Locator =>
  page
    .getByRole('grid', { name: 'Binding sheet' })
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name: input, exact: true }) })
    .locator('[data-cell]')
    .nth(layer)

/** The cell of an input on the base layer. */
export const row = (page: Page, input: string): Locator => cell(page, input)

/** The field for editing a cell. */
export const entry = (page: Page, input: string, layer?: string): Locator =>
  page.getByRole('combobox', { name: `Action of ${input}${layer ? ` in ${layer}` : ''}`, exact: true })

/**
 * Opens the cell of an input and types its action, which leaves it open; `layer` is the column, by its name and index.
 */
export async function bindByTyping(
  page: Page,
  input: string,
  text: string,
  layer?: { name: string; place: number },
): Promise<void> {
  const field = entry(page, input, layer?.name)
  if (!(await field.isVisible())) await cell(page, input, layer?.place).click()
  await field.fill(text)
  await page.getByRole('button', { name: 'Set', exact: true }).click()
}

/** The tab of a layer above the base layer. */
export const layerTab = (page: Page, name: string): Locator =>
  page.getByRole('group', { name: 'Layers' }).getByRole('button', { name: new RegExp(`^\\d ?${name}$`) })

/** A radio button of a group of options. */
export const choice = (page: Page, group: string, text: string): Locator =>
  page.getByRole('radiogroup', { name: group, exact: true }).getByText(text, { exact: true })

/**
 * Selects from a field that opens a list, by keys: a list that is still being positioned ignores clicks, and moves the
 * focus to one of its items when it appears.
 */
export async function pick(field: Locator, text: string): Promise<void> {
  await field.press('ArrowDown')
  await expect(field.page().getByRole('listbox').locator(':focus')).toHaveCount(1)
  const option = field.page().getByRole('option', { name: text, exact: true })
  await option.press('Enter')
  await expect(option).toHaveCount(0)
}

/** The box of the title block with the state of the profile on the device. */
export const writeBox = (page: Page): Locator => page.locator('[data-state]')

/** Writes the open profile and waits until it has been read back. */
export async function write(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Write to slot/ }).click()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
}

export async function openUnplugged(page: Page, model = 'tern-7'): Promise<Page> {
  const computer = await page.context().newPage()
  await computer.goto(`/unplugged.html?device=${model}`)
  await expect(computer.getByText('connected:')).toBeVisible()
  return computer
}

/** Presses and releases an input of the device on the Unplugged page. */
export async function pressInput(computer: Page, input: string): Promise<void> {
  const button = computer.locator(`[data-press="${input}"]`)
  await button.hover()
  await computer.mouse.down()
  await expect(button).toHaveClass(/pressed/)
  await computer.mouse.up()
}

/** Makes a method of the browser fail in a page, or work again. @param how name and message of the error */
export const breakMethod = (
  page: Page,
  [owner, method]: ['IDBObjectStore', 'put'] | ['HTMLCanvasElement', 'getContext'],
  how: { name: string; message: string } | undefined,
): Promise<void> =>
  page.evaluate(
    ([of, name, thrown]) => {
      const { prototype } = Reflect.get(window, of) as { prototype: object }
      const kept = `own ${of}.${name}`
      const own: unknown = Reflect.get(window, kept) ?? Reflect.get(prototype, name)
      Reflect.set(window, kept, own)
      const broken = () => {
        throw thrown?.name === 'Error'
          ? new Error(thrown.message)
          : new DOMException(thrown?.message, thrown?.name)
      }
      Reflect.set(prototype, name, thrown ? broken : own)
    },
    [owner, method, how] as const,
  )

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const LEVELS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/**
 * Violations of WCAG 2.2 AA on the current page, as far as a program can detect them; optionally only of some rules, or
 * in a part of the page.
 */
export async function violations(page: Page, rules?: string[], root = ':root'): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe)
  const runOnly = rules ? { type: 'rule', values: rules } : { type: 'tag', values: LEVELS }
  return page.evaluate(
    async ([only, within]) => {
      const { axe: checker } = window as unknown as {
        axe: {
          run: (
            root: string,
            options: object,
          ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>
        }
      }
      const { violations: found } = await checker.run(within, { runOnly: only })
      return found.flatMap(({ id, nodes }) =>
        nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary}`),
      )
    },
    [runOnly, root] as const,
  )
}

/** The LED levels of a drawn light, as #rrggbb, by its id such as `spine:1`. */
export async function lightOf(page: Page, model: string, id: string): Promise<string> {
  const known = modelById(model)
  const index = known ? lightIds(known).indexOf(id) : -1
  const told = (await page.locator('canvas.lights').first().getAttribute('data-lights')) ?? ''
  return `#${told.slice(6 * index, 6 * index + 6)}`
}

/** Runs an action from the menu of a profile's row in the library, by keys. */
export async function ofRow(page: Page, name: string, what: string): Promise<void> {
  await page.getByRole('button', { name: `More actions for ${name}`, exact: true }).press('Enter')
  await page
    .getByRole('menu', { name: `More actions for ${name}` })
    .getByRole('menuitem', { name: what })
    .press('Enter')
}

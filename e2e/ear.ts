import { expect, type CDPSession, type Page } from '@playwright/test'
import { itemAt } from '../src/core/base/items'

interface AxValue {
  value?: unknown
}
interface AxNode {
  role?: AxValue
  name?: AxValue
  value?: AxValue
  description?: AxValue
  properties?: { name: string; value: AxValue }[]
}

/** No page has more tab stops. */
const MAX_TABS = 150

/** States that a screen reader adds when they apply. */
const STATES = ['checked', 'pressed', 'selected', 'expanded', 'disabled', 'invalid']

/**
 * Reads out a page as a screen reader would: the focused element, from the browser's accessibility tree, and the text
 * of live regions.
 */
export class Ear {
  /** Everything read out so far, line by line. */
  readonly lines: string[] = []

  private constructor(
    readonly page: Page,
    private readonly cdp: CDPSession,
  ) {}

  static async at(page: Page): Promise<Ear> {
    await page.evaluate(() => {
      const said: string[] = []
      Object.assign(window, { said })
      const regions = '[aria-live="polite"], [aria-live="assertive"], [role="status"], [role="alert"], output'
      new MutationObserver((changes) => {
        for (const { target, addedNodes, type } of changes) {
          const at = target instanceof Element ? target : target.parentElement
          const region = at?.closest(regions)
          const came = [...addedNodes].flatMap((node) =>
            node instanceof Element && node.matches('[role="alert"]') ? node : [],
          )
          const texts =
            came.length > 0
              ? came
              : region && (type === 'characterData' || addedNodes.length > 0)
                ? [region]
                : []
          for (const { textContent } of texts) {
            const text = textContent.replace(/\s+/g, ' ').trim()
            if (text !== '' && said.at(-1) !== text) said.push(text)
          }
        }
      }).observe(document.body, { childList: true, characterData: true, subtree: true })
    })
    const cdp = await page.context().newCDPSession(page)
    return new Ear(page, cdp)
  }

  /** Presses keys one after the other, or types a text. */
  async press(...keys: string[]): Promise<void> {
    for (const key of keys) await this.page.keyboard.press(key)
  }

  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text)
  }

  /** Opens Find and types into it. */
  async find(text: string): Promise<void> {
    await this.press('Control+k')
    await this.hears(/option, selected$/)
    await this.type(text)
  }

  /**
   * Finds something and goes there with Enter.
   *
   * @param option what Find reads out for it
   * @param there what is read out on arrival
   */
  async goTo(text: string, option: string | RegExp, there: string | RegExp): Promise<void> {
    await this.find(text)
    await this.hears(option)
    await this.press('Enter')
    await this.hears(there)
  }

  /** Presses Tab until the focused element reads like this. */
  async tabTo(wanted: string | RegExp, key = 'Tab'): Promise<void> {
    const passed: string[] = []
    for (let presses = 0; presses < MAX_TABS; presses++) {
      await this.page.keyboard.press(key)
      const line = await this.focused()
      if (typeof wanted === 'string' ? line === wanted : wanted.test(line)) return void this.lines.push(line)
      passed.push(line)
    }
    throw new Error(`${wanted} is not among the tab stops:\n${passed.join('\n')}`)
  }

  /** Waits until the focused element or a live region reads like this, and records the line. */
  async hears(wanted: string | RegExp): Promise<void> {
    const fits = (line: string) => (typeof wanted === 'string' ? line === wanted : wanted.test(line))
    let heard: string[] = []
    await expect
      .poll(
        async () => {
          heard = [...(await this.said()), await this.focused()]
          return heard.some(fits) ? 'heard' : heard.slice(-4)
        },
        { message: `hears ${wanted}` },
      )
      .toBe('heard')
    this.lines.push(heard.find(fits) ?? '')
    await this.page.evaluate(() => ((Reflect.get(window, 'said') as string[]).length = 0))
  }

  private said(): Promise<string[]> {
    return this.page.evaluate(() => Reflect.get(window, 'said') as string[])
  }

  /** Returns name, role, value and states of the focused element or of its active descendant. */
  async focused(): Promise<string> {
    const { result } = await this.cdp.send('Runtime.evaluate', {
      expression: `(() => {
        const at = document.activeElement
        return document.getElementById(at?.getAttribute('aria-activedescendant') ?? '') ?? at
      })()`,
    })
    const { nodes } = (await this.cdp.send('Accessibility.getPartialAXTree', {
      objectId: result.objectId,
      fetchRelatives: false,
    })) as { nodes: AxNode[] }
    const { role, name, value, properties = [] } = itemAt(nodes, 0)
    const states = properties.flatMap(({ name: state, value: is }) => {
      if (!STATES.includes(state) || is.value === 'false') return []
      if (is.value === false) return state === 'expanded' ? ['collapsed'] : []
      return [state]
    })
    return [name?.value, role?.value, value?.value, ...states]
      .filter((part) => part !== undefined && part !== '')
      .join(', ')
  }
}

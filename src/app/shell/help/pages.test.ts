import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { englishMessages } from '../../../../scripts/messages'
import { describe, expect, it } from 'vitest'
import { TERM_DRAWINGS } from '../../shared/glossary-drawings'
import { pageOfView } from '../../shared/help'
import { createSSRApp, h } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { MarkdownText } from './markdown-text'
import { PAGES, readPage, TERMS, type Term } from './pages'

/** As in the page, without the surrounding element. */
async function htmlOf({ told }: Pick<Term, 'told'>): Promise<string> {
  const html = await renderToString(createSSRApp({ render: () => h(MarkdownText, { tokens: told }) }))
  return html.replace(/^<div>|<\/div>$|<!--[[\]]-->/g, '')
}

const messages = englishMessages().map(([key]) => key)
const words = new Set(TERMS.map(({ id }) => id))
const vueFiles = readdirSync('src/app', { recursive: true, encoding: 'utf8' }).filter((file) =>
  file.endsWith('.vue'),
)

describe('the help', () => {
  it.each(PAGES.map((page) => [page.id, page] as const))(
    '%s links only to what is there, and shows three tasks',
    async (_, page) => {
      const links = [...(await htmlOf(page)).matchAll(/href="([^"]+)"/g)].map(([, href = '']) => href)
      for (const href of links) {
        const [to, anchor] = href.split('#')
        if (to === 'glossary') expect(words).toContain(anchor)
        else expect(PAGES.map(({ id }) => id)).toContain(to)
      }
      expect(page.tasks).toHaveLength(3)
      for (const { steps } of page.tasks) {
        expect(steps.length).toBeGreaterThan(0)
        for (const { text, name } of steps) {
          expect(text).not.toBe('')
          // Exceptions: any control, and one named after its content.
          if (!['…', 'Right click'].includes(name)) expect(messages).toContain(name)
        }
      }
    },
  )

  it('every word of the trade is told and drawn, and opened only where there is one', async () => {
    expect([...words].sort()).toEqual(Object.keys(TERM_DRAWINGS).sort())
    for (const term of TERMS) expect((await htmlOf(term)).length).toBeGreaterThan(40)
    const used = vueFiles.flatMap((file) =>
      [...readFileSync(join('src/app', file), 'utf8').matchAll(/<GlossaryTerm of="([^"]+)"/g)].map(
        ([, of]) => of,
      ),
    )
    expect(used.length).toBeGreaterThan(3)
    for (const of of used) expect(words).toContain(of)
  })

  it('a line with several links is as many steps, one with one is told whole', async () => {
    const page = readPage(
      'x',
      '# T\n\nTold *so*.\n\n## Tasks\n\n### Do it\n\n1. Press [On](<show:button/On>), then see.\n2. [Lower](<show:button/L>) or [higher](<show:button/H …>).\n',
    )
    const { title, tasks } = page
    expect([title, await htmlOf(page)]).toEqual(['T', '<p>Told <em>so</em>.</p>'])
    expect(tasks).toEqual([
      {
        title: 'Do it',
        steps: [
          { role: 'button', name: 'On', text: 'Press On, then see.' },
          { role: 'button', name: 'L', text: 'Lower' },
          { role: 'button', name: 'H …', text: 'higher' },
        ],
      },
    ])
  })

  it('every view has its page', () => {
    const of = [
      '/devices/slots',
      '/shelf',
      '/profile/a/motion',
      '/profile/a/compare',
      '/macros/b',
      '/settings',
      '/',
    ]
    expect(of.map(pageOfView)).toEqual([
      'devices',
      'library',
      'motion',
      'buttons',
      'macros',
      'settings',
      'devices',
    ])
  })
})

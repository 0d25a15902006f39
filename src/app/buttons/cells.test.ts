import { actionText, typingIn } from '../../messages/english.test-support'
import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { firstItems } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { addLayer } from '../../core/edits/layer-edits'
import { bindingOn, effectiveBinding, factoryProfile } from '../../core/terms/profile'
import { contextOf, keyAction } from '../../core/text/context'
import { cellText } from '../../core/text/cell-text'
import type { HistoryEntry } from '../database/library-database'
import { editText } from '../stores/edit-texts'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useNotifications } from '../stores/notifications'
import { closePage, openPage } from '../stores/pages.test-support'
import { useCellClipboard } from './cell-clipboard'
import { useCellEdits } from './cell-edits'
import { useSelection, type CellPlace } from './selection'

const start = addLayer(addLayer(factoryProfile(tern7, 'Brinewatch'), 'Dive'), 'Winch')

beforeEach(async () => {
  await Dexie.delete('unisera-library')
  openPage()
})
afterEach(closePage)

/** The sheet of a profile in the library, assembled like in the view. */
async function sheet() {
  const library = useLibrary()
  await library.library.add(start, 0, 1, 'p')
  await vi.waitFor(() => expect(library.entry('p')).toBeDefined())
  const editor = useEditor()
  editor.open('p')
  await nextTick()
  const profile = () => editor.profile ?? start
  const context = computed(() => typingIn(contextOf(profile(), tern7)))
  const layers = computed(() => profile().layers)
  const rows = ref(tern7.inputs)
  const selection = useSelection(rows)
  const bindingAt = ({ input, layer }: CellPlace) => bindingOn(profile(), layer, input)
  const edits = useCellEdits({
    model: shallowRef(tern7),
    context,
    layers,
    selected: selection.selected,
    bindingAt,
  })
  const textAt = (place: CellPlace) => cellText(bindingAt(place), context.value)
  const clipboard = useCellClipboard({
    context,
    layers,
    rows,
    layer: selection.layer,
    cursor: selection.cursor,
    selected: selection.selected,
    textAt,
    nameOf: edits.nameOf,
    select: selection.select,
    editOrSay: edits.editOrSay,
  })
  const does = (input: string, layer = 0) => {
    const own = bindingAt({ input, layer })
    return own && actionText(own.action, context.value)
  }
  return { editor, selection, edits, clipboard, does, notices: useNotifications(), profile }
}
const at = (input: string, layer = 0): CellPlace => ({ input, layer })
const said = (edits: readonly HistoryEntry[]) => edits.map(({ label }) => editText(label))
const key = (code: string) => keyAction(code, [])

describe('edits of cells', () => {
  it('put an action, keep the name and the note of a binding, and say what they are', async () => {
    const { editor, edits, does, profile } = await sheet()
    expect(edits.put(at('side-front'), key('KeyY'), 'Descend')).toBeUndefined()
    expect(edits.setName(at('side-front'), { note: 'with the thumb' })).toBeUndefined()
    expect(edits.put(at('side-front'), key('KeyU'), 'Ascend')).toBeUndefined()
    expect(bindingOn(profile(), 0, 'side-front')).toEqual({
      action: key('KeyU'),
      name: 'Ascend',
      note: 'with the thumb',
    })
    expect(edits.put(at('side-front', 1), key('KeyB'))).toBeUndefined()
    expect(does('side-front', 1)).toBe('B')
    expect(said(editor.past)).toEqual([
      'set Side, front to Y',
      'change the texts of Side, front',
      'set Side, front to U',
      'set Side, front in Dive to B',
    ])
  })

  it('refuse what would leave no left click, with the reason where it was typed', async () => {
    const { edits, editor, notices } = await sheet()
    expect(edits.put(at('left'), key('KeyY'))).toMatch(/only left click/)
    edits.editOrSay(['paste', { cells: 1 }], [{ ...at('left'), put: { action: key('KeyY') } }])
    expect(notices.current?.text).toMatch(/only left click/)
    expect(editor.past).toEqual([])
  })

  it('fill, swap, clear and reset all that is selected, each as one edit', async () => {
    const { editor, edits, selection, does, profile } = await sheet()
    edits.put(at('side-front'), key('KeyY'))
    selection.select(at('side-front'))
    selection.toggle(at('side-rear', 1))
    selection.toggle(at('under-wheel', 1))
    edits.fillSelected()
    expect([does('side-rear', 1), does('under-wheel', 1)]).toEqual(['Y', 'Y'])
    edits.put(at('side-rear'), key('KeyR'))
    selection.select(at('side-front'))
    selection.toggle(at('side-rear'))
    edits.swapSelected()
    expect([does('side-front'), does('side-rear')]).toEqual(['R', 'Y'])
    edits.clear([at('side-rear', 1)])
    expect(does('side-rear', 1)).toBeUndefined()
    edits.clear([at('under-wheel', 1), at('side-rear')])
    expect(does('under-wheel', 1)).toBeUndefined()
    edits.reset()
    const input = tern7.inputs.find(({ id }) => id === 'side-front')
    if (!input) throw new Error('there is such an input')
    expect(effectiveBinding(profile(), 0, input)).toEqual(effectiveBinding(start, 0, input))
    expect(said(editor.past).slice(1)).toEqual([
      'fill 3 cells',
      'set Side, rear to R',
      'swap Side, front and Side, rear',
      'clear Side, rear in Dive',
      'clear 2 cells',
      'reset 2 inputs',
    ])
  })
})

describe('cells as text', () => {
  it('are copied a line a row, a tab between layers, and pasted the same elsewhere', async () => {
    const { edits, clipboard, selection, does, editor } = await sheet()
    edits.put(at('side-rear'), key('KeyR'))
    edits.put(at('side-rear', 1), key('KeyD'))
    edits.put(at('side-front'), key('KeyF'))
    const rows = tern7.inputs.map(({ id }) => id)
    const [first, second] = firstItems(
      ['side-rear', 'side-front'].sort((a, b) => rows.indexOf(a) - rows.indexOf(b)),
      2,
    )
    selection.select(at(first))
    selection.extendTo(at(second, 1))
    const text = clipboard.copyText()
    expect(text.split('\n').map((line) => line.split('\t'))).toEqual(
      [first, second].map((input) => [does(input) ?? 'inherited', does(input, 1) ?? 'inherited']),
    )
    selection.select(at(first, 1))
    clipboard.paste(`${text}\r\n`)
    await vi.waitFor(() => expect(does(first, 2)).toBe(first === 'side-rear' ? 'D' : undefined))
    expect(does(second, 1)).toBe(second === 'side-front' ? 'F' : 'R')
    expect(said(editor.past).at(-1)).toBe('paste 4 cells')
  })

  it('one fills all that are selected; what does not fit or cannot be read changes nothing and says so', async () => {
    const { clipboard, selection, does, editor, notices } = await sheet()
    selection.select(at('side-rear', 1))
    selection.toggle(at('under-wheel', 2))
    clipboard.paste('ctrl+b')
    await vi.waitFor(() =>
      expect([does('side-rear', 1), does('under-wheel', 2)]).toEqual(['Ctrl+B', 'Ctrl+B']),
    )
    const edits = editor.past.length
    selection.select(at('side-rear', 2))
    clipboard.paste('y\tu')
    expect(notices.current?.text).toBe('Nothing was pasted: 1 rows and 2 columns do not fit here.')
    clipboard.paste('y\nno such thing')
    expect(notices.current?.text).toMatch(
      /^Nothing was pasted\. In the cell for Side, front in .*“no such thing”/,
    )
    expect(editor.past.length).toBe(edits)
    expect(does('side-rear', 2)).toBeUndefined()
  })

  it('what is dropped on an input comes to the edited layer and is selected', async () => {
    const { clipboard, selection, does, editor, notices } = await sheet()
    selection.select(at('left', 1))
    clipboard.drop('y', 'side-front')
    await vi.waitFor(() => expect(does('side-front', 1)).toBe('Y'))
    expect(selection.cursor.value).toEqual(at('side-front', 1))
    expect(said(editor.past).at(-1)).toBe('drop an action on Side, front in Dive')
    clipboard.drop('inherited', 'side-front', 1)
    await vi.waitFor(() => expect(does('side-front', 1)).toBeUndefined())
    clipboard.drop('no such thing', 'side-front')
    expect(notices.current?.text).toMatch(/Nothing was changed\.$/)
  })
})

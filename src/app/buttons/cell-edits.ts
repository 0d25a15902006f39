import { message, type MessageFact } from '../../core/message/message'
import type { Ref } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { actionMessage } from '../../core/text/action-text'
import { type ActionContext } from '../../core/text/context'
import { bindAll, resetInputs, setBindingText, swapBindings, type Cell } from '../../core/edits/edits'
import type { Action, Binding, Layer } from '../../core/document/schema'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'
import type { EditName } from '../stores/edit-texts'
import type { CellPlace } from './selection'

/** Dependencies of edits of cells. */
export interface SheetSource {
  model: Readonly<Ref<DeviceModel | undefined>>
  context: Readonly<Ref<ActionContext | undefined>>
  layers: Readonly<Ref<readonly Layer[]>>
  selected: Ref<CellPlace[]>
  bindingAt(place: CellPlace): Binding | undefined
}

/** All edits of cells, each as a single edit that can be undone. */
export function useCellEdits({ model, context, layers, selected, bindingAt }: SheetSource) {
  const editor = useEditor()
  const notices = useNotifications()

  const nameOf = ({ input, layer }: CellPlace): MessageFact => {
    const name = model.value?.inputs.find(({ id }) => id === input)?.name ?? input
    return layer === 0
      ? name
      : message('actions.cellInLayer', { input: name, layer: layers.value[layer]?.name ?? '' })
  }

  function edit(label: EditName, cells: readonly Cell[]): string | undefined {
    const { value: now } = model
    return now && editor.edit(label, (current) => bindAll(current, now, cells))
  }

  /** The same, with the reason of a refusal as a notification. */
  function editOrSay(label: EditName, cells: readonly Cell[]): void {
    const reason = edit(label, cells)
    if (reason) notices.refuse(reason)
  }

  /** Binds an action to a cell; an undefined `name` keeps the in-game name. @returns the reason if it was refused */
  function put(place: CellPlace, action: Action, name?: string): string | undefined {
    const note = bindingAt(place)?.note
    const what = name === undefined ? action : { action, name, ...(note && { note }) }
    const does = context.value ? actionMessage(action, context.value) : ''
    return edit(['bind', { cell: nameOf(place), does }], [{ ...place, put: what }])
  }

  function setName(place: CellPlace, words: { name?: string; note?: string }): string | undefined {
    const { value: now } = model
    const label: EditName = ['words', { cell: nameOf(place) }]
    return (
      now && editor.edit(label, (current) => setBindingText(current, now, place.layer, place.input, words))
    )
  }

  function clear(places: readonly CellPlace[]): void {
    editOrSay(
      ['clear', { cells: places.map(nameOf) }],
      places.map((place) => ({ ...place, put: undefined })),
    )
  }

  /** Copies the binding of the first selected cell to all of them. */
  function fillSelected(): void {
    const [first] = selected.value
    if (!first) return
    const binding = bindingAt(first)
    const cells = selected.value.map((place) => ({ ...place, put: binding }))
    editOrSay(['fill', { cells: cells.length }], cells)
  }

  function swapSelected(): void {
    const [first, second] = selected.value
    const { value: now } = model
    if (!now || !first || !second) return
    const label: EditName = ['swap', { cells: [nameOf(first), nameOf(second)] }]
    const reason = editor.edit(label, (current) => swapBindings(current, now, first, second))
    if (reason) notices.refuse(reason)
  }

  /** Resets all layers of the selected inputs to factory settings. */
  function reset(): void {
    const { value: now } = model
    const inputs = [...new Set(selected.value.map(({ input }) => input))]
    const reason =
      now &&
      editor.edit(['reset-inputs', { inputs: inputs.length }], (current) => resetInputs(current, now, inputs))
    if (reason) notices.refuse(reason)
  }

  return { nameOf, editOrSay, put, setName, clear, fillSelected, swapSelected, reset }
}

import { textOf } from '../../messages/page'
import { computed, reactive, ref, watch, type Ref } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import { contextOf, type TypingContext } from '../../core/text/context'
import { cellText } from '../../core/text/cell-text'
import { bindingOn, differsFromFactory, factoryAction } from '../../core/terms/profile'
import type { Binding } from '../../core/document/schema'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { usePrograms } from '../stores/programs'
import { commandActions } from '../../core/terms/commands'
import { useCellClipboard } from './cell-clipboard'
import { useCellEdits } from './cell-edits'
import { matchesFilter } from '../../core/base/matching'
import { layerActivation } from '../../core/text/layer-activation'
import { cellKey, useSelection, type CellPlace } from './selection'

export { cellKey, type CellPlace } from './selection'

/** With more inputs, the sheet initially shows only those that differ from factory settings, in groups. */
const MANY_INPUTS = 30

/**
 * State shared by the drawing and the sheet of the Buttons view: the cells of the profile, the visible, open and
 * selected ones, and all their edits.
 */
export function useButtonsView() {
  const editor = useEditor()
  const macros = useMacros()
  const programs = usePrograms()
  const { edits, device, compiled } = usePending()
  const profile = computed(() => editor.profile)
  const model = computed(() => editor.model)
  const layers = computed(() => profile.value?.layers ?? [])
  const computer = computed(() => profile.value?.computer)
  const program = computed(() => programs.shelf.get(profile.value?.program ?? ''))
  /** The commands of the program that the profile is for, which most edits leave as they are. */
  const commands = computed(() =>
    program.value && computer.value ? commandActions(program.value, computer.value) : [],
  )
  const context = computed(() =>
    profile.value && model.value
      ? { ...contextOf(profile.value, model.value, macros.wholeShelf, commands.value), textOf }
      : undefined,
  )
  const cells = useCells(context)
  const shown = useRows(cells.textAt)
  const { rows, kept, ...filtering } = shown
  const selection = useSelection(rows)
  const { open, cursor, selected } = selection
  watch([open, cursor], () => (kept.value = [open.value?.input, cursor.value?.input]))
  watch(() => layers.value.length, selection.keepWithin)
  const cellEdits = useCellEdits({ model, context, layers, selected, bindingAt: cells.bindingAt })
  const clipboard = useCellClipboard({
    context,
    layers,
    rows,
    textAt: cells.textAt,
    layer: selection.layer,
    cursor,
    selected,
    nameOf: cellEdits.nameOf,
    select: selection.select,
    editOrSay: cellEdits.editOrSay,
  })
  const hovered = ref<string>()
  const carrying = ref<string>()
  /** From the drawing: binds the carried action, or opens the cell of the edited layer. */
  function openInput(input: string): void {
    const text = carrying.value
    carrying.value = undefined
    if (text === undefined) selection.openCell({ layer: selection.layer.value, input })
    else clipboard.drop(text, input)
  }
  const pending = computed(() => new Set(edits.value.flatMap(({ at }) => (at ? [cellKey(at)] : []))))

  /** Cells with errors, which prevent writing. */
  const errors = computed(
    () =>
      new Set(
        (compiled.value?.errors ?? []).flatMap(({ at }) =>
          at?.input === undefined ? [] : cellKey({ layer: at.layer, input: at.input }),
        ),
      ),
  )

  const selectedKeys = computed(() => new Set(selected.value.map(cellKey)))

  return reactive({
    errors,
    selectedKeys,
    profile,
    model,
    context,
    device,
    layers,
    hovered,
    pending,
    rows,
    ...cells,
    ...filtering,
    ...selection,
    setSelectsMore: (on: boolean) => void (selection.selectsMore.value = on),
    ...cellEdits,
    ...clipboard,
    openInput,
    carrying,
    /** An action to be bound to an input, as the text of a cell; undefined ends it. */
    carry: (text: string | undefined) => void (carrying.value = text),
    reach: (index: number) =>
      profile.value && model.value ? textOf(layerActivation(profile.value, model.value, index)) : '',
    hover: (input: string | undefined) => void (hovered.value = input),
  })
}

export type ButtonsView = ReturnType<typeof useButtonsView>

/** The cells of the open profile. */
function useCells(context: Readonly<Ref<TypingContext | undefined>>) {
  const editor = useEditor()

  /** The own binding of a cell; on the base layer, the factory binding if there is none. */
  function bindingAt({ layer, input: id }: CellPlace): Binding | undefined {
    const own = editor.profile && bindingOn(editor.profile, layer, id)
    const input = editor.model?.inputs.find((each) => each.id === id)
    return own ?? (layer === 0 && input ? { action: factoryAction(input) } : undefined)
  }

  function textAt(place: CellPlace): string {
    return context.value ? cellText(bindingAt(place), context.value) : ''
  }

  return { bindingAt, textAt }
}

/** The visible inputs, by search and filter. */
function useRows(textAt: (place: CellPlace) => string) {
  const editor = useEditor()
  const filter = reactive({ text: '', changedOnly: false })
  /** Inputs that stay visible regardless of the filter, because they are being edited. */
  const kept = ref<(string | undefined)[]>([])
  const many = computed(() => (editor.model?.inputs.length ?? 0) > MANY_INPUTS)
  /** A sheet with many rows initially shows changed inputs, if there are any. */
  const startsFiltered = (): boolean => {
    const { profile, model } = editor
    return (
      many.value && model?.inputs.some(({ id }) => profile && differsFromFactory(profile, model, id)) === true
    )
  }
  watch([many, () => editor.openId], () => (filter.changedOnly = startsFiltered()), { immediate: true })

  function isShown(input: DeviceInput): boolean {
    const { profile, model } = editor
    if (!profile || !model || kept.value.includes(input.id)) return true
    if (filter.changedOnly && filter.text === '' && !differsFromFactory(profile, model, input.id))
      return false
    const texts = profile.layers.map((_, layer) => textAt({ layer, input: input.id }))
    return matchesFilter(filter.text, [String(input.number), textOf(input.name), ...texts])
  }

  const rows = computed(() => (editor.model?.inputs ?? []).filter(isShown))
  const hiddenCount = computed(() => (editor.model?.inputs.length ?? 0) - rows.value.length)
  const setFilter = (change: Partial<typeof filter>) => void Object.assign(filter, change)
  return { rows, kept, many, filter, hiddenCount, setFilter }
}

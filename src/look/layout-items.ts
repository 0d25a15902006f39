import { computed } from 'vue'
import { LAYOUTS } from '../core/computer/layouts'
import { textOf } from '../messages/page'

/** The keyboard layouts as items of a select field, in the language of the page. */
export const useLayoutItems = () =>
  computed(() => LAYOUTS.map(({ id, name }) => ({ value: id, title: textOf(name) })))

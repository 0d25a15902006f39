import { defineComponent, h, type Component } from 'vue'
import type { VList } from 'vuetify/components'
import { VSelect } from 'vuetify/components'

/**
 * Names the list that a field opens. The component library names it after a visible label, which most of our fields
 * lack, and makes it a live region, so that screen readers would read out all of it.
 */
export const namedList = (label: unknown): VList['$props'] =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Vuetify does not declare ARIA attributes as props
  ({ 'aria-label': label, 'aria-labelledby': undefined, 'aria-live': 'off' }) as VList['$props']

/** Fields have no loading bar, which would cost one layout per field. */
const nothing = () => []

/** A field that opens a list to select from; the list has the name of the field. */
// eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Vuetify does not declare ARIA attributes as props
export const SelectField = defineComponent({
  inheritAttrs: false,
  setup:
    (_, { attrs, slots }) =>
    () =>
      h(
        // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Vuetify does not declare ARIA attributes as props
        VSelect as Component,
        { ...attrs, listProps: namedList(attrs['aria-label'] ?? attrs.label) },
        { loader: nothing, ...slots },
      ),
}) as unknown as typeof VSelect

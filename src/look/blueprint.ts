import type { VuetifyOptions } from 'vuetify'

/**
 * Default look and behaviour of the component library: flat, with hairline outlines, small corners and no ripple. Sizes
 * and colours are in settings.scss.
 */
const FIELD = {
  variant: 'outlined',
  density: 'compact',
  hideDetails: 'auto',
  singleLine: true,
  color: 'ink',
  rounded: 'md',
} as const

const SLIDER = {
  color: 'bar-motion',
  trackSize: 3,
  thumbSize: 14,
  hideDetails: true,
  ripple: false,
} as const

const TICK = { density: 'compact', hideDetails: 'auto', color: 'ink', ripple: false } as const

export const blueprint: NonNullable<VuetifyOptions['defaults']> = {
  global: { ripple: false },
  VAlert: { transition: false, rounded: '0' },
  VBtn: { variant: 'outlined', rounded: 'md' },
  VBtnToggle: { variant: 'outlined', size: 'default' },
  VCheckbox: TICK,
  VCombobox: { ...FIELD, transition: false },
  VChip: { variant: 'flat', size: 'small', label: true },
  VDataTableVirtual: { density: 'compact' },
  VDialog: { maxWidth: 460, transition: false },
  VExpansionPanels: { flat: true, variant: 'accordion', static: true, rounded: '0' },
  VList: { density: 'compact', nav: false, color: 'ink' },
  VListItem: { minHeight: 32, rounded: 'sm' },
  VMenu: { offset: 4, transition: false },
  VNavigationDrawer: { color: 'rail', border: 0, permanent: true, disableResizeWatcher: true },
  VNumberInput: { ...FIELD, controlVariant: 'hidden' },
  VProgressLinear: { color: 'ink', rounded: true, height: 3 },
  VRadioGroup: TICK,
  VRadio: { density: 'compact', color: 'ink', ripple: false },
  // Skip the animation: a list removed while it closes has no position to move to.
  VSelect: { ...FIELD, transition: false, menuProps: { offset: 2 } },
  VRangeSlider: SLIDER,
  VSlider: SLIDER,
  VSnackbarQueue: { transition: false, variant: 'flat', location: 'bottom center' },
  VSwitch: { ...TICK, inset: true },
  VTable: { density: 'compact' },
  VTabs: { density: 'compact', height: 34, sliderTransition: 'fade' },
  VTextField: FIELD,
  VTooltip: { transition: false, location: 'bottom', maxWidth: 340, offset: 6, interactive: true },
}

import { en } from 'vuetify/locale'
import { t } from '../messages/page'

/** The texts that the component library shows by itself, from our catalogue. The library fills in `{0}`. */
export const libraryTexts = () => ({
  ...en,
  open: t('look.open'),
  close: t('look.close'),
  dismiss: t('look.dismiss'),
  noDataText: t('look.nothingToShow'),
  colorPicker: {
    ariaLabel: {
      ...en.colorPicker.ariaLabel,
      eyedropper: t('look.pickAColourFromTheScreen'),
      hueSlider: t('look.hue'),
    },
  },
  hotkey: {
    ...en.hotkey,
    plus: t('look.plus'),
    or: t('look.or'),
    shortcut: t('look.keyboardShortcut', { keys: '{0}' }),
  },
})

import { useOwnSetting } from '../../look/own-storage'

/** What a person's own screen and game are, for sums of what the hand feels; kept in this browser. */
export const useFeelOf = () =>
  useOwnSetting('unisera-feel', { screenPx: 1920, degreesPerCount: 0.022 }, { mergeDefaults: true })

export const SCREENS_PX = [1280, 1920, 2560, 3440, 3840, 5120]

import { useOwnSetting } from '../../look/own-storage'

/** The person's own screen and game, for distances of the hand; saved in this browser. */
export const useFeelOf = () =>
  useOwnSetting('unisera-feel', { screenPx: 1920, degreesPerCount: 0.022 }, { mergeDefaults: true })

export const SCREENS_PX = [1280, 1920, 2560, 3440, 3840, 5120]

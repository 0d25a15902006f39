import { withTexts } from '../../messages/page'
import { keysOf } from '../../core/base/tables'

/** All settings of the application, for the page, its search and Find. */
export const SETTINGS = {
  theme: withTexts(
    { words: 'dark night mode appearance colours' },
    { title: 'settings.theme', about: 'settings.lightOrDarkColours' },
  ),
  textSize: withTexts(
    { words: 'font zoom bigger' },
    { title: 'settings.textSize', about: 'settings.largerTextOnBothPages' },
  ),
  contrast: withTexts(
    { words: 'accessibility readable' },
    { title: 'settings.contrast', about: 'settings.strongerLinesAndText' },
  ),
  lights: withTexts(
    { words: 'motion animation reduced' },
    { title: 'settings.lightsInDrawings', about: 'settings.movingOrStillLights' },
  ),
  lengths: withTexts(
    { words: 'units cm metric imperial' },
    { title: 'settings.unitsForHandMovement', about: 'settings.millimetresOrInches' },
  ),
  computer: withTexts(
    { words: 'windows macos linux language keyboard qwerty azerty' },
    { title: 'settings.defaultsForNewProfiles', about: 'settings.operatingSystemAndKeyboardLayoutOf' },
  ),
  capture: withTexts(
    { words: 'one hand sticky modifiers accessibility chord shortcut record' },
    { title: 'settings.keyCapture', about: 'settings.howToPressAChordSuchAs' },
  ),
  start: withTexts(
    { words: 'home page last view startup' },
    { title: 'settings.startView', about: 'settings.theViewThatOpensFirst' },
  ),
  notes: withTexts(
    { words: 'osd overlay popup sound beep' },
    { title: 'settings.onScreenNotes', about: 'settings.aNoteWhenTheStepLayerSlot' },
  ),
  notices: withTexts(
    { words: 'notifications battery alerts messages' },
    { title: 'settings.notifications', about: 'settings.eventsThatShowANotification' },
  ),
  said: withTexts(
    { words: 'history log notifications messages' },
    { title: 'settings.notificationHistory', about: 'settings.theLastFiftyNotifications' },
  ),
  storage: withTexts(
    { words: 'storage disk quota library persistent' },
    { title: 'settings.storageInThisBrowser', about: 'settings.spaceUsedSpaceLeftAndHowLong' },
  ),
  offline: withTexts(
    { words: 'install app network airplane service worker' },
    { title: 'settings.offlineUse', about: 'settings.startingUniseraWithoutANetwork' },
  ),
  backup: withTexts(
    { words: 'export import archive zip restore' },
    { title: 'settings.backup', about: 'settings.allDataInOneFile' },
  ),
  support: withTexts(
    { words: 'version licence help bug report diagnostics' },
    { title: 'settings.aboutAndSupport', about: 'settings.versionLicencesAndInformationFor' },
  ),
  forget: withTexts(
    { words: 'delete erase reset clear data privacy' },
    { title: 'settings.deleteAllData2', about: 'settings.theLibraryAndAllSettingsInThis' },
  ),
} as const satisfies Record<string, { title: string; about: string; words: string }>

export type SettingId = keyof typeof SETTINGS
export const settingIds = keysOf(SETTINGS)

import { t } from '../../../messages/page'
import type { HelpStep, HelpTask } from '../../shared/help'

const ofProfile = (id: string): HelpStep[] => [
  {
    path: `/profile/${id}/buttons`,
    role: 'grid',
    name: t('shell.bindingSheet'),
    text: t('shell.eachRowIsAnInputEachColumn'),
  },
  {
    role: 'button',
    name: t('shell.writeToSlot'),
    text: t('shell.yourEditsStayInThisBrowserUntil'),
  },
]

/** The tour of a first visit. @param profile id of a profile to show it on, if there is one */
export const createTour = (profile: string | undefined): HelpTask => ({
  title: t('shell.welcome'),
  steps: [
    {
      path: '/devices',
      role: 'link',
      name: t('shell.devices'),
      text: t('shell.devicesShowsEveryDeviceAndThe'),
    },
    {
      path: '/library',
      role: 'link',
      name: t('shell.library'),
      text: t('shell.theLibraryInThisBrowserHasYour'),
    },
    ...(profile === undefined ? [] : ofProfile(profile)),
    {
      role: 'link',
      name: t('shell.unplugged'),
      text: t('shell.thenTryItUnpluggedIsAComputer'),
    },
  ],
})

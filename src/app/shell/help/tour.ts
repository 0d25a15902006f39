import type { HelpStep, HelpTask } from '../../shared/help'

const ofProfile = (id: string): HelpStep[] => [
  {
    path: `/profile/${id}/buttons`,
    role: 'grid',
    name: 'Binding sheet',
    text: 'A row is an input, a column a layer. Type into a cell what it is to do: ctrl+z, volume up, step 3.',
  },
  {
    role: 'button',
    name: 'Write to slot …',
    text: 'What you edit is only here until you write it to a slot. It is read back, and this says so.',
  },
]

/** What a first visit is shown. @param profile id of a profile to show it on, where there is one */
export const tourOf = (profile: string | undefined): HelpTask => ({
  title: 'A first look',
  steps: [
    {
      path: '/devices',
      role: 'link',
      name: 'Devices',
      text: 'Devices are here, with what each of their slots holds. The four that ship are simulated, down to their memory.',
    },
    {
      path: '/library',
      role: 'link',
      name: 'Library',
      text: 'Profiles live in the library, in this browser. A few are here to begin from.',
    },
    ...(profile === undefined ? [] : ofProfile(profile)),
    {
      role: 'link',
      name: 'Unplugged',
      text: 'Then prove it: a computer without Unisera, where the device does everything by itself. ? opens the help of any view.',
    },
  ],
})

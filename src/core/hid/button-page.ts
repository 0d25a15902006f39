/**
 * Button page (0x09) of the HID Usage Tables 1.5, section 12: usage n is button n; 1 is the primary button. Names
 * beyond the third follow their common use on computers.
 */
export interface ButtonUsage {
  usage: number
  label: string
  words: readonly string[]
}

/** Highest button number in a Unisera mouse report. */
export const BUTTON_COUNT = 8

/** The buttons of a mouse report in order of their usage, 1 to 8. */
export const BUTTON_USAGES: readonly ButtonUsage[] = [
  {
    usage: 1,
    label: 'Left click',
    words: ['left click', 'left button', 'click', 'button 1', 'primary click'],
  },
  { usage: 2, label: 'Right click', words: ['right click', 'right button', 'button 2', 'secondary click'] },
  { usage: 3, label: 'Middle click', words: ['middle click', 'middle button', 'button 3', 'wheel click'] },
  { usage: 4, label: 'Back click', words: ['back click', 'back button', 'button 4', 'back'] },
  { usage: 5, label: 'Forward click', words: ['forward click', 'forward button', 'button 5', 'forward'] },
  { usage: 6, label: 'Button 6', words: ['button 6'] },
  { usage: 7, label: 'Button 7', words: ['button 7'] },
  { usage: 8, label: 'Button 8', words: ['button 8'] },
]

/** The name of button n; numbers without a name become `Button n`. */
export const buttonLabel = (usage: number): string => BUTTON_USAGES[usage - 1]?.label ?? `Button ${usage}`

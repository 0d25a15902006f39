import { message, type Message } from '../message/message'

/**
 * Button page (0x09) of the HID Usage Tables 1.5, section 12: usage n is button n; 1 is the primary button. Names
 * beyond the third follow their common use on computers.
 */
export interface ButtonUsage {
  usage: number
  label: Message
  words: readonly string[]
}

/** Highest button number in a Unisera mouse report. */
export const BUTTON_COUNT = 8

/** The buttons of a mouse report in order of their usage, 1 to 8. */
export const BUTTON_USAGES: readonly ButtonUsage[] = [
  {
    usage: 1,
    label: message('names.leftClick'),
    words: ['left click', 'left button', 'click', 'button 1', 'primary click'],
  },
  {
    usage: 2,
    label: message('names.rightClick'),
    words: ['right click', 'right button', 'button 2', 'secondary click'],
  },
  {
    usage: 3,
    label: message('names.middleClick'),
    words: ['middle click', 'middle button', 'button 3', 'wheel click'],
  },
  { usage: 4, label: message('names.backClick'), words: ['back click', 'back button', 'button 4', 'back'] },
  {
    usage: 5,
    label: message('names.forwardClick'),
    words: ['forward click', 'forward button', 'button 5', 'forward'],
  },
  { usage: 6, label: message('names.button', { number: 6 }), words: ['button 6'] },
  { usage: 7, label: message('names.button', { number: 7 }), words: ['button 7'] },
  { usage: 8, label: message('names.button', { number: 8 }), words: ['button 8'] },
]

/** The name of button n; numbers without a name become `Button n`. */
export const buttonLabel = (usage: number): Message =>
  BUTTON_USAGES[usage - 1]?.label ?? message('names.button', { number: usage })

/** Usage pages, and the usages of other pages that a report descriptor needs (HID Usage Tables 1.5). */
export const PAGE = {
  genericDesktop: 0x01,
  keyboard: 0x07,
  button: 0x09,
  consumer: 0x0c,
  vendor: 0xff42,
} as const

/** Generic Desktop page (0x01), section 4. */
export const DESKTOP = { pointer: 0x01, mouse: 0x02, keyboard: 0x06, x: 0x30, y: 0x31, wheel: 0x38 } as const

/** Consumer page: the collection itself, and horizontal scrolling as used by mice. */
export const CONSUMER = { consumerControl: 0x01, acPan: 0x238 } as const

import type { DeviceInput, DeviceModel } from '../core/device/model'

const ARROW_MM = 2
const ARROWS: Record<string, [dxMm: number, dyMm: number] | undefined> = {
  ArrowLeft: [-ARROW_MM, 0],
  ArrowRight: [ARROW_MM, 0],
  ArrowUp: [0, -ARROW_MM],
  ArrowDown: [0, ARROW_MM],
}

/** Effects of a person's own keys on a device: see {@link ownKey}. */
export interface OwnKeyTargets {
  press(input: DeviceInput): void
  release(input: DeviceInput): void
  slide(dxMm: number, dyMm: number): void
}

/**
 * The person's own keyboard replaces fingers: its keys press those of a keyboard, its digits the numbered inputs of a
 * mouse, and its arrow keys move a mouse.
 */
export function ownKey(
  event: Pick<KeyboardEvent, 'code' | 'repeat' | 'preventDefault'>,
  down: boolean,
  model: DeviceModel,
  targets: OwnKeyTargets,
): void {
  // Tab stays with the page, so that people can leave it.
  if (event.code === 'Tab') return
  const input = model.inputs.find(({ number, key }) =>
    model.kind === 'keyboard' ? key?.code === event.code : event.code === `Digit${number}`,
  )
  const arrow = model.sensor ? ARROWS[event.code] : undefined
  if (!input && !arrow) return
  event.preventDefault()
  if (arrow && down) targets.slide(...arrow)
  if (!input || event.repeat) return
  if (down) targets.press(input)
  else targets.release(input)
}

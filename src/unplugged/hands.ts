import { shallowRef } from 'vue'
import type { DeviceInput } from '../core/device/model'
import type { SimulatorClient } from '../simulator/client'

/** Fingers on the devices: pressed inputs, and inputs that stay pressed until the next press. */
export function useHands(simulator: SimulatorClient) {
  const down = shallowRef<readonly { deviceId: string; input: DeviceInput; latched: boolean }[]>([])
  const find = (deviceId: string, { id }: DeviceInput) =>
    down.value.find((each) => each.deviceId === deviceId && each.input.id === id)

  /** @param latch keeps it pressed when the finger lifts, so that the hand is free for another device */
  function press(deviceId: string, input: DeviceInput, latch = false): void {
    if (input.kind === 'turn') return void simulator.turn(deviceId, input.id, 1)
    if (find(deviceId, input)) return
    down.value = [...down.value, { deviceId, input, latched: latch }]
    void simulator.press(deviceId, input.id)
  }

  function release(deviceId: string, input: DeviceInput): void {
    if (find(deviceId, input)?.latched === false) lift(deviceId, input)
  }

  /** Releases it, whatever held it. */
  function lift(deviceId: string, input: DeviceInput): void {
    const held = find(deviceId, input)
    if (!held) return
    down.value = down.value.filter((each) => each !== held)
    void simulator.release(deviceId, input.id)
  }

  /** The pointer stays with the input where it was pressed, so that lifting it anywhere releases that input. */
  function pointerDown(deviceId: string, input: DeviceInput, event: PointerEvent): void {
    if (event.target instanceof Element) event.target.setPointerCapture(event.pointerId)
    pressOrLift(deviceId, input, event.shiftKey)
  }

  function keyDown(deviceId: string, input: DeviceInput, event: KeyboardEvent): void {
    if (!event.repeat) pressOrLift(deviceId, input, event.shiftKey)
  }

  function pressOrLift(deviceId: string, input: DeviceInput, latch: boolean): void {
    if (find(deviceId, input)?.latched) lift(deviceId, input)
    else press(deviceId, input, latch)
  }

  const pressedOn = (deviceId: string) =>
    down.value.filter((each) => each.deviceId === deviceId).map(({ input }) => input.id)

  return { down, press, release, lift, pointerDown, keyDown, pressedOn }
}

export type Hands = ReturnType<typeof useHands>

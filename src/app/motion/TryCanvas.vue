<script setup lang="ts">
import { useElementSize, useRafFn } from '@vueuse/core'
import { useTemplateRef } from 'vue'
import type { Target } from '../../core/motion/targets'
import { useTheme } from '../../look/component-library'
import type { TryOut } from './try-out'
import type { TracePoint } from './pointer-trace'

/** The screen of the try-out: the pointer, its trail, the trail of the hand, and the targets. */
const props = defineProps<{ tryOut: TryOut; target: Target | undefined; showHand: boolean }>()
const theme = useTheme()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const { width } = useElementSize(canvas)
let drawn = ''

/** Painted again after visible changes. */
useRafFn(() => {
  const { trail, handTrail, pointer } = props.tryOut
  const state = [
    ...[trail.length, handTrail.length, pointer.value.x, pointer.value.y, width.value, theme.value],
    ...[handTrail.at(-1)?.x, props.target?.x, props.showHand],
  ].join()
  if (state === drawn || !canvas.value || width.value === 0) return
  drawn = state
  draw(canvas.value)
})

function draw(element: HTMLCanvasElement): void {
  const context = element.getContext('2d')
  if (!context) return
  const ratio = window.devicePixelRatio
  const scale = (width.value * ratio) / props.tryOut.screen.value.width
  element.width = Math.round(width.value * ratio)
  element.height = Math.round(props.tryOut.screen.value.height * scale)
  context.scale(scale, scale)
  const style = getComputedStyle(element)
  const colour = (name: string) => style.getPropertyValue(name)
  if (props.target) drawTarget(context, props.target, colour)
  line(context, props.tryOut.trail, colour('--bar-motion'), 7)
  if (props.showHand) {
    context.setLineDash([12, 14])
    line(context, props.tryOut.handTrail, colour('--ink'), 4)
    context.setLineDash([])
  }
  drawPointer(context, props.tryOut.pointer.value, colour)
}

function line(context: CanvasRenderingContext2D, points: TracePoint[], stroke: string, wide: number): void {
  context.beginPath()
  for (const { x, y } of points) context.lineTo(x, y)
  Object.assign(context, { strokeStyle: stroke, lineWidth: wide, lineJoin: 'round', lineCap: 'round' })
  context.stroke()
}

function drawTarget(
  context: CanvasRenderingContext2D,
  { x, y, size, kind }: Target,
  colour: (name: string) => string,
): void {
  context.beginPath()
  context.arc(x, y, size / 2, 0, 2 * Math.PI)
  context.lineWidth = 5
  context.strokeStyle = colour('--motion')
  context.fillStyle = colour('--motion-wash')
  if (kind === 'cross') context.setLineDash([14, 9])
  context.fill()
  context.stroke()
  context.setLineDash([])
}

function drawPointer(
  context: CanvasRenderingContext2D,
  { x, y }: TracePoint,
  colour: (name: string) => string,
): void {
  context.beginPath()
  for (const [dx, dy] of [
    [0, 0],
    [0, 46],
    [12, 35],
    [32, 34],
  ] as const)
    context.lineTo(x + dx, y + dy)
  context.closePath()
  context.fillStyle = colour('--ink')
  context.strokeStyle = colour('--paper-high')
  context.lineWidth = 4
  context.stroke()
  context.fill()
}
</script>

<template>
  <canvas
    ref="canvas"
    class="block w-full"
    :style="{ aspectRatio: `${tryOut.screen.value.width} / ${tryOut.screen.value.height}` }"
  />
</template>

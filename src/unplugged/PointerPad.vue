<script setup lang="ts">
import { errorText } from '../look/error-text'
import { t, textOf } from '../messages/page'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { DeviceInput, DeviceModel, InputRole } from '../core/device/model'
import { MM_PER_INCH } from '../core/motion/steps'
import { ownKey } from './own-keys'
import type { MeasuredPolling } from '../core/computer/movement-polling'
import { SCREEN, type Desktop } from '../core/computer/desktop'
import { SelectField } from '../look/SelectField'

/**
 * The computer's screen. While it has the pointer, the person's own mouse replaces the device: its movement is the
 * hand's, its buttons press inputs with the same role, digits press inputs by number.
 */
const props = defineProps<{ model: DeviceModel; desktop: Desktop; polling: MeasuredPolling | undefined }>()
const emit = defineEmits<{
  press: [input: DeviceInput]
  release: [input: DeviceInput]
  move: [dxMm: number, dyMm: number]
  slide: [dxMm: number, dyMm: number]
}>()

const screen = useTemplateRef<HTMLElement>('screen')
const locked = ref(false)
const problem = ref<string>()
/** DPI of the person's own mouse, which only they know; hand movement is computed from it. */
const ownDpi = ref(800)
const OWN_DPI = [400, 800, 1600, 3200].map((dpi) => ({ value: dpi, title: t('unplugged.dpi', { dpi }) }))
const BUTTON_ROLES: InputRole[] = ['primary', 'middle', 'secondary', 'back', 'forward']
const SLIDE_MM = 10

const pollingTitle = computed(() =>
  props.polling
    ? t('unplugged.fromTheReportsOfTheLastMovement', { count: props.polling.reports })
    : undefined,
)

const trail = shallowRef([props.desktop.pointer])
watch(
  () => props.desktop.pointer,
  (pointer) => (trail.value = [...trail.value.slice(-60), pointer]),
)
const path = computed(() => trail.value.map(({ x, y }) => `${x},${y}`).join(' '))

async function take(): Promise<void> {
  problem.value = undefined
  try {
    await screen.value?.requestPointerLock()
    screen.value?.focus()
  } catch (error) {
    problem.value = t('unplugged.theBrowserDidNotReleaseThePointer', {
      message: errorText(error),
    })
  }
}

const byRole = (role: InputRole | undefined) =>
  props.model.inputs.find((input) => role && input.role === role)

function button(event: MouseEvent, down: boolean): void {
  const input = locked.value ? byRole(BUTTON_ROLES[event.button]) : undefined
  if (!input) return
  event.preventDefault()
  if (down) emit('press', input)
  else emit('release', input)
}

useEventListener(document, 'pointerlockchange', () => {
  locked.value = document.pointerLockElement === screen.value
  if (!locked.value) for (const input of props.model.inputs) emit('release', input)
})
useEventListener(document, 'mousemove', (event) => {
  if (!locked.value) return
  const mm = (px: number) => (px / ownDpi.value) * MM_PER_INCH
  emit('move', mm(event.movementX), mm(event.movementY))
})
useEventListener(document, 'mousedown', (event) => button(event, true))
useEventListener(document, 'mouseup', (event) => button(event, false))
useEventListener(document, 'wheel', (event) => {
  const input = locked.value ? byRole(event.deltaY < 0 ? 'wheel-up' : 'wheel-down') : undefined
  if (input) emit('press', input)
})

const ownKeys = {
  press: (input: DeviceInput) => emit('press', input),
  release: (input: DeviceInput) => emit('release', input),
  slide: (dxMm: number, dyMm: number) => emit('move', dxMm, dyMm),
}
</script>

<template>
  <div class="grid grid-cols-[minmax(300px,1fr)_220px] gap-3.5 max-[640px]:grid-cols-1">
    <div
      ref="screen"
      class="screen relative overflow-hidden rounded-8 border-2 border-ink bg-paper-high"
      tabindex="0"
      role="application"
      :aria-label="t('unplugged.computerScreenDigitsPressThe')"
      :class="{ locked }"
      @keydown="ownKey($event, true, model, ownKeys)"
      @keyup="ownKey($event, false, model, ownKeys)"
    >
      <svg class="block w-full" :viewBox="`0 0 ${SCREEN.width} ${SCREEN.height}`" aria-hidden="true">
        <polyline :points="path" class="trail" />
        <path
          class="fill-ink stroke-paper-high stroke-4"
          :transform="`translate(${desktop.pointer.x} ${desktop.pointer.y})`"
          d="M0 0 L0 58 L15 45 L40 44 Z"
        />
      </svg>
      <span class="mono absolute end-2.5 bottom-1.5" data-testid="pointer"
        >{{ desktop.travelled.x }}, {{ desktop.travelled.y }}</span
      >
      <span class="caption absolute start-2.5 bottom-1.5">{{ t('unplugged.countsReceived') }}</span>
    </div>
    <div class="flex flex-col gap-2">
      <v-btn variant="flat" color="ink" @click="take">
        {{ locked ? t('unplugged.pressEscToReleaseIt') : t('unplugged.useMyOwnMouseHere') }}
      </v-btn>
      <SelectField v-model="ownDpi" :label="t('unplugged.dpiOfMyMouse')" :items="OWN_DPI" />
      <div class="flex gap-1">
        <v-btn @click="emit('slide', SLIDE_MM, 0)">
          {{ t('unplugged.moveItMmRight', { distance: SLIDE_MM }) }}
        </v-btn>
        <v-btn @click="emit('slide', -SLIDE_MM, 0)">{{ t('unplugged.left') }}</v-btn>
      </div>
      <dl class="m-0 grid grid-cols-[auto_1fr] gap-x-2.5 gap-y-0">
        <dt class="caption">{{ t('unplugged.held') }}</dt>
        <dd class="m-0 truncate" data-testid="down">
          {{ desktop.down.map(({ label }) => textOf(label)).join(', ') || t('unplugged.none') }}
        </dd>
        <dt class="caption">{{ t('unplugged.scrolled') }}</dt>
        <dd class="mono m-0 truncate" data-testid="scrolled">{{ desktop.scrolled }}</dd>
        <dt class="caption">{{ t('unplugged.pollingRate') }}</dt>
        <dd class="m-0 truncate" data-testid="polling" :title="pollingTitle">
          {{
            polling
              ? t('unplugged.hz', { rateHz: polling.rateHz.toLocaleString() })
              : t('unplugged.moveItToMeasure')
          }}
        </dd>
      </dl>
      <p class="caption">
        {{ t('unplugged.whileTheScreenHasFocusDigitsPress') }}
      </p>
      <v-alert v-if="problem" :text="problem" />
    </div>
  </div>
</template>

<style scoped>
.screen.locked {
  border-color: var(--motion);
}

.trail {
  fill: none;
  stroke: var(--motion);
  stroke-linecap: round;
  stroke-opacity: 0.45;
  stroke-width: 7;
}
</style>

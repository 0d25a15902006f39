<script setup lang="ts">
import { t } from '../messages/page'
import type { DeviceInput, DeviceModel } from '../core/device/model'
import type { Desktop } from '../core/computer/desktop'
import type { LayoutId } from '../core/computer/layouts'
import {
  OPERATING_SYSTEMS,
  OPERATING_SYSTEM_NAMES,
  type OperatingSystem,
} from '../core/computer/operating-systems'
import type { MeasuredPolling } from '../core/computer/movement-polling'
import type { HeardReport } from './listening'
import MediaPanel from './MediaPanel.vue'
import { ownKey } from './own-keys'
import PointerPad from './PointerPad.vue'
import ReportLog from './ReportLog.vue'
import { useLayoutItems } from '../look/layout-items'
import { SelectField } from '../look/SelectField'

/** The computer: everything it derives from reports, and nothing else. */
const props = defineProps<{
  model: DeviceModel
  desktop: Desktop
  reports: HeardReport[]
  polling: MeasuredPolling | undefined
  layout: LayoutId
  system: OperatingSystem
}>()
const layouts = useLayoutItems()
const emit = defineEmits<{
  press: [input: DeviceInput]
  release: [input: DeviceInput]
  /** The person's own hand moves the device. */
  move: [dxMm: number, dyMm: number]
  /** The device moves a distance. */
  slide: [dxMm: number, dyMm: number]
  clear: []
  setUp: [change: { layout?: LayoutId; system?: OperatingSystem }]
}>()

/** Without a screen to move on, the page receives the person's own keys. */
function typed(event: KeyboardEvent, down: boolean): void {
  if (props.model.sensor || event.target instanceof HTMLInputElement) return
  ownKey(event, down, props.model, {
    press: (input) => emit('press', input),
    release: (input) => emit('release', input),
    slide: () => {},
  })
}

const SYSTEMS = OPERATING_SYSTEMS.map((each) => ({ value: each, title: OPERATING_SYSTEM_NAMES[each] }))
</script>

<template>
  <section
    class="grid min-h-0 grid-cols-1 grid-rows-[auto_auto_auto_minmax(150px,1fr)] gap-3 bg-paper-low px-5 py-3.5"
    :class="{ still: !model.sensor }"
    :aria-label="t('unplugged.computer')"
  >
    <PointerPad
      v-if="model.sensor"
      :model="model"
      :desktop="desktop"
      :polling="polling"
      @move="(dx, dy) => emit('move', dx, dy)"
      @press="(input) => emit('press', input)"
      @release="(input) => emit('release', input)"
      @slide="(dx, dy) => emit('slide', dx, dy)"
    />
    <div
      class="rounded-6 border border-line-strong bg-paper-high px-3.5 pt-1.5 pb-3 focus-visible:-outline-offset-2"
      :tabindex="model.sensor ? undefined : 0"
      :role="model.sensor ? undefined : 'application'"
      :aria-label="model.sensor ? t('unplugged.anEmptyTextPage') : t('unplugged.anEmptyTextPageYourOwnKeys')"
      @keydown="typed($event, true)"
      @keyup="typed($event, false)"
    >
      <div class="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        <p class="caption flex-1">
          {{ model.sensor ? t('unplugged.anEmptyTextPage') : t('unplugged.anEmptyTextPageWhileItHas') }}
        </p>
        <SelectField
          class="inner-label"
          :label="t('unplugged.operatingSystem')"
          :items="SYSTEMS"
          :model-value="system"
          @update:model-value="(chosen: OperatingSystem) => emit('setUp', { system: chosen })"
        />
        <SelectField
          class="inner-label"
          :label="t('unplugged.keyboardLayout')"
          :items="layouts"
          :model-value="layout"
          @update:model-value="(chosen: LayoutId) => emit('setUp', { layout: chosen })"
        />
      </div>
      <output
        class="mono block max-h-21 min-h-10.5 overflow-auto text-16 wrap-anywhere whitespace-pre-wrap"
        data-testid="typed"
        >{{ desktop.text }}<span class="ms-px inline-block h-[1.1em] w-0.5 bg-ink align-text-bottom"
      /></output>
      <p
        v-if="desktop.box"
        class="box mono mt-1.5 rounded-5 border border-ink px-2.5 py-1.5"
        data-testid="box"
      >
        <span class="caption me-2">{{
          desktop.box.kind === 'run' ? t('unplugged.open') : t('unplugged.terminal')
        }}</span>
        {{ desktop.box.text }}<span class="ms-px inline-block h-[1.1em] w-0.5 bg-ink align-text-bottom" />
      </p>
      <p v-if="desktop.opened.length" class="opened mt-1.5 flex items-baseline gap-2">
        <span class="caption">{{ t('unplugged.opened') }}</span>
        <strong data-testid="opened">{{ desktop.opened[0] }}</strong>
      </p>
    </div>
    <MediaPanel :desktop="desktop" />
    <ReportLog :reports="reports" @clear="emit('clear')" />
  </section>
</template>

<style scoped>
.still {
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  grid-template-rows: auto 1fr;
}

.still :deep(.log) {
  grid-row: 1 / 3;
  grid-column: 2;
}

.still :deep(.media) {
  align-self: start;
}

@media (width < 720px) {
  .still {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }

  .still :deep(.log) {
    grid-row: auto;
    grid-column: 1;
  }
}
</style>

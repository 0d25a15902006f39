<script setup lang="ts">
import type { DeviceInput, DeviceModel } from '../core/device/model'
import type { Desktop } from '../core/computer/desktop'
import { LAYOUTS, type LayoutId } from '../core/computer/layouts'
import { OPERATING_SYSTEMS, SYSTEM_NAMES, type OperatingSystem } from '../core/computer/systems'
import type { HeardReport } from './listening'
import MediaPanel from './MediaPanel.vue'
import { ownKey } from './own-keys'
import PointerPad from './PointerPad.vue'
import ReportLog from './ReportLog.vue'

/** The computer at the other end: what it makes of the reports, and nothing else. */
const props = defineProps<{
  model: DeviceModel
  desktop: Desktop
  reports: HeardReport[]
  layout: LayoutId
  system: OperatingSystem
}>()
const emit = defineEmits<{
  press: [input: DeviceInput]
  release: [input: DeviceInput]
  slide: [dxMm: number, dyMm: number]
  clear: []
  setUp: [change: { layout?: LayoutId; system?: OperatingSystem }]
}>()

/** Without a screen to move on, the page takes the person's own keys. */
function typed(event: KeyboardEvent, down: boolean): void {
  if (props.model.sensor || event.target instanceof HTMLInputElement) return
  ownKey(event, down, props.model, {
    press: (input) => emit('press', input),
    release: (input) => emit('release', input),
    slide: () => {},
  })
}

const SYSTEMS = OPERATING_SYSTEMS.map((each) => ({ value: each, title: SYSTEM_NAMES[each] }))
</script>

<template>
  <section class="computer" :class="{ still: !model.sensor }" aria-label="The computer">
    <PointerPad
      v-if="model.sensor"
      :model="model"
      :desktop="desktop"
      @press="(input) => emit('press', input)"
      @release="(input) => emit('release', input)"
      @slide="(dx, dy) => emit('slide', dx, dy)"
    />
    <div
      class="page"
      :tabindex="model.sensor ? undefined : 0"
      :role="model.sensor ? undefined : 'application'"
      :aria-label="
        model.sensor ? 'An empty text page' : 'An empty text page: your own keys press those of the device'
      "
      @keydown="typed($event, true)"
      @keyup="typed($event, false)"
    >
      <div class="head">
        <p class="caption">
          An empty text page{{
            model.sensor ? '' : '. In focus, your own keys press those of the device, all but Tab.'
          }}
        </p>
        <v-select
          class="inner-label"
          label="This computer runs"
          :items="SYSTEMS"
          :model-value="system"
          @update:model-value="(chosen: OperatingSystem) => emit('setUp', { system: chosen })"
        />
        <v-select
          class="inner-label"
          label="and its keyboard is"
          :items="LAYOUTS"
          item-value="id"
          item-title="name"
          :model-value="layout"
          @update:model-value="(chosen: LayoutId) => emit('setUp', { layout: chosen })"
        />
      </div>
      <output class="text mono" data-testid="typed">{{ desktop.text }}<span class="caret" /></output>
      <p v-if="desktop.box" class="box mono" data-testid="box">
        <span class="caption">{{ desktop.box.kind === 'run' ? 'Open' : 'Terminal' }}</span>
        {{ desktop.box.text }}<span class="caret" />
      </p>
      <p v-if="desktop.opened.length" class="opened">
        <span class="caption">Opened</span>
        <strong data-testid="opened">{{ desktop.opened[0] }}</strong>
      </p>
    </div>
    <MediaPanel :desktop="desktop" />
    <ReportLog :reports="reports" @clear="emit('clear')" />
  </section>
</template>

<style scoped>
.computer {
  display: grid;
  min-height: 0;
  gap: 12px;
  padding: 14px 20px;
  background: var(--paper-low);
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto auto minmax(150px, 1fr);
}

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

.page:focus-visible {
  outline-offset: -2px;
}

.page {
  padding: 6px 14px 12px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--paper-high);
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  margin-bottom: 4px;
}

.head p {
  flex: 1;
}

.text {
  display: block;
  min-height: 42px;
  max-height: 84px;
  overflow: auto;
  font-size: 1.14rem;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}

.caret {
  display: inline-block;
  width: 2px;
  height: 1.1em;
  margin-left: 1px;
  background: var(--ink);
  vertical-align: text-bottom;
}

.box {
  padding: 6px 10px;
  border: 1px solid var(--ink);
  border-radius: 5px;
  margin-top: 6px;
}

.box .caption {
  margin-right: 8px;
}

.opened {
  display: flex;
  align-items: baseline;
  gap: 8px;
  margin-top: 6px;
}
</style>

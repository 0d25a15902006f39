<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { useResizeObserver } from '@vueuse/core'
import { computed, defineAsyncComponent, onMounted, shallowRef, useTemplateRef } from 'vue'
import { slotCapacity } from '../../core/device/lookups'
import { MET } from '../../core/link/packets'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import LightsMove from '../../look/LightsMove.vue'
import { useFrames } from '../shared/frames'
import { liveState } from './live-state'
import { useDevices } from '../stores/devices'
import { serialText, type KnownDevice } from '../stores/known-device'
import { batteryText, bytesText, clockText, figure } from '../shared/device-line'
import SlotRow from './SlotRow.vue'
import { versionText } from '../../core/base/versions'
import { runCommand } from '../shared/commands'
import { useFirmware } from '../stores/firmware'
import TermWord from '../shared/TermWord.vue'

/** Menus come with what they are made of, after what is looked at first. */
const DeviceMenu = defineAsyncComponent(() => import('./DeviceMenu.vue'))
const SlotSettings = defineAsyncComponent(() => import('./SlotSettings.vue'))
/** Stands below what is looked at first, and comes after it. */
const HandsPanel = defineAsyncComponent(() => import('../../look/HandsPanel.vue'))

/** One device: drawn to scale with the light of its active slot, its facts, its slots, and hands for it. */
const props = defineProps<{ device: KnownDevice }>()
const devices = useDevices()
const model = computed(() => props.device.model)
const info = computed(() => props.device.info)
const firmware = useFirmware()
const newer = computed(() => firmware.newerFor(props.device))
onMounted(() => void firmware.load())
const connection = computed(() =>
  props.device.connected && info.value ? model.value.connections[info.value.connection] : undefined,
)
const active = computed(() => (info.value ? props.device.slots[info.value.activeSlot]?.profile : undefined))
const { lights, playing } = useFrames(
  active,
  model,
  computed(() => liveState(props.device)),
)

const pane = useTemplateRef<HTMLElement>('pane')
/** About a third of the window: the device is drawn at once, and to measure when the page has been laid out. */
const width = shallowRef(window.innerWidth * 0.31)
useResizeObserver(pane, (entries) => (width.value = itemAt(entries, 0).contentRect.width))
const scale = computed(() => Math.min(3, (width.value - 40) / model.value.sheet.widthMm))

const facts = computed(() => {
  const { value } = info
  const { memory, sensor } = model.value
  const unread = props.device.connected ? 'reading…' : 'not read yet'
  const version = value ? versionText(value.firmware) : unread
  return [
    ['Connection', connection.value?.name ?? (props.device.connected ? 'reading…' : 'not connected')],
    ['Battery', value ? batteryText(value) : unread],
    ['Firmware', version],
    ['Serial', value ? serialText(value.serial) : unread],
    ['Memory', `${memory.slots} slots of ${bytesText(slotCapacity(memory))}`],
    ['Sensor', sensor ? `${figure(sensor.minDpi)} to ${figure(sensor.maxDpi)} DPI` : 'none'],
  ] as const
})

/** Those of the facts that are words of the trade. */
const WORDS: Record<string, string | undefined> = { Firmware: 'firmware', Memory: 'slot', Sensor: 'dpi' }

const MET_WORDS = new Map<number, string>(Object.entries(MET).map(([word, code]) => [code, word]))
const met = computed(() =>
  (props.device.log ?? [])
    .filter(({ what }) => what !== MET['not kept'])
    .map(({ what, code, times }) => `${MET_WORDS.get(what) ?? 'part'} ${code} (${times} ×)`)
    .join(', '),
)

const notKept = computed(() => props.device.log?.some(({ what }) => what === MET['not kept']))

const advice = computed(() => {
  if (!props.device.connected) {
    return props.device.readAt
      ? `Not connected. Below is what was read from it at ${clockText(props.device.readAt)}.`
      : 'Not connected. Plug in its cable or its receiver, and what it holds is read. If its cable is in: some cables only charge, try another.'
  }
  if (connection.value && !connection.value.configurable) {
    return `${connection.value.name} carries no configuration: slots can be neither read nor written over it. Everything on the device works. Use the cable or the receiver to change it.`
  }
  return undefined
})
</script>

<template>
  <article
    class="card grid grid-cols-[minmax(250px,34%)_minmax(0,1fr)] overflow-hidden rounded-8 border border-line-strong"
    :aria-label="devices.title(device)"
  >
    <div
      ref="pane"
      class="drawing sheet relative grid place-items-center px-0 pt-6 pb-10"
      :class="{ away: !device.connected }"
    >
      <DeviceDrawing
        v-if="scale > 0"
        :model="model"
        :scale="scale"
        :lights="device.connected && info ? lights : undefined"
        :title="`${model.name}, drawn to scale`"
      />
      <LightsMove v-model="playing" class="lights absolute bottom-2 left-3" />
      <span class="caption scale absolute right-4 bottom-2.5 flex items-center gap-2" aria-hidden="true"
        ><i class="h-1.25 border border-t-0 border-ink-soft" :style="{ width: `${10 * scale}px` }" />10
        mm</span
      >
    </div>
    <div class="grid content-start gap-3.5 border-l border-line bg-paper-low px-6 py-5">
      <div class="title flex items-baseline gap-2.5">
        <h2 class="text-[1.3rem]">{{ devices.title(device) }}</h2>
        <span class="soft"
          >{{ model.maker }}{{ device.name ? ` ${model.name}` : '' }} · {{ model.summary }}</span
        >
        <v-spacer />
        <DeviceMenu :device />
      </div>
      <div class="contents" role="status">
        <p v-if="advice" class="border-l-3 border-pending bg-pending-wash px-3 py-2">
          {{ advice }}
        </p>
      </div>
      <dl class="m-0 grid grid-cols-3 gap-x-5 gap-y-2 max-[900px]:grid-cols-1">
        <div v-for="[term, fact] in facts" :key="term">
          <dt class="caption">
            <TermWord v-if="WORDS[term]" :of="WORDS[term]">{{ term }}</TermWord>
            <template v-else>{{ term }}</template>
          </dt>
          <dd class="m-0 font-[560]" :class="{ mono: term === 'Serial' || term === 'Firmware' }">
            {{ fact }}
            <v-btn v-if="term === 'Firmware' && newer" variant="plain" @click="runCommand('device.firmware')">
              {{ versionText(newer) }} is here
            </v-btn>
            <v-btn
              v-if="term === 'Battery' && model.electrical.battery && connection?.configurable"
              variant="plain"
              @click="runCommand('device.battery')"
            >
              its life
            </v-btn>
          </dd>
        </div>
      </dl>
      <SlotSettings v-if="info" :device />
      <div class="contents" role="status">
        <p v-if="met" class="soft met">
          Holds what this firmware does not implement, and passes over it: {{ met }}.
        </p>
      </div>
      <div class="contents" role="status">
        <p v-if="notKept" class="met pending">
          The device could not store which slot is active. Its slots and profiles are safe, but after power is
          switched off and on, the previous slot is active again. Change the slot again, or write a profile to
          it.
        </p>
      </div>
      <ol v-if="device.slots.length" class="m-0 list-none border-t-[1.5px] border-ink p-0" aria-label="Slots">
        <SlotRow
          v-for="(content, slot) in device.slots"
          :key="slot"
          :content="content"
          :slot-index="slot"
          :device="device"
          :active="info?.activeSlot === slot"
        />
      </ol>
      <p v-else class="soft">
        {{ device.connected && !info ? 'Reading its slots…' : 'Its slots have not been read yet.' }}
      </p>
      <HandsPanel
        v-if="devices.simulator"
        :simulator="devices.simulator"
        :device-id="device.id"
        :model="model"
      />
    </div>
  </article>
</template>

<style scoped>
.away {
  opacity: 0.65;
}

@media (width < 900px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { useResizeObserver } from '@vueuse/core'
import { computed, defineAsyncComponent, onMounted, shallowRef, useTemplateRef } from 'vue'
import { slotCapacity } from '../../core/device/lookups'
import { LOG_KINDS } from '../../core/link/packets'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import LightsMove from '../../look/LightsMove.vue'
import { useFrames } from '../shared/frames'
import { liveState } from './live-state'
import { useDevices } from '../stores/devices'
import { serialText, type KnownDevice } from '../stores/known-device'
import { batteryText, bytesText, clockText, integerText } from '../shared/device-line'
import SlotRow from './SlotRow.vue'
import { versionText } from '../../core/base/versions'
import { runCommand } from '../shared/commands'
import { useFirmware } from '../stores/firmware'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** Menus load with their contents, after the parts that are seen first. */
const DeviceMenu = defineAsyncComponent(() => import('./DeviceMenu.vue'))
const SlotSettings = defineAsyncComponent(() => import('./SlotSettings.vue'))
/** Below the first screen, so it loads later. */
const HandsPanel = defineAsyncComponent(() => import('../../look/HandsPanel.vue'))

/** One device: drawn to scale with the light of its active slot, its facts, its slots, and its hands. */
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
/** About a third of the window, so that the device is drawn at once, then measured after the first layout. */
const width = shallowRef(window.innerWidth * 0.31)
useResizeObserver(pane, (entries) => (width.value = itemAt(entries, 0).contentRect.width))
const scale = computed(() => Math.min(3, (width.value - 40) / model.value.sheet.widthMm))

const facts = computed(() => {
  const { value } = info
  const { memory, sensor } = model.value
  const unread = props.device.connected ? t('devices.reading') : t('devices.notReadYet')
  const version = value ? versionText(value.firmware) : unread
  return [
    [
      'connection',
      t('devices.connection'),
      connection.value
        ? textOf(connection.value.name)
        : props.device.connected
          ? t('devices.reading')
          : t('devices.notConnected'),
    ],
    ['battery', t('devices.battery'), value ? batteryText(value) : unread],
    ['firmware', t('devices.firmware'), version],
    ['serial', t('devices.serial'), value ? serialText(value.serial) : unread],
    [
      'memory',
      t('devices.memory'),
      t('devices.slotsOf', { slots: memory.slots, bytes: bytesText(slotCapacity(memory)) }),
    ],
    [
      'sensor',
      t('devices.sensor'),
      sensor
        ? t('devices.dpi', { min: integerText(sensor.minDpi), max: integerText(sensor.maxDpi) })
        : t('devices.noSensor'),
    ],
  ] as const
})

/** Facts whose names have a glossary entry. */
const WORDS: Record<string, string | undefined> = { firmware: 'firmware', memory: 'slot', sensor: 'dpi' }

const MET = {
  [LOG_KINDS.section]: 'devices.metSection',
  [LOG_KINDS.setting]: 'devices.metSetting',
  [LOG_KINDS.effect]: 'devices.metEffect',
  [LOG_KINDS.action]: 'devices.metAction',
  [LOG_KINDS['macro operation']]: 'devices.metMacroOperation',
} as const
const isMet = (what: number): what is keyof typeof MET => what in MET
const met = computed(() =>
  (props.device.log ?? [])
    .filter(({ what }) => what !== LOG_KINDS['not kept'])
    .map(({ what, code, times }) => t(isMet(what) ? MET[what] : 'devices.metOther', { code, times }))
    .join(', '),
)

const notKept = computed(() => props.device.log?.some(({ what }) => what === LOG_KINDS['not kept']))

const advice = computed(() => {
  if (!props.device.connected) {
    return props.device.readAt
      ? t('devices.notConnectedTheContentsBelowWere', { time: clockText(props.device.readAt) })
      : t('devices.notConnectedPlugInItsCableOr')
  }
  if (connection.value && !connection.value.configurable) {
    return t('devices.slotsCannotBeReadOrWrittenOver', { name: connection.value.name })
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
        :title="t('devices.drawnToScale', { name: model.name })"
      />
      <LightsMove v-model="playing" class="lights absolute start-3 bottom-2" />
      <span class="caption scale absolute end-4 bottom-2.5 flex items-center gap-2" aria-hidden="true"
        ><i class="h-1.25 border border-t-0 border-ink-soft" :style="{ width: `${10 * scale}px` }" />{{
          t('shared.mm', { value: 10 })
        }}</span
      >
    </div>
    <div class="grid content-start gap-3.5 border-s border-line bg-paper-low px-6 py-5">
      <div class="title flex items-baseline gap-2.5">
        <h2 class="text-[1.3rem]">{{ devices.title(device) }}</h2>
        <span class="soft">{{
          device.name
            ? t('devices.makerModelAndSummary', {
                maker: model.maker,
                model: model.name,
                summary: model.summary,
              })
            : t('devices.makerAndSummary', { maker: model.maker, summary: model.summary })
        }}</span>
        <v-spacer />
        <DeviceMenu :device />
      </div>
      <div class="contents" role="status">
        <p v-if="advice" class="border-s-3 border-pending bg-pending-wash px-3 py-2">
          {{ advice }}
        </p>
      </div>
      <dl class="m-0 grid grid-cols-3 gap-x-5 gap-y-2 max-[900px]:grid-cols-1">
        <div v-for="[id, term, fact] in facts" :key="id">
          <dt class="caption">
            <GlossaryTerm v-if="WORDS[id]" :of="WORDS[id]">{{ term }}</GlossaryTerm>
            <template v-else>{{ term }}</template>
          </dt>
          <dd class="m-0 font-[560]" :class="{ mono: id === 'serial' || id === 'firmware' }">
            {{ fact }}
            <v-btn v-if="id === 'firmware' && newer" variant="plain" @click="runCommand('device.firmware')">
              {{ t('devices.updateTo', { version: versionText(newer) }) }}
            </v-btn>
            <v-btn
              v-if="id === 'battery' && model.electrical.battery && connection?.configurable"
              variant="plain"
              @click="runCommand('device.battery')"
            >
              {{ t('devices.batteryDetails') }}
            </v-btn>
          </dd>
        </div>
      </dl>
      <SlotSettings v-if="info" :device />
      <div class="contents" role="status">
        <p v-if="met" class="soft met">
          {{ t('devices.aProfileUsesFeaturesThatThis', { features: met }) }}
        </p>
      </div>
      <div class="contents" role="status">
        <p v-if="notKept" class="met pending">
          {{ t('devices.theDeviceCouldNotStoreWhichSlot') }}
        </p>
      </div>
      <ol
        v-if="device.slots.length"
        class="m-0 list-none border-t-[1.5px] border-ink p-0"
        :aria-label="t('devices.slots')"
      >
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
        {{ device.connected && !info ? t('devices.readingSlots') : t('devices.theSlotsHaveNotBeenReadYet') }}
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

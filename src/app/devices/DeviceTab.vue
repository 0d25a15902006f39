<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { useFrames } from '../shared/frames'
import { liveState } from './live-state'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { deviceLine } from '../shared/device-line'

/** One of several devices: its appearance, its connection, and its active profile. */
const props = defineProps<{ device: KnownDevice; chosen: boolean }>()
const devices = useDevices()
const model = computed(() => props.device.model)
/** The only device of its model, which is its address. */
const alone = computed(() => devices.ofModel(model.value.id).length === 1)
const active = computed(() => {
  const { info, slots } = props.device
  return info && slots[info.activeSlot]?.profile
})
const { lights } = useFrames(
  active,
  model,
  computed(() => liveState(props.device)),
)
const BOX = { width: 84, height: 62 }
const scale = computed(() => {
  const { widthMm, heightMm } = model.value.sheet
  return Math.min(BOX.width / widthMm, BOX.height / heightMm)
})
const slotLine = computed(() => {
  const { info, slots } = props.device
  if (!info) return ''
  const content = slots[info.activeSlot]
  if (!content) return t('devices.slot', { number: info.activeSlot + 1 })
  const holds = content.problem
    ? t('devices.unreadable')
    : (content.profile?.name ?? t('devices.factorySettings'))
  return t('devices.slot2', { number: info.activeSlot + 1, contents: holds })
})
</script>

<template>
  <RouterLink
    class="tab grid grid-cols-[84px_minmax(0,1fr)] items-center gap-3 rounded-8 border border-line-strong px-3 py-2 text-inherit no-underline"
    :class="{ chosen, away: !device.connected }"
    :to="{ path: '/devices', query: { device: alone ? model.id : device.id } }"
    :aria-current="chosen ? 'true' : undefined"
  >
    <span class="picture pointer-events-none grid place-items-center" aria-hidden="true">
      <DeviceDrawing
        :model="model"
        :scale="scale"
        :lights="device.connected && device.info ? lights : undefined"
        :title="model.name"
      />
    </span>
    <span class="grid text-13 leading-[1.3]">
      <strong class="text-15">{{ devices.title(device) }}</strong>
      <span v-if="device.name" class="soft truncate">{{ model.name }}</span>
      <span class="truncate">{{ deviceLine(device) }}</span>
      <span class="soft slot truncate">{{ slotLine }}</span>
    </span>
  </RouterLink>
</template>

<style scoped>
.tab:hover {
  border-color: var(--ink);
}

.chosen {
  border-color: var(--ink);
  background: var(--paper-low);
  box-shadow: inset 0 -3px 0 var(--ink);
}

.away .picture {
  opacity: 0.55;
}
</style>

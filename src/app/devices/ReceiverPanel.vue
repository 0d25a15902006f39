<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { ReceiverView } from '../../simulator/api'
import { listenToSimulator } from '../../simulator/client'
import { useDevices } from '../stores/devices'
import { serialText } from '../stores/known-device'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** The receiver of the desk: its paired devices, how to pair another one, and removing a pairing. */
const devices = useDevices()
const sight = shallowRef<ReceiverView>()
async function look(): Promise<void> {
  sight.value = await devices.simulator?.receiverOf()
}
watch(() => devices.simulator, look, { immediate: true })
onScopeDispose(
  listenToSimulator(({ kind }) => {
    if (kind === 'desk' || kind === 'connection') void look()
  }),
)

const paired = computed(() => devices.list.filter(({ id }) => sight.value?.paired.includes(id)))
/** How to pair the other devices. */
const ways = computed(() => {
  const models = new Map(devices.list.map(({ model }) => [model.id, model]))
  return [...models.values()].flatMap(({ name, pairing, inputs }) => {
    const input = inputs.find(({ id }) => id === pairing?.input)
    return pairing && input
      ? [t('devices.pairingInput', { model: name, input: input.name, seconds: pairing.holdMs / 1000 })]
      : []
  })
})
</script>

<template>
  <section
    v-if="sight && (paired.length || ways.length)"
    class="receiver mt-3.5 grid grid-cols-[auto_minmax(160px,260px)_minmax(0,1fr)] items-baseline gap-x-7 gap-y-1 rounded-8 border border-line-strong px-4.5 py-3.5 max-[900px]:grid-cols-1"
    aria-labelledby="receiver-title"
  >
    <h2 id="receiver-title">
      <GlossaryTerm of="receiver">{{ t('devices.receiver') }}</GlossaryTerm>
      <span class="mono soft">{{ serialText(sight.serial) }}</span>
    </h2>
    <p class="caption soft">
      {{ sight.plugged ? t('devices.pluggedIntoThisComputer') : t('devices.notPluggedIntoThisComputer') }}
    </p>
    <ul class="row-[1/3] m-0 list-none p-0" :aria-label="t('devices.pairedWithTheReceiver')">
      <li v-for="device in paired" :key="device.id" class="flex items-center justify-between">
        <span>{{ devices.title(device) }}</span>
        <v-btn
          size="small"
          variant="text"
          :aria-label="t('devices.forget', { title: devices.title(device) })"
          @click="devices.simulator?.forgetPaired(device.id)"
        >
          {{ t('devices.forget2') }}
        </v-btn>
      </li>
      <li v-if="paired.length === 0" class="soft flex items-center justify-between">
        {{ t('devices.noDeviceIsPairedWithThisReceiver') }}
      </li>
    </ul>
    <p v-if="ways.length" class="soft">
      {{ t('devices.toPairADeviceSetItsSwitch', { ways: ways.join('; ') }) }}
    </p>
  </section>
</template>

<style scoped>
.receiver > .caption {
  grid-row: 2;
  grid-column: 1;
}

.receiver > p:last-child:not(.caption) {
  grid-row: 1 / 3;
}

@media (width < 900px) {
  .receiver > * {
    grid-row: auto;
    grid-column: 1;
  }
}
</style>

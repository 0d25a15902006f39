<script setup lang="ts">
import { t, withTexts } from '../messages/page'
import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import type { DeviceModel } from '../core/device/model'
import { ignoreTimeout, type SimulatorClient } from '../simulator/client'
import type { DeviceView, Plugs } from '../simulator/api'
import ChoiceRow from './ChoiceRow.vue'

/**
 * Actions of the hands on a simulated device: its cable, its receiver, its power, and the speed of its time, so that
 * even milliseconds can be interrupted.
 */
const props = defineProps<{ simulator: SimulatorClient; deviceId: string; model: DeviceModel }>()

const sight = shallowRef<DeviceView>()
const pace = shallowRef(1)
const PACES = [
  withTexts({ value: 1 }, { text: 'look.realTime' }),
  withTexts({ value: 1 / 50 }, { text: 'look.n50Slower' }),
  withTexts({ value: 1 / 500 }, { text: 'look.n500Slower' }),
]

async function look(): Promise<void> {
  sight.value = (await props.simulator.look(props.deviceId).catch(ignoreTimeout)) ?? sight.value
  pace.value = await props.simulator.pace()
}

const wireless = computed(() => props.model.connections.some(({ id }) => id !== 'cable'))
const CABLES = [
  withTexts({ value: 'none' }, { text: 'look.none', about: 'look.unplugTheCable' }),
  withTexts({ value: 'charging' }, { text: 'look.chargingOnly', about: 'look.aCableWithoutDataWires' }),
  withTexts({ value: 'data' }, { text: 'look.data', about: 'look.aCableForChargingAndData' }),
] as const
const RADIOS = [
  withTexts({ value: 'off' }, { text: 'look.off' }),
  withTexts({ value: 'receiver' }, { text: 'look.radio' }),
  withTexts({ value: 'bluetooth' }, { text: 'look.bluetooth' }),
] as const

async function set(change: Partial<Plugs>): Promise<void> {
  await props.simulator.setPlugs(props.deviceId, change)
  await look()
}

const holding = shallowRef(false)
const pairingName = computed(
  () => props.model.inputs.find(({ id }) => id === props.model.pairing?.input)?.name,
)
/** In the time of the device, which may be slower. */
async function pair(): Promise<void> {
  const { pairing } = props.model
  if (!pairing) return
  holding.value = true
  await props.simulator.press(props.deviceId, pairing.input)
  await new Promise((resolve) => setTimeout(resolve, (pairing.holdMs + 100) / pace.value))
  await props.simulator.release(props.deviceId, pairing.input)
  holding.value = false
  await look()
}

async function setPace(next: number): Promise<void> {
  await props.simulator.setPace(next)
  await look()
}

void look()
useIntervalFn(() => void look(), 1000)
</script>

<template>
  <section
    class="grid gap-2 rounded-8 border border-dashed border-line-strong px-3.5 py-3"
    :aria-label="t('look.controlsOfTheSimulatedDevice')"
  >
    <h3 class="text-14">{{ t('look.hands') }}</h3>
    <p class="caption">{{ t('look.isSimulatedHandleItsCableReceiver', { name: model.name }) }}</p>
    <div
      v-if="sight"
      class="plugs grid grid-cols-[auto_1fr_auto_1fr] items-center justify-items-start gap-x-2.5 gap-y-1.5"
    >
      <span class="caption">{{ t('look.cable') }}</span>
      <ChoiceRow
        :label="t('look.cable')"
        :choices="CABLES"
        :model-value="sight.cable"
        @update:model-value="(cable) => cable && set({ cable })"
      />
      <template v-if="wireless">
        <span class="caption">{{ t('look.wireless') }}</span>
        <ChoiceRow
          :label="t('look.wireless')"
          :choices="RADIOS"
          :model-value="sight.radio"
          @update:model-value="(radio) => radio && set({ radio })"
        />
        <span class="caption">{{ t('look.receiver') }}</span>
        <v-btn @click="set({ receiver: !sight.receiver })">
          {{ sight.receiver ? t('look.unplugTheReceiver') : t('look.plugInTheReceiver') }}
        </v-btn>
      </template>
      <template v-if="model.pairing">
        <span class="caption">{{ t('look.pairing') }}</span>
        <v-btn :disabled="holding || !sight.on" @click="pair">
          {{
            sight.pairing
              ? t('look.pairing2')
              : t('look.holdForS', { pairingName, holdMs: model.pairing.holdMs / 1000 })
          }}
        </v-btn>
      </template>
      <span class="caption">{{ t('look.power') }}</span>
      <v-btn @click="set({ power: !sight.power })">
        {{ sight.power ? t('look.cutThePower') : t('look.restoreThePower') }}
      </v-btn>
      <span class="caption">{{ t('look.speed') }}</span>
      <ChoiceRow
        :label="t('look.speedOfTheSimulatedDevices')"
        :choices="PACES"
        :model-value="pace"
        @update:model-value="(next) => next !== undefined && setPace(next)"
      />
    </div>
  </section>
</template>

<style scoped>
@media (width < 1280px) {
  .plugs {
    grid-template-columns: auto 1fr;
  }
}

/* Each action with its label. */
@media (width < 480px) {
  .plugs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import type { Connection, DeviceModel } from '../../core/device/model'
import { profilePower } from '../../core/terms/profile-power'
import type { Profile } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { decimal } from '../shared/numbers'
import TermWord from '../shared/TermWord.vue'

/** The polling rate of each connection, with what it gives; the connection in use is marked. */
const props = defineProps<{
  model: DeviceModel
  profile: Profile
  inUse?: number
  connected: boolean
  pending: Set<string>
}>()
const emit = defineEmits<{ set: [connection: string, rateHz: number] }>()

/** A movement waits half an interval on average before it is asked for. */
const delays = (rateHz: number) => {
  const intervalMs = 1000 / rateHz
  const figure = (ms: number) => Number(ms.toPrecision(3)).toString()
  return `every ${figure(intervalMs)} ms; adds ${figure(intervalMs / 2)} ms on average, ${figure(intervalMs)} at worst`
}

/** What it costs over the air, and what the lowest rate would; a cable feeds the device itself. */
function cost(connection: Connection, rateHz: number): string {
  const power =
    connection.id === 'cable' ? undefined : profilePower(props.profile, props.model, connection, { rateHz })
  return power ? `; ${decimal(power.meanMa, 1)} mA, ${decimal(power.hoursInHand)} h in hand` : ''
}
</script>

<template>
  <fieldset
    v-for="(connection, index) in model.connections"
    :key="connection.id"
    class="mx-0 mt-2 mb-0 border-0 border-t border-t-line-strong px-0 pt-2.5 pb-3"
  >
    <legend>
      {{ connection.name }}
      <span
        v-if="connected && inUse === index"
        class="use rounded-4 bg-motion-wash px-1.75 py-0 font-[500] text-motion"
        >in use now</span
      >
      <span v-if="pending.has(`polling:${connection.id}`)" class="pending text-12 font-normal text-pending"
        >not on the device</span
      >
    </legend>
    <template v-if="connection.configurable">
      <div class="rates">
        <ChoiceRow
          class="mono"
          :label="`Polling rate over ${connection.name}`"
          :choices="connection.ratesHz.map((rate) => ({ value: rate, text: String(rate) }))"
          :model-value="profile.polling[connection.id]"
          @update:model-value="(rate) => rate !== undefined && emit('set', connection.id, rate)"
        />
        <TermWord of="polling-rate" class="caption">Hz</TermWord>
      </div>
      <p class="caption">
        {{ delays(profile.polling[connection.id] ?? connection.factoryRateHz)
        }}{{ cost(connection, profile.polling[connection.id] ?? connection.factoryRateHz) }}
      </p>
    </template>
    <p v-else class="caption">{{ connection.ratesHz[0] }} Hz, fixed. Nothing can be configured over it.</p>
  </fieldset>
</template>

<style scoped>
legend {
  display: flex;
  width: 100%;
  gap: 8px;
  padding: 6px 0 0;
  float: left;
  font-weight: 620;
}

.rates {
  display: flex;
  clear: both;
  align-items: center;
  gap: 4px;
  padding: 6px 0;
}
</style>

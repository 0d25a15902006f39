<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import type { Connection, DeviceModel } from '../../core/device/model'
import { profilePower } from '../../core/terms/profile-power'
import type { Profile } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { decimal } from '../shared/numbers'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** The polling rate of each connection, with its effects; the active connection is marked. */
const props = defineProps<{
  model: DeviceModel
  profile: Profile
  inUse?: number
  connected: boolean
  pending: Set<string>
}>()
const emit = defineEmits<{ set: [connection: string, rateHz: number] }>()

/** A movement waits half an interval on average until it is polled. */
const delays = (rateHz: number) => {
  const intervalMs = 1000 / rateHz
  const figure = (ms: number) => Number(ms.toPrecision(3)).toString()
  return t('motion.oneReportEveryMsAddsMsOn', { interval: figure(intervalMs), mean: figure(intervalMs / 2) })
}

/** The delay of a rate and, where the battery feeds the device, the current it draws. */
function costText(connection: Connection, rateHz: number): string {
  const power =
    connection.id === 'cable' ? undefined : profilePower(props.profile, props.model, connection, { rateHz })
  if (!power) return delays(rateHz)
  const [current, hours] = [decimal(power.meanMa, 1), decimal(power.hoursInHand)]
  return `${delays(rateHz)} ${t('motion.drawsMaHOfUse', { current, hours })}`
}
</script>

<template>
  <fieldset
    v-for="(connection, index) in model.connections"
    :key="connection.id"
    class="mx-0 mt-2 mb-0 border-0 border-t border-t-line-strong px-0 pt-2.5 pb-3"
  >
    <legend>
      {{ textOf(connection.name) }}
      <span
        v-if="connected && inUse === index"
        class="use rounded-4 bg-motion-wash px-1.75 py-0 font-[500] text-motion"
        >{{ t('motion.inUse') }}</span
      >
      <span v-if="pending.has(`polling:${connection.id}`)" class="pending text-12 font-normal text-pending">{{
        t('motion.notOnTheDevice')
      }}</span>
    </legend>
    <template v-if="connection.configurable">
      <div class="rates">
        <ChoiceRow
          class="mono"
          :label="t('motion.pollingRateOver', { name: connection.name })"
          :choices="connection.ratesHz.map((rate) => ({ value: rate, text: String(rate) }))"
          :model-value="profile.polling[connection.id]"
          @update:model-value="(rate) => rate !== undefined && emit('set', connection.id, rate)"
        />
        <GlossaryTerm of="polling-rate" class="caption">{{ t('motion.hz') }}</GlossaryTerm>
      </div>
      <p class="caption">
        {{ costText(connection, profile.polling[connection.id] ?? connection.factoryRateHz) }}
      </p>
    </template>
    <p v-else class="caption">
      {{ t('motion.hzFixedSettingsCannotBeChangedOver', { rate: connection.ratesHz[0] }) }}
    </p>
  </fieldset>
</template>

<style scoped>
legend {
  display: flex;
  width: 100%;
  gap: 8px;
  padding: 6px 0 0;
  float: inline-start;
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

<script setup lang="ts">
import { t } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ChoiceRow from '../../look/ChoiceRow.vue'
import PowerPanel from './PowerPanel.vue'
import SensorPanel from './SensorPanel.vue'
import StepsPanel from './StepsPanel.vue'
import TryOutPane from './TryOutPane.vue'
import { useMotionView } from './motion-view'
import { useTryOut } from './try-out'
import { usePending } from '../stores/pending'

/** From hand movement to pointer movement: the try-out on the left, the settings on the right. */
const work = useMotionView()
const { compiled } = usePending()
const { profile, model, sensor, device } = work

/** Uses the active connection, or the best one if none is active. */
const connection = computed(() => {
  const all = model.value?.connections.filter(({ configurable }) => configurable) ?? []
  const used = model.value?.connections[device.value?.info?.connection ?? -1]
  return all.find(({ id }) => id === used?.id) ?? all[0]
})
const rateHz = computed(() =>
  connection.value ? (profile.value?.polling[connection.value.id] ?? connection.value.factoryRateHz) : 0,
)
const tryOut = useTryOut({
  profile: () => profile.value,
  model: () => model.value,
  connectionId: () => connection.value?.id ?? 'cable',
  deviceId: () => device.value?.id,
})

type Part = 'steps' | 'sensor' | 'power'
const parts = computed<{ value: Part; text: string }[]>(() => [
  ...(sensor.value ? [{ value: 'steps' as const, text: t('motion.steps') }] : []),
  { value: 'sensor', text: sensor.value ? t('motion.sensorAndSwitches') : t('motion.switches') },
  {
    value: 'power',
    text: model.value?.electrical.battery ? t('motion.pollingAndPower') : t('motion.polling'),
  },
])
const route = useRoute()
const router = useRouter()
/** The address has the open group of settings, so that it can be found and restored. */
const part = computed(
  () => parts.value.find(({ value }) => value === route.query.part)?.value ?? itemAt(parts.value, 0).value,
)
const open = (next: Part | undefined) => next && router.replace({ query: { part: next } })
watch([model, () => work.editor.openId], () => tryOut.tryStep(undefined))
</script>

<template>
  <div
    v-if="profile && model && connection"
    class="motion grid h-full grid-cols-[minmax(400px,43%)_minmax(0,1fr)] max-[1000px]:h-auto max-[1000px]:grid-cols-1"
    :class="{ alone: !sensor }"
  >
    <TryOutPane
      v-if="sensor"
      :try-out="tryOut"
      :profile="profile"
      :model="model"
      :connection="connection"
      :rate-hz="rateHz"
    />
    <section class="overflow-auto bg-paper-low px-5 py-4" :aria-label="t('motion.motionSettings')">
      <h2 class="visually-hidden">{{ parts.find(({ value }) => value === part)?.text }}</h2>
      <header class="flex items-center gap-3.5">
        <ChoiceRow
          :label="t('motion.settingsGroup')"
          :choices="parts"
          :model-value="part"
          @update:model-value="open"
        />
        <p v-if="!sensor" class="soft">{{ t('motion.hasNoSensorSoItHasNo', { name: model.name }) }}</p>
      </header>
      <StepsPanel
        v-if="part === 'steps'"
        :work="work"
        :try-out="tryOut"
        :findings="compiled?.findings ?? []"
      />
      <SensorPanel v-else-if="part === 'sensor'" :work="work" :try-out="tryOut" />
      <PowerPanel v-else :work="work" />
    </section>
  </div>
</template>

<style scoped>
.motion.alone {
  grid-template-columns: minmax(0, 760px);
  justify-content: center;
  background: var(--paper-low);
}
</style>

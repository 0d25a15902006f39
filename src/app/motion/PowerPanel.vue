<script setup lang="ts">
import { listText, t, withTexts } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Connection } from '../../core/device/model'
import { compileProfile } from '../../core/compile/compile'
import { NO_BATTERY } from '../../core/link/packets'
import { PLAY_USAGE, POWER_PARTS, type PowerPart } from '../../core/motion/power'
import { setPolling } from '../../core/edits/motion-edits'
import { profilePower } from '../../core/terms/profile-power'
import type { PowerRun } from '../../simulator/api'
import FigureChart from '../shared/late-chart'
import { applyBounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { useDevices } from '../stores/devices'
import { useMacros } from '../stores/macros'
import { errorMessage } from '../stores/notifications'
import type { MotionView } from './motion-view'
import PollingRates from './PollingRates.vue'
import SettingRows from '../shared/SettingRows.vue'
import type { SettingKey } from '../../core/onboard/settings'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Polling rates, their delay and current, and the battery life. */
const props = defineProps<{ work: MotionView }>()
const devices = useDevices()
const macros = useMacros()
const profile = computed(() => props.work.profile.value)
const model = computed(() => props.work.model.value)
const battery = computed(() => model.value?.electrical.battery)
const usage = ref({ ...PLAY_USAGE })
const air = computed(() => model.value?.connections.filter(({ id }) => id !== 'cable') ?? [])
const airId = ref<Connection['id']>('receiver')
const connection = computed(() => air.value.find(({ id }) => id === airId.value) ?? air.value[0])
const estimate = computed(
  () =>
    profile.value &&
    model.value &&
    connection.value &&
    profilePower(profile.value, model.value, connection.value, { usage: usage.value }),
)
/** Remaining time of the person's own device, while it is on battery. */
const left = computed(() => {
  const { info } = props.work.device.value ?? {}
  if (!info || !estimate.value || info.charging || info.batteryPercent === NO_BATTERY) return undefined
  return { percent: info.batteryPercent, hours: (estimate.value.hoursInHand * info.batteryPercent) / 100 }
})
const NAMES: Record<PowerPart, string> = withTexts(
  {},
  {
    controller: 'motion.partController',
    sensor: 'motion.partSensor',
    radio: 'motion.partRadio',
    light: 'motion.partLight',
  },
)
const parts = computed(() => {
  const { value } = estimate
  return value
    ? POWER_PARTS.map((part) => ({ part, ma: value.parts[part], share: value.parts[part] / value.meanMa }))
    : []
})

function setRate(id: string, rateHz: number): void {
  const { value } = model
  if (value) props.work.edit(['polling', { rateHz }], (current) => setPolling(current, value, id, rateHz))
}

/** Settings with their own field here. */
const OWN: readonly SettingKey[] = ['sleepMinutes', 'noticePercent']
const setHours = applyBounded(
  1,
  24,
  'shared.enterToHours',
  (hoursADay) => (usage.value = { ...usage.value, hoursADay }),
)
const setSleep = applyBounded(1, 60, 'shared.enterToMinutes', (sleepMinutes) =>
  props.work.set({ sleepMinutes }),
)
const setNotice = applyBounded(0, 50, 'shared.enterTo0TurnsItOff', (noticePercent) =>
  props.work.set({ noticePercent }),
)

/** The device's own battery over days of use, on the virtual clock. */
const run = shallowRef<PowerRun>()
const running = ref(false)
const problem = ref<string>()
watch([profile, usage, airId], () => (run.value = undefined))

async function play(): Promise<void> {
  const [client, now, of, over] = [devices.simulator, profile.value, model.value, connection.value]
  if (!client || !now || !of || !over) return
  running.value = true
  problem.value = undefined
  try {
    const { bytes } = compileProfile(now, of, macros.shelf)
    run.value = await client.powerRun({ modelId: of.id, connectionId: over.id, image: bytes, ...usage.value })
  } catch (error) {
    problem.value = t('motion.theBatteryCouldNotBeSimulated', { message: errorMessage(error) })
  }
  running.value = false
}

const chart = computed(() => {
  const samples = run.value?.samples ?? []
  return {
    lines: [
      { name: t('motion.charge'), points: samples.map(({ hour, percent }) => [hour / 24, percent] as const) },
    ],
    rows: samples
      .filter(({ hour }) => Math.abs(hour % 24) < 0.01)
      .map(({ hour, percent }) => [Math.round(hour / 24), decimal(percent, 1)]),
  }
})
</script>

<template>
  <div v-if="profile && model">
    <PollingRates
      :model="model"
      :profile="profile"
      :in-use="work.device.value?.info?.connection"
      :connected="work.device.value?.connected ?? false"
      :pending="work.pending.value"
      @set="setRate"
    />
    <section
      v-if="battery && estimate"
      class="mt-2 grid gap-2 border-t border-line-strong px-0 py-3"
      :aria-label="t('motion.battery')"
    >
      <div class="flow">
        <h3 class="m-0 text-15">{{ t('motion.battery') }}</h3>
        <SelectField
          v-model="airId"
          :items="air.map(({ id, name }) => ({ value: id, title: t('motion.over', { name }) }))"
          :aria-label="t('motion.connectionForTheEstimate')"
        />
        <NumberField :value="usage.hoursADay" :label="t('motion.hoursOfUsePerDay')" :apply="setHours" />
        <span>{{ t('motion.hoursOfUsePerDay2') }}</span>
      </div>
      <p>
        <RichMessage
          message="motion.inUseOrWithFromMahThe"
          :facts="{ capacity: battery.capacityMah, share: usage.activeShare * 100 }"
        >
          <template #hours
            ><b class="font-strong" data-testid="hours">{{
              t('motion.h', { hours: decimal(estimate.hoursInHand) })
            }}</b></template
          >
          <template #days
            ><b class="font-strong">{{ t('motion.days2', { days: decimal(estimate.days) }) }}</b></template
          >
          <template #current
            ><b class="mono font-strong">{{
              t('motion.ma2', { current: decimal(estimate.meanMa, 1) })
            }}</b></template
          >
        </RichMessage>
        <template v-if="left">
          {{ ' ' }}
          <RichMessage message="motion.nowAtLeft" :facts="{ percent: left.percent }">
            <template #hours
              ><b class="font-strong">{{ t('motion.h', { hours: decimal(left.hours) }) }}</b></template
            >
          </RichMessage>
        </template>
      </p>
      <div
        class="bar flex h-4 overflow-hidden rounded-3 border border-ink"
        role="img"
        :aria-label="
          listText(
            parts.map(({ part, ma }) => t('motion.ma', { part: NAMES[part], current: decimal(ma, 2) })),
          )
        "
      >
        <span v-for="{ part, share } in parts" :key="part" :class="part" :style="{ flexGrow: share }" />
      </div>
      <ul class="m-0 flex list-none flex-wrap items-center gap-x-4 gap-y-1 p-0">
        <li v-for="{ part, ma } in parts" :key="part">
          <i class="me-1.5 inline-block h-2.5 w-2.5 rounded-[2px]" :class="part" />{{ NAMES[part] }}
          <span class="mono">{{ decimal(ma, 2) }}</span>
        </li>
        <li class="caption">{{ t('motion.meanCurrentInUseMa') }}</li>
      </ul>
      <div class="flow">
        <span class="flow"
          ><RichMessage message="motion.sleepAfterMinIdle">
            <template #minutes
              ><NumberField
                :value="work.settings.value.sleepMinutes ?? 0"
                :label="t('motion.sleepDelayInMinutes')"
                :apply="setSleep"
            /></template>
          </RichMessage>
          <span v-if="work.pending.value.has('setting:sleepMinutes')" class="pending text-12 text-pending">{{
            t('motion.notOnTheDevice')
          }}</span></span
        >
        <span class="flow"
          ><RichMessage message="motion.lowBatteryWarningAt">
            <template #percent
              ><NumberField
                :value="work.settings.value.noticePercent ?? 0"
                :label="t('motion.lowBatteryWarningInPercent')"
                :apply="setNotice"
            /></template>
          </RichMessage>
          <span v-if="work.pending.value.has('setting:noticePercent')" class="pending text-12 text-pending">{{
            t('motion.notOnTheDevice')
          }}</span></span
        >
      </div>
      <SettingRows
        place="power"
        :own="OWN"
        :settings="work.settings.value"
        :model="model"
        @set="(change) => work.set(change)"
      />
      <div class="flow">
        <v-btn :disabled="running" @click="play">
          {{ running ? t('motion.simulating') : t('motion.simulateAFullDischarge') }}
        </v-btn>
        <span class="caption">{{ t('motion.simulatesDaysOfUseUntilTheBattery') }}</span>
      </div>
      <v-alert v-if="problem" :text="problem" />
      <template v-if="run">
        <p role="status">
          <RichMessage message="motion.lastedInUseOverFullyChargedAgain">
            <template #hours
              ><b>{{ t('motion.h', { hours: decimal(run.inHandHours) }) }}</b></template
            >
            <template #days
              ><b>{{
                t('motion.days2', { days: decimal((run.samples.at(-1)?.hour ?? 0) / 24) })
              }}</b></template
            >
            <template #charge
              ><b>{{ t('motion.h', { hours: decimal(run.chargeHours, 1) }) }}</b></template
            >
          </RichMessage>
          <template v-if="run.noticeHour !== undefined">
            {{ t('motion.theLowBatteryWarningCameOnDay', { day: Math.floor(run.noticeHour / 24) + 1 }) }}
          </template>
        </p>
        <FigureChart
          :title="t('motion.chargeOverTime')"
          :lines="chart.lines"
          :x="{ name: t('motion.days'), min: 0 }"
          :y="{ name: '%', min: 0, max: 100 }"
          :marks="
            run.noticeHour === undefined
              ? []
              : [{ at: run.noticeHour / 24, name: t('motion.lowBatteryWarning') }]
          "
          :columns="[t('motion.day'), '%']"
          :rows="chart.rows"
          :height="170"
        />
      </template>
    </section>
  </div>
</template>

<style scoped>
label {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
}

label {
  gap: 6px;
}

.controller {
  background: var(--bar-system);
}

.sensor {
  background: var(--bar-motion);
}

.radio {
  background: var(--bar-binding);
}

.light {
  background: var(--bar-light);
}
</style>

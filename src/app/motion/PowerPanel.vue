<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Connection } from '../../core/device/model'
import { compileProfile } from '../../core/compile/compile'
import { NO_BATTERY } from '../../core/link/packets'
import { PLAY, POWER_PARTS, type PowerPart } from '../../core/motion/power'
import { setPolling } from '../../core/edits/motion-edits'
import { profilePower } from '../../core/terms/profile-power'
import type { PowerRun } from '../../simulator/face'
import FigureChart from '../shared/late-chart'
import { bounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { useDevices } from '../stores/devices'
import { useMacros } from '../stores/macros'
import { messageOf } from '../stores/notices'
import type { MotionWork } from './work'
import PollingRates from './PollingRates.vue'
import SettingRows from '../shared/SettingRows.vue'
import type { SettingKey } from '../../core/onboard/settings'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** How often the computer asks over each connection, what that gives and costs, and how long a charge lasts. */
const props = defineProps<{ work: MotionWork }>()
const devices = useDevices()
const macros = useMacros()
const profile = computed(() => props.work.profile.value)
const model = computed(() => props.work.model.value)
const battery = computed(() => model.value?.electrical.battery)
const usage = ref({ ...PLAY })
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
/** What is left in the person's own device, while it runs from its battery. */
const left = computed(() => {
  const { info } = props.work.device.value ?? {}
  if (!info || !estimate.value || info.charging || info.batteryPercent === NO_BATTERY) return undefined
  return { percent: info.batteryPercent, hours: (estimate.value.hoursInHand * info.batteryPercent) / 100 }
})
const NAMES: Record<PowerPart, string> = {
  controller: 'controller',
  sensor: 'sensor',
  radio: 'radio',
  light: 'light',
}
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

/** Settings that have a field of their own here. */
const OWN: readonly SettingKey[] = ['sleepMinutes', 'noticePercent']
const setHours = bounded(1, 24, 'hours', (hoursADay) => (usage.value = { ...usage.value, hoursADay }))
const setSleep = bounded(1, 60, 'minutes', (sleepMinutes) => props.work.set({ sleepMinutes }))
const setNotice = bounded(0, 50, '%, 0 for none', (noticePercent) => props.work.set({ noticePercent }))

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
    problem.value = `The battery could not be played: ${messageOf(error)}`
  }
  running.value = false
}

const chart = computed(() => {
  const samples = run.value?.samples ?? []
  return {
    lines: [{ name: 'charge', points: samples.map(({ hour, percent }) => [hour / 24, percent] as const) }],
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
      aria-label="Battery"
    >
      <div class="flow">
        <h3 class="m-0 text-15">Battery</h3>
        <SelectField
          v-model="airId"
          :items="air.map(({ id, name }) => ({ value: id, title: `over ${name}` }))"
          aria-label="Connection of the estimate"
        />
        <NumberField :value="usage.hoursADay" label="Hours in hand a day" :apply="setHours" />
        <span>hours in hand a day</span>
      </div>
      <p>
        <b class="font-strong" data-testid="hours">{{ decimal(estimate.hoursInHand) }} h</b> in hand,
        <b class="font-strong">{{ decimal(estimate.days) }} days</b>, with
        <b class="mono font-strong">{{ decimal(estimate.meanMa, 1) }} mA</b> from
        {{ battery.capacityMah }} mAh, moving {{ usage.activeShare * 100 }} % of the time<template v-if="left"
          >. Now at {{ left.percent }} %:
          <b class="font-strong">{{ decimal(left.hours) }} h</b> left</template
        >
      </p>
      <div
        class="bar flex h-4 overflow-hidden rounded-3 border border-ink"
        role="img"
        :aria-label="parts.map(({ part, ma }) => `${part} ${decimal(ma, 2)} mA`).join(', ')"
      >
        <span v-for="{ part, share } in parts" :key="part" :class="part" :style="{ flexGrow: share }" />
      </div>
      <ul class="m-0 flex list-none flex-wrap items-center gap-x-4 gap-y-1 p-0">
        <li v-for="{ part, ma } in parts" :key="part">
          <i class="mr-1.5 inline-block h-2.5 w-2.5 rounded-[2px]" :class="part" />{{ NAMES[part] }}
          <span class="mono">{{ decimal(ma, 2) }}</span>
        </li>
        <li class="caption">mA, mean in hand</li>
      </ul>
      <div class="flow">
        <span class="flow"
          >Sleeps after
          <NumberField
            :value="work.settings.value.sleepMinutes ?? 0"
            label="Sleeps after, in minutes"
            :apply="setSleep"
          />
          min idle
          <span v-if="work.pending.value.has('setting:sleepMinutes')" class="pending text-12 text-pending"
            >not on the device</span
          ></span
        >
        <span class="flow"
          >Gives notice at
          <NumberField
            :value="work.settings.value.noticePercent ?? 0"
            label="Notice at, in percent"
            :apply="setNotice"
          />
          %
          <span v-if="work.pending.value.has('setting:noticePercent')" class="pending text-12 text-pending"
            >not on the device</span
          ></span
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
          {{ running ? 'Running it down…' : 'Run a full battery down' }}
        </v-btn>
        <span class="caption">Plays days of use on the device’s own battery, in its own time.</span>
      </div>
      <v-alert v-if="problem" :text="problem" />
      <template v-if="run">
        <p role="status">
          It lasted <b>{{ decimal(run.inHandHours) }} h</b> in hand, over
          <b>{{ ((run.samples.at(-1)?.hour ?? 0) / 24).toFixed(0) }} days</b
          ><template v-if="run.noticeHour !== undefined"
            >; it gave notice on day {{ Math.floor(run.noticeHour / 24) + 1 }}</template
          >. On a cable it is full again after <b>{{ decimal(run.chargeHours, 1) }} h</b>.
        </p>
        <FigureChart
          title="Charge over days"
          :lines="chart.lines"
          :x="{ name: 'days', min: 0 }"
          :y="{ name: '%', min: 0, max: 100 }"
          :marks="run.noticeHour === undefined ? [] : [{ at: run.noticeHour / 24, name: 'notice' }]"
          :columns="['day', '%']"
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

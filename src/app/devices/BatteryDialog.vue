<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { lifeEstimate, type BatteryLife } from '../../core/motion/battery-life'
import FigureChart from '../shared/late-chart'
import { batteryText, figure } from '../shared/device-line'
import { decimal } from '../shared/numbers'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { messageOf } from '../stores/notices'

/** The life of a battery as the gauge beside it has counted it: charge hour by hour, use, cycles, and how long it lasts so. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const title = computed(() => devices.title(props.device))
const life = shallowRef<BatteryLife>()
const problem = ref<string>()

onMounted(async () => {
  try {
    life.value = await devices.session(props.device.id, (session) => session.batteryLife())
  } catch (error) {
    problem.value = messageOf(error)
  }
})

const percent = computed(() => props.device.info?.batteryPercent ?? 0)
const estimate = computed(() => life.value && lifeEstimate(life.value, percent.value))
const durationText = (hours: number): string =>
  hours >= 48
    ? `${decimal(hours / 24)} days`
    : hours >= 2
      ? `${decimal(hours)} h`
      : `${decimal(60 * hours)} min`
const facts = computed(() => {
  const [of, now] = [life.value, estimate.value]
  if (!of || !now) return []
  return [
    {
      name: 'Draws',
      text:
        now.meanMa === undefined
          ? 'told after five minutes on battery'
          : `${decimal(now.meanMa, now.meanMa < 1 ? 2 : 1)} mA, mean of ${durationText(now.ofHours ?? 0)}`,
    },
    { name: 'Lasts so', text: now.hoursLeft === undefined ? 'not known yet' : durationText(now.hoursLeft) },
    { name: 'Charged', text: `${decimal(now.cycles, 1)} times from empty` },
    {
      name: 'Given so far',
      text: `${figure(Math.round(of.takenMah))} mAh of ${figure(of.capacityMah)} a charge`,
    },
  ]
})
/** Hour by hour up to now, the first of them first. */
const points = computed(() => {
  const hours = life.value?.hours ?? []
  const gone = (life.value?.present.seconds ?? 0) / 3600
  const past = hours.map((hour, index) => [-(index + gone), hour.percent] as const)
  return [...past.reverse(), [0, percent.value] as const]
})
const rows = computed(() =>
  (life.value?.hours ?? []).map((hour, index) => [
    index + 1,
    hour.percent,
    decimal(hour.batterySeconds / 60),
    decimal(hour.takenUah / 1000, 2),
  ]),
)
</script>

<template>
  <v-dialog v-model="open" max-width="640" aria-labelledby="battery-title">
    <v-card>
      <h2 id="battery-title">Battery of {{ title }}</h2>
      <v-alert v-if="problem">
        It could not be read: {{ problem }}. Nothing was changed; connect the device and open this again.
      </v-alert>
      <template v-else-if="life && device.info">
        <p>
          <b>{{ batteryText(device.info) }}</b>, {{ figure(life.capacityMah) }} mAh when full.
        </p>
        <dl class="mx-0 mt-1.5 mb-3.5 grid grid-cols-2 gap-x-5 gap-y-2">
          <div v-for="{ name, text } in facts" :key="name">
            <dt class="caption">{{ name }}</dt>
            <dd class="m-0 font-[560]">{{ text }}</dd>
          </div>
        </dl>
        <FigureChart
          v-if="life.hours.length"
          title="Charge, hour by hour"
          :lines="[{ name: 'charge', points }]"
          :x="{ name: 'hours from now', max: 0 }"
          :y="{ name: '%', min: 0, max: 100 }"
          :columns="['hour before', '% at its end', 'min on battery', 'mAh taken']"
          :rows
          :height="190"
        />
        <p v-else class="soft">
          Charge is noted at each full hour; {{ decimal(life.present.seconds / 60) }} min of the first one are
          over.
        </p>
        <p class="soft">
          Counted by the gauge beside the battery: a week of the hours in which the device has power, those in
          which it lay there asleep among them.
        </p>
      </template>
      <div class="ends"><v-btn @click="open = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

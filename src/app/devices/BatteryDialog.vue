<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { estimateLife, type BatteryLife } from '../../core/motion/battery-life'
import FigureChart from '../shared/late-chart'
import { batteryText, integerText } from '../shared/device-line'
import { decimal } from '../shared/numbers'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { errorMessage } from '../stores/notifications'

/** Battery details from the device's gauge: charge by hour, use, cycles, and the remaining time. */
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
    problem.value = errorMessage(error)
  }
})

const percent = computed(() => props.device.info?.batteryPercent ?? 0)
const estimate = computed(() => life.value && estimateLife(life.value, percent.value))
const durationText = (hours: number): string =>
  hours >= 48
    ? t('devices.days', { days: decimal(hours / 24) })
    : hours >= 2
      ? `${decimal(hours)} h`
      : t('devices.min', { minutes: decimal(60 * hours) })
const facts = computed(() => {
  const [of, now] = [life.value, estimate.value]
  if (!of || !now) return []
  return [
    {
      name: t('devices.currentDrawn'),
      text:
        now.meanMa === undefined
          ? t('devices.availableAfterFiveMinutesOnBattery')
          : t('devices.maMeanOf', {
              current: decimal(now.meanMa, now.meanMa < 1 ? 2 : 1),
              duration: durationText(now.ofHours ?? 0),
            }),
    },
    {
      name: t('devices.batteryLifeAtThisRate'),
      text: now.hoursLeft === undefined ? t('devices.notKnownYet') : durationText(now.hoursLeft),
    },
    { name: t('devices.chargeCycles'), text: t('devices.fullCharges', { cycles: decimal(now.cycles, 1) }) },
    {
      name: t('devices.usedSinceTheLastFullCharge'),
      text: t('devices.ofMah', {
        used: integerText(Math.round(of.takenMah)),
        capacity: integerText(of.capacityMah),
      }),
    },
  ]
})
/** Hour by hour up to now, the earliest first. */
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
      <h2 id="battery-title">{{ t('devices.batteryOf', { title }) }}</h2>
      <v-alert v-if="problem">
        {{ t('devices.theBatteryCouldNotBeReadNothing', { problem }) }}
      </v-alert>
      <template v-else-if="life && device.info">
        <p>
          <RichMessage message="devices.mahWhenFull" :facts="{ capacity: integerText(life.capacityMah) }">
            <template #charge
              ><b>{{ batteryText(device.info) }}</b></template
            >
          </RichMessage>
        </p>
        <dl class="mx-0 mt-1.5 mb-3.5 grid grid-cols-2 gap-x-5 gap-y-2">
          <div v-for="{ name, text } in facts" :key="name">
            <dt class="caption">{{ name }}</dt>
            <dd class="m-0 font-[560]">{{ text }}</dd>
          </div>
        </dl>
        <FigureChart
          v-if="life.hours.length"
          :title="t('devices.chargeByHour')"
          :lines="[{ name: t('devices.charge'), points }]"
          :x="{ name: t('devices.hoursFromNow'), max: 0 }"
          :y="{ name: '%', min: 0, max: 100 }"
          :columns="[
            t('devices.hoursAgo'),
            t('devices.chargeAtTheEnd'),
            t('devices.minutesOnBattery'),
            t('devices.mahUsed'),
          ]"
          :rows
          :height="190"
        />
        <p v-else class="soft">
          {{
            t('devices.theGaugeRecordsTheChargeEveryFull', { minutes: decimal(life.present.seconds / 60) })
          }}
        </p>
        <p class="soft">
          {{ t('devices.theGaugeInTheDeviceCountsThe') }}
        </p>
      </template>
      <div class="ends">
        <v-btn @click="open = false">{{ t('devices.close') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

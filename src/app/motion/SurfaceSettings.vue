<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { CALIBRATION_OPERATION, type CalibrationStatus } from '../../core/link/packets'
import { handStroke } from '../../core/motion/hand-strokes'
import { FACTORY_CALIBRATION, surfaceById, SURFACES } from '../../core/motion/surface'
import { trackingOn } from '../../core/motion/tracking'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useDevices } from '../stores/devices'
import type { MotionView } from './motion-view'
import { whyReadOnly } from '../shared/device-line'
import type { TryOut } from './try-out'
import { decimal } from '../shared/numbers'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import { ignoreTimeout } from '../../simulator/client'

/**
 * The surface under the simulated device, and its calibration in three steps on the device itself, which stores it for
 * all slots.
 */
const props = defineProps<{ work: MotionView; tryOut: TryOut }>()
const devices = useDevices()
const device = computed(() => props.work.device.value)
const surfaceId = ref('cloth')
const status = shallowRef<CalibrationStatus>()
const before = ref<number>()
const problem = ref<string>()
const working = ref(false)
let gone = false
onScopeDispose(() => (gone = true))

const surface = computed(() => surfaceById(surfaceId.value) ?? itemAt(SURFACES, 0))
const CHOICES = SURFACES.map(({ id, name, about }) => ({
  value: id,
  text: textOf(name),
  about: textOf(about),
}))
const liftOff = computed(() => props.work.settings.value.liftOffMm ?? 1)

/** A quality of 0 means the factory calibration. */
const figures = (quality: number) =>
  trackingOn(surface.value, quality > 0 ? { quality } : FACTORY_CALIBRATION, liftOff.value)
const stored = computed(() => status.value?.stored ?? 0)
const now = computed(() => figures(stored.value))
const earlier = computed(() => (before.value === undefined ? undefined : figures(before.value)))
const percent = (share: number) =>
  t('look.percent', { percent: decimal(100 * share, share > 0 && share < 0.01 ? 2 : 0) })

async function ask(what: number): Promise<void> {
  const id = device.value?.id
  if (!id) return
  const answer = await devices.calibrate(id, what)
  if (typeof answer === 'string') {
    problem.value = answer
    status.value = status.value && { ...status.value, running: false }
  } else {
    problem.value = undefined
    status.value = answer
  }
}
watch(
  () => device.value?.connected,
  (connected) => {
    if (!connected) return
    void ask(CALIBRATION_OPERATION.ask)
    void where()
  },
  { immediate: true },
)

/** It is where it was last placed. */
async function where(): Promise<void> {
  const id = device.value?.id
  const sight = id && (await devices.simulator?.look(id).catch(ignoreTimeout))
  if (sight) surfaceId.value = sight.surface
}

async function lay(id: string | undefined): Promise<void> {
  if (!id) return
  surfaceId.value = id
  before.value = undefined
  if (device.value) await devices.simulator?.layOn(device.value.id, id)
  await props.tryOut.resemble()
}

/** Moves the device in circles until it has measured the surface. */
async function measureIn(): Promise<void> {
  const [client, id] = [devices.simulator, device.value?.id]
  if (!client || !id) return
  working.value = true
  before.value = stored.value
  await ask(CALIBRATION_OPERATION.begin)
  const circle = handStroke('circle', { mm: 60, ms: 400 })
  for (let turn = 0; turn < 20 && status.value?.running && !gone; turn++) {
    for (let at = 0; at < circle.length; at += 20) {
      const [dx, dy] = circle.slice(at, at + 20).reduce(([x, y], step) => [x + step.dx, y + step.dy], [0, 0])
      await client.move(id, dx, dy)
    }
    await ask(CALIBRATION_OPERATION.ask)
  }
  if (gone) await ask(CALIBRATION_OPERATION.stop)
  await props.tryOut.resemble()
  working.value = false
}

async function forget(): Promise<void> {
  before.value = undefined
  await ask(CALIBRATION_OPERATION.forget)
  await props.tryOut.resemble()
}
</script>

<template>
  <section class="grid gap-2 border-b border-line px-0 py-3" :aria-label="t('motion.surface')">
    <h3 class="m-0 text-15">
      <GlossaryTerm of="surface-calibration">{{ t('motion.surface') }}</GlossaryTerm>
      <span class="caption ms-2 font-normal">{{ t('motion.storedOnTheDeviceForAllSlots') }}</span>
    </h3>
    <p v-if="!device?.connected" class="soft">
      {{ t('motion.connectTheDeviceToCalibrateIts') }}
    </p>
    <p v-else-if="whyReadOnly(device)" class="soft">{{ whyReadOnly(device) }}.</p>
    <template v-else>
      <div class="flow">
        <span>{{ t('motion.surfaceUnderTheSimulatedDevice') }}</span>
        <ChoiceRow
          :label="t('motion.simulatedSurface')"
          :choices="CHOICES"
          :model-value="surfaceId"
          @update:model-value="lay"
        />
      </div>
      <v-table>
        <thead>
          <tr>
            <th>{{ textOf(surface.about) }}</th>
            <th v-if="earlier">{{ t('motion.before') }}</th>
            <th>{{ t('motion.now') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>{{ t('motion.movementLost') }}</td>
            <td v-if="earlier" class="mono soft">{{ percent(earlier.lost) }}</td>
            <td class="mono">{{ percent(now.lost) }}</td>
          </tr>
          <tr>
            <td>{{ t('motion.deviationOver10Cm') }}</td>
            <td v-if="earlier" class="mono soft">
              {{ t('motion.mm2', { decimal: decimal(earlier.strayMm, 2) }) }}
            </td>
            <td class="mono">{{ t('motion.mm2', { decimal: decimal(now.strayMm, 2) }) }}</td>
          </tr>
          <tr>
            <td>{{ t('motion.liftOffDistanceSetToMm', { liftOff }) }}</td>
            <td v-if="earlier" class="mono soft">
              {{ t('motion.mm2', { decimal: decimal(earlier.liftMm, 1) }) }}
            </td>
            <td class="mono">{{ t('motion.mm2', { decimal: decimal(now.liftMm, 1) }) }}</td>
          </tr>
        </tbody>
      </v-table>
      <div class="flow">
        <v-btn variant="flat" color="ink" :disabled="working" @click="measureIn">
          {{ working ? t('motion.movingInCircles') : t('motion.calibrateForThisSurface') }}
        </v-btn>
        <v-progress-linear
          v-if="status?.running"
          class="w-[120px] flex-none"
          color="motion"
          :model-value="status.movedMm"
          :max="status.neededMm"
          :aria-label="t('motion.ofMm', { moved: status.movedMm, needed: status.neededMm })"
        />
        <span class="caption" role="status">
          {{
            stored
              ? t('motion.calibratedForQualityThisSurfaceHas', { stored, quality: surface.quality })
              : t('motion.factoryCalibrationClothQuality100', { quality: surface.quality })
          }}
        </span>
        <v-btn v-if="stored" variant="plain" @click="forget">{{
          t('motion.resetToFactoryCalibration')
        }}</v-btn>
      </div>
      <v-alert v-if="problem" :text="problem" />
    </template>
  </section>
</template>

<style scoped>
.v-table {
  width: fit-content;
}
</style>

<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { CALIBRATE, type CalibrationStatus } from '../../core/link/packets'
import { handStroke } from '../../core/motion/hand-strokes'
import { FACTORY_CALIBRATION, surfaceById, SURFACES } from '../../core/motion/surface'
import { trackingOn } from '../../core/motion/tracking'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useDevices } from '../stores/devices'
import type { MotionWork } from './work'
import { noChanges } from '../shared/device-line'
import type { TryOut } from './try-out'
import { decimal } from '../shared/numbers'
import TermWord from '../shared/TermWord.vue'
import { ignoreSilence } from '../../simulator/client'

/**
 * What the device on the desk lies on, and measuring its sensor in to that: in three steps, on the device itself,
 * kept by it for all slots.
 */
const props = defineProps<{ work: MotionWork; tryOut: TryOut }>()
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
const CHOICES = SURFACES.map(({ id, name, about }) => ({ value: id, text: name, about }))
const liftOff = computed(() => props.work.settings.value.liftOffMm ?? 1)

/** A quality of 0 is the factory's. */
const figures = (quality: number) =>
  trackingOn(surface.value, quality > 0 ? { quality } : FACTORY_CALIBRATION, liftOff.value)
const stored = computed(() => status.value?.stored ?? 0)
const now = computed(() => figures(stored.value))
const earlier = computed(() => (before.value === undefined ? undefined : figures(before.value)))
const percent = (share: number) => `${decimal(100 * share, share > 0 && share < 0.01 ? 2 : 0)} %`

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
    void ask(CALIBRATE.ask)
    void where()
  },
  { immediate: true },
)

/** It lies where it was last laid. */
async function where(): Promise<void> {
  const id = device.value?.id
  const sight = id && (await devices.simulator?.look(id).catch(ignoreSilence))
  if (sight) surfaceId.value = sight.surface
}

async function lay(id: string | undefined): Promise<void> {
  if (!id) return
  surfaceId.value = id
  before.value = undefined
  if (device.value) await devices.simulator?.layOn(device.value.id, id)
  await props.tryOut.resemble()
}

/** Moves the device in circles until it has seen enough of the surface. */
async function measureIn(): Promise<void> {
  const [client, id] = [devices.simulator, device.value?.id]
  if (!client || !id) return
  working.value = true
  before.value = stored.value
  await ask(CALIBRATE.begin)
  const circle = handStroke('circle', { mm: 60, ms: 400 })
  for (let turn = 0; turn < 20 && status.value?.running && !gone; turn++) {
    for (let at = 0; at < circle.length; at += 20) {
      const [dx, dy] = circle.slice(at, at + 20).reduce(([x, y], step) => [x + step.dx, y + step.dy], [0, 0])
      await client.move(id, dx, dy)
    }
    await ask(CALIBRATE.ask)
  }
  if (gone) await ask(CALIBRATE.stop)
  await props.tryOut.resemble()
  working.value = false
}

async function forget(): Promise<void> {
  before.value = undefined
  await ask(CALIBRATE.forget)
  await props.tryOut.resemble()
}
</script>

<template>
  <section class="grid gap-2 border-b border-line px-0 py-3" aria-label="Surface">
    <h3 class="m-0 text-15">
      <TermWord of="surface-calibration">Surface</TermWord>
      <span class="caption ml-2 font-normal">stored on the device, for all slots</span>
    </h3>
    <p v-if="!device?.connected" class="soft">
      Connect the device to calibrate its sensor for the surface it is on.
    </p>
    <p v-else-if="noChanges(device)" class="soft">{{ noChanges(device) }}.</p>
    <template v-else>
      <div class="flow">
        <span>The simulated device lies on</span>
        <ChoiceRow
          label="What it lies on"
          :choices="CHOICES"
          :model-value="surfaceId"
          @update:model-value="lay"
        />
      </div>
      <v-table>
        <thead>
          <tr>
            <th>{{ surface.about }}</th>
            <th v-if="earlier">before</th>
            <th>now</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>Movement lost</td>
            <td v-if="earlier" class="mono soft">{{ percent(earlier.lost) }}</td>
            <td class="mono">{{ percent(now.lost) }}</td>
          </tr>
          <tr>
            <td>Strays over 10 cm, ±</td>
            <td v-if="earlier" class="mono soft">{{ decimal(earlier.strayMm, 2) }} mm</td>
            <td class="mono">{{ decimal(now.strayMm, 2) }} mm</td>
          </tr>
          <tr>
            <td>Lifts off at (set to {{ liftOff }} mm)</td>
            <td v-if="earlier" class="mono soft">{{ decimal(earlier.liftMm, 1) }} mm</td>
            <td class="mono">{{ decimal(now.liftMm, 1) }} mm</td>
          </tr>
        </tbody>
      </v-table>
      <div class="flow">
        <v-btn variant="flat" color="ink" :disabled="working" @click="measureIn">
          {{ working ? 'Moving it in circles…' : 'Measure in to this surface' }}
        </v-btn>
        <v-progress-linear
          v-if="status?.running"
          class="w-[120px] flex-none"
          color="motion"
          :model-value="status.movedMm"
          :max="status.neededMm"
          :aria-label="`${status.movedMm} of ${status.neededMm} mm`"
        />
        <span class="caption" role="status">
          {{
            stored
              ? `Measured in to a quality of ${stored}; this surface has about ${surface.quality}.`
              : `As the factory measured in: cloth, 100; this surface has about ${surface.quality}.`
          }}
        </span>
        <v-btn v-if="stored" variant="plain" @click="forget">Back to the factory’s</v-btn>
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

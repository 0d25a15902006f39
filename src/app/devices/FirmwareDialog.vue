<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { LEAST_UPDATE_PERCENT } from '../../core/link/packets'
import { compareVersions, versionText } from '../../core/base/versions'
import FileButton from '../shared/FileButton.vue'
import { bytesText } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useFirmware, type Candidate } from '../stores/firmware'
import type { KnownDevice } from '../stores/known-device'
import { messageOf } from '../stores/notices'

/** Another firmware into a device: what it is, what it needs, how far it is, and what the device runs in the end. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const firmware = useFirmware()
const candidate = shallowRef<Candidate>()
const refusal = ref<string>()
const olderToo = ref(false)
const title = computed(() => devices.title(props.device))
const state = computed(() => firmware.states.get(props.device.id))
const busy = computed(() => ['sending', 'looking', 'starting'].includes(state.value?.phase ?? ''))
const runs = computed(() => props.device.info?.firmware)

async function take(bytes: Promise<Uint8Array>): Promise<void> {
  candidate.value = undefined
  refusal.value = undefined
  firmware.dismiss(props.device.id)
  try {
    const found = await firmware.look(await bytes, props.device)
    if (typeof found === 'string') refusal.value = found
    else candidate.value = found
  } catch (error) {
    refusal.value = messageOf(error)
  }
}
const fromFile = async (file: File) => take(file.arrayBuffer().then((buffer) => new Uint8Array(buffer)))

onMounted(async () => {
  await firmware.load()
  if (firmware.newerFor(props.device)) await take(firmware.bundledFor(props.device))
})

const older = computed(
  () => candidate.value && runs.value && compareVersions(candidate.value.file.version, runs.value) <= 0,
)
/** What stands in the way now, with what to do about it. */
const cannot = computed(() => {
  const { connected, info, model } = props.device
  if (!connected || !info) return `Connect ${title.value} by its cable first.`
  if (model.connections[info.connection]?.id !== 'cable')
    return 'Firmware goes over the cable only: put the cable in, and leave it in until the end.'
  if (info.batteryPercent < LEAST_UPDATE_PERCENT)
    return `Its battery is under ${LEAST_UPDATE_PERCENT} %: let the cable charge it for a while first.`
  return undefined
})
const words = computed(() => {
  const { value } = state
  if (!value) return ''
  const { phase, to, from, leftSeconds } = value
  const left = leftSeconds === undefined ? '' : `, about ${leftSeconds} s left`
  if (phase === 'sending') return `Sending ${versionText(to)}${left}. Do not unplug.`
  if (phase === 'looking') return 'The device looks at it. Do not unplug.'
  if (phase === 'starting') return `The device starts with ${versionText(to)}.`
  if (phase === 'done') return `It runs ${versionText(to)} now. Slots and name are as they were.`
  if (phase === 'back')
    return `${versionText(to)} did not begin: the device went back to ${versionText(from)} by itself, with its slots as they were.`
  return value.message ?? ''
})

function close(): void {
  open.value = false
  firmware.dismiss(props.device.id)
}
</script>

<template>
  <v-dialog v-model="open" :persistent="busy" max-width="580" aria-labelledby="firmware-title">
    <v-card>
      <h2 id="firmware-title">Firmware of {{ title }}</h2>
      <p>
        It runs <span class="mono">{{ runs ? versionText(runs) : 'an unknown version' }}</span>.
        <template v-if="!candidate && !refusal">Nothing newer is here.</template>
      </p>
      <section
        v-if="candidate"
        class="rounded-6 border border-line bg-paper-low px-3.5 py-2.5"
        aria-label="The new firmware"
      >
        <p>
          <strong class="mono">{{ versionText(candidate.file.version) }}</strong>,
          {{ bytesText(candidate.bytes.length) }},
          {{
            candidate.signed
              ? `signed with ${device.model.maker}’s demo key`
              : 'the device verifies its signature'
          }}
        </p>
        <p class="soft whitespace-pre-line">{{ candidate.file.notes }}</p>
        <v-checkbox
          v-if="older && !state"
          v-model="olderToo"
          label="It is not newer than what the device runs. Put it in all the same."
        />
      </section>
      <v-alert v-if="refusal">{{ refusal }}. Nothing was changed.</v-alert>
      <div class="contents" role="status">
        <v-alert v-if="cannot && !state" role="none">
          {{ cannot }}
        </v-alert>
      </div>
      <div v-if="state" class="grid gap-1.5">
        <v-progress-linear
          v-if="busy"
          :model-value="state.percent"
          :indeterminate="state.phase !== 'sending'"
          height="10"
          aria-label="How far the update is"
        />
        <p :class="{ pending: state.phase === 'failed' || state.phase === 'back' }" role="status">
          {{ words }}
        </p>
      </div>
      <p class="caption soft">
        Whatever happens in the middle, the device runs the old version or the new one, whole.
      </p>
      <div class="ends">
        <FileButton
          v-if="!busy"
          label="From a file…"
          accept=".unfw"
          @files="([file]) => file && fromFile(file)"
        />
        <v-spacer />
        <v-btn :disabled="busy" @click="close">{{ state?.phase === 'done' ? 'Close' : 'Cancel' }}</v-btn>
        <v-btn
          v-if="candidate && state?.phase !== 'done'"
          variant="flat"
          color="ink"
          :disabled="busy || cannot !== undefined || (older && !olderToo)"
          @click="firmware.update(device.id, candidate)"
        >
          {{ state?.phase === 'failed' ? 'Begin again' : `Update to ${versionText(candidate.file.version)}` }}
        </v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

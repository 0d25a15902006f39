<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { MIN_UPDATE_PERCENT } from '../../core/link/packets'
import { compareVersions, versionText } from '../../core/base/versions'
import FileButton from '../files/FileButton.vue'
import { bytesText } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { useFirmware, type Candidate } from '../stores/firmware'
import type { KnownDevice } from '../stores/known-device'
import { errorMessage } from '../stores/notifications'

/** A firmware update: the file, its requirements, its progress, and its result. */
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
    refusal.value = errorMessage(error)
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
/** Why an update is not possible now, and what to do. */
const cannot = computed(() => {
  const { connected, info, model } = props.device
  if (!connected || !info) return t('devices.connectByItsCableFirst', { title: title.value })
  if (model.connections[info.connection]?.id !== 'cable') return t('devices.firmwareCanOnlyBeUpdatedOverThe')
  if (info.batteryPercent < MIN_UPDATE_PERCENT)
    return t('devices.theBatteryIsBelowChargeItOver', { min: MIN_UPDATE_PERCENT })
  return undefined
})
const words = computed(() => {
  const { value } = state
  if (!value) return ''
  const { phase, to, from, leftSeconds } = value
  if (phase === 'sending' && leftSeconds !== undefined)
    return t('devices.sendingSLeft', { version: versionText(to), leftSeconds })
  if (phase === 'sending') return t('devices.sendingDoNotUnplugTheDevice', { version: versionText(to) })
  if (phase === 'looking') return t('devices.theDeviceIsVerifyingTheFileDo')
  if (phase === 'starting') return t('devices.theDeviceIsStarting', { version: versionText(to) })
  if (phase === 'done') return t('devices.theDeviceNowRunsItsSlotsAnd', { version: versionText(to) })
  if (phase === 'back')
    return t('devices.didNotStartTheDeviceReturnedTo', {
      version: versionText(to),
      previous: versionText(from),
    })
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
      <h2 id="firmware-title">{{ t('devices.firmwareOf', { title }) }}</h2>
      <p>
        <RichMessage message="devices.thisDeviceRuns">
          <template #version
            ><span class="mono">{{
              runs ? versionText(runs) : t('devices.anUnknownVersion')
            }}</span></template
          >
        </RichMessage>
        <template v-if="!candidate && !refusal">{{ t('devices.theFirmwareIsUpToDate') }}</template>
      </p>
      <section
        v-if="candidate"
        class="rounded-6 border border-line bg-paper-low px-3.5 py-2.5"
        :aria-label="t('devices.newFirmware')"
      >
        <p>
          <strong class="mono">{{ versionText(candidate.file.version) }}</strong>,
          {{ bytesText(candidate.bytes.length) }},
          {{
            candidate.signed
              ? t('devices.signedWithSDemoKey', { maker: device.model.maker })
              : t('devices.theDeviceVerifiesItsSignature')
          }}
        </p>
        <p class="soft whitespace-pre-line">{{ candidate.file.notes }}</p>
        <v-checkbox
          v-if="older && !state"
          v-model="olderToo"
          :label="t('devices.installItAlthoughItIsNotNewer')"
        />
      </section>
      <v-alert v-if="refusal">{{ t('devices.nothingWasChanged', { problem: refusal }) }}</v-alert>
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
          :aria-label="t('devices.updateProgress')"
        />
        <p :class="{ pending: state.phase === 'failed' || state.phase === 'back' }" role="status">
          {{ words }}
        </p>
      </div>
      <p class="caption soft">
        {{ t('devices.ifTheUpdateIsInterruptedTheDevice') }}
      </p>
      <div class="ends">
        <FileButton
          v-if="!busy"
          :label="t('devices.openAFile')"
          accept=".unfw"
          @files="([file]) => file && fromFile(file)"
        />
        <v-spacer />
        <v-btn :disabled="busy" @click="close">{{
          state?.phase === 'done' ? t('devices.close') : t('devices.cancel')
        }}</v-btn>
        <v-btn
          v-if="candidate && state?.phase !== 'done'"
          variant="flat"
          color="ink"
          :disabled="busy || cannot !== undefined || (older && !olderToo)"
          @click="firmware.update(device.id, candidate)"
        >
          {{
            state?.phase === 'failed'
              ? t('devices.startAgain')
              : t('devices.updateTo', { version: versionText(candidate.file.version) })
          }}
        </v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

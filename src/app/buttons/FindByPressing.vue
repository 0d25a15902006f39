<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiTarget } from '@mdi/js'
import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref } from 'vue'
import { useCommands } from '../shared/commands'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'

/** Finds an input by pressing it on the device. */
const props = defineProps<{ device: KnownDevice | undefined }>()
const emit = defineEmits<{ found: [inputId: string] }>()
const devices = useDevices()
const listening = ref(false)
/** A cancelled wait must not answer for a later one. */
let turn = 0

const ready = computed(() => props.device?.connected === true)

async function listen(): Promise<void> {
  if (!props.device) return
  const mine = ++turn
  listening.value = true
  const found = await devices.nextPress(props.device.id, () => listening.value && mine === turn)
  if (mine !== turn) return
  listening.value = false
  if (found) emit('found', found)
}

function stop(): void {
  turn++
  listening.value = false
}

useEventListener('keydown', (event) => {
  if (event.key === 'Escape' && listening.value) stop()
})
onScopeDispose(stop)
useCommands({ 'input.point': { run: listen, can: () => ready.value } })
</script>

<template>
  <div class="find flex items-center gap-2.5">
    <span class="contents" role="status"
      ><span v-if="listening" class="rounded-5 bg-binding-wash px-2.5 py-1 font-semi text-binding">{{
        t('buttons.pressOrTurnAnInputOnThe', { device: device?.model.kind })
      }}</span></span
    >
    <v-btn
      :disabled="!ready"
      :aria-pressed="listening"
      :title="ready ? undefined : t('buttons.connectTheDeviceToFindAnInput')"
      @click="listening ? stop() : listen()"
    >
      <v-icon :icon="mdiTarget" />{{ listening ? t('buttons.stop') : t('buttons.findByPressing') }}
    </v-btn>
  </div>
</template>

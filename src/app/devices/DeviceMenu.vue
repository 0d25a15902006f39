<script setup lang="ts">
import { mdiDotsHorizontal } from '@mdi/js'
import { computed, defineAsyncComponent, ref } from 'vue'
import { MOST_DEVICE_NAME, MOST_DEVICE_NAME_BYTES } from '../../core/base/name-lengths'
import { nameProblem, utf8Bytes } from '../../core/base/names'
import CommandItem from '../shared/CommandItem.vue'
import { runCommand, useCommands } from '../shared/commands'
import { noChanges } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'

/** Each loads when it is asked for. */
const BatteryDialog = defineAsyncComponent(() => import('./BatteryDialog.vue'))
const FirmwareDialog = defineAsyncComponent(() => import('./FirmwareDialog.vue'))
const ResetDialog = defineAsyncComponent(() => import('./ResetDialog.vue'))
const TakeAwayDialog = defineAsyncComponent(() => import('./TakeAwayDialog.vue'))
const NameDialog = defineAsyncComponent(() => import('../shared/NameDialog.vue'))

/** What is done to a device as a whole. */
const props = defineProps<{ device: KnownDevice }>()
const devices = useDevices()
const title = computed(() => devices.title(props.device))
const renaming = ref(false)
const resetting = ref(false)
const leaving = ref(false)
const lasting = ref(false)
const updating = ref(false)
const cannot = computed(() => noChanges(props.device))
const can = () => cannot.value === undefined
/** Why the life of its battery cannot be asked for now. */
const noBattery = computed(() =>
  props.device.model.electrical.battery ? cannot.value : 'It runs from its cable alone',
)
const hasBattery = () => noBattery.value === undefined
const about = () => cannot.value ?? title.value

/** The name is in the device when the dialog has closed; what it refuses is said at the foot of the window. */
function applyName(name: string): string | undefined {
  const trimmed = name.trim()
  const problem = trimmed && nameProblem(trimmed)
  if (problem) return `The name ${problem}.`
  if ([...trimmed].length > MOST_DEVICE_NAME || utf8Bytes(trimmed) > MOST_DEVICE_NAME_BYTES)
    return `The name is too long: ${MOST_DEVICE_NAME} characters at most, fewer of some scripts.`
  if (trimmed !== props.device.name) void devices.rename(props.device.id, trimmed)
  return undefined
}

useCommands({
  'device.rename': { run: () => (renaming.value = true), can, about },
  'device.reset': { run: () => (resetting.value = true), can, about },
  'device.battery': {
    run: () => (lasting.value = true),
    can: hasBattery,
    about: () => noBattery.value ?? title.value,
  },
  'device.firmware': { run: () => (updating.value = true), about: () => title.value },
  'device.remove': { run: () => (leaving.value = true), about: () => title.value },
})
</script>

<template>
  <v-menu>
    <template #activator="{ props: activator }">
      <v-btn icon variant="text" v-bind="activator" :aria-label="`More for ${title}`">
        <v-icon :icon="mdiDotsHorizontal" />
      </v-btn>
    </template>
    <v-list role="menu" :aria-label="`More for ${title}`">
      <CommandItem of="device.rename" :cannot @click="runCommand('device.rename')" />
      <CommandItem of="device.reset" :cannot @click="runCommand('device.reset')" />
      <CommandItem of="device.battery" :cannot="noBattery" @click="runCommand('device.battery')" />
      <CommandItem of="device.firmware" @click="runCommand('device.firmware')" />
      <CommandItem of="device.remove" @click="runCommand('device.remove')" />
    </v-list>
  </v-menu>
  <NameDialog
    v-if="renaming"
    v-model="renaming"
    :title="`Name this ${device.model.name}`"
    label="Name, kept in the device; empty for none"
    confirm="Name it"
    :name="device.name"
    :apply="applyName"
    :taken="(name) => name !== '' && devices.list.some((each) => each.id !== device.id && each.name === name)"
  />
  <ResetDialog v-if="resetting" v-model="resetting" :device="device" />
  <BatteryDialog v-if="lasting" v-model="lasting" :device="device" />
  <FirmwareDialog v-if="updating" v-model="updating" :device="device" />
  <TakeAwayDialog v-if="leaving" v-model="leaving" :device="device" />
</template>

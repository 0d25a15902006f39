<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { mdiDotsHorizontal } from '@mdi/js'
import { computed, defineAsyncComponent, ref } from 'vue'
import { MAX_DEVICE_NAME_CHARACTERS, MAX_DEVICE_NAME_BYTES } from '../../core/base/name-lengths'
import { nameProblem, utf8Length } from '../../core/base/names'
import CommandItem from '../shared/CommandItem.vue'
import { runCommand, useCommands } from '../shared/commands'
import { whyReadOnly } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'

/** Loaded when first opened. */
const BatteryDialog = defineAsyncComponent(() => import('./BatteryDialog.vue'))
const FirmwareDialog = defineAsyncComponent(() => import('./FirmwareDialog.vue'))
const ResetDialog = defineAsyncComponent(() => import('./ResetDialog.vue'))
const RemoveDeviceDialog = defineAsyncComponent(() => import('./RemoveDeviceDialog.vue'))
const NameDialog = defineAsyncComponent(() => import('../shared/NameDialog.vue'))

/** Actions for a whole device. */
const props = defineProps<{ device: KnownDevice }>()
const devices = useDevices()
const title = computed(() => devices.title(props.device))
const renaming = ref(false)
const resetting = ref(false)
const leaving = ref(false)
const lasting = ref(false)
const updating = ref(false)
const cannot = computed(() => whyReadOnly(props.device))
const can = () => cannot.value === undefined
/** Why battery details are not available now. */
const noBattery = computed(() =>
  props.device.model.electrical.battery ? cannot.value : t('devices.poweredByItsCable'),
)
const hasBattery = () => noBattery.value === undefined
const about = () => cannot.value ?? title.value

/** The device has the name when the dialog closes; a refusal is shown as a notification. */
function applyName(name: string): string | undefined {
  const trimmed = name.trim()
  const problem = trimmed && nameProblem(trimmed)
  if (problem) return textOf(problem)
  if ([...trimmed].length > MAX_DEVICE_NAME_CHARACTERS || utf8Length(trimmed) > MAX_DEVICE_NAME_BYTES)
    return t('devices.theNameIsTooLongEnterUp', { max: MAX_DEVICE_NAME_CHARACTERS })
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
      <v-btn icon variant="text" v-bind="activator" :aria-label="t('devices.moreActionsFor', { title })">
        <v-icon :icon="mdiDotsHorizontal" />
      </v-btn>
    </template>
    <v-list role="menu" :aria-label="t('devices.moreActionsFor', { title })">
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
    :title="t('devices.renameThis', { name: device.model.name })"
    :label="t('devices.nameStoredOnTheDeviceOptional')"
    :confirm="t('devices.rename')"
    :name="device.name"
    :apply="applyName"
    :taken="(name) => name !== '' && devices.list.some((each) => each.id !== device.id && each.name === name)"
  />
  <ResetDialog v-if="resetting" v-model="resetting" :device="device" />
  <BatteryDialog v-if="lasting" v-model="lasting" :device="device" />
  <FirmwareDialog v-if="updating" v-model="updating" :device="device" />
  <RemoveDeviceDialog v-if="leaving" v-model="leaving" :device="device" />
</template>

<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import type { KnownDevice } from '../stores/known-device'
import { copyFromSlot, compareSlot } from '../stores/slots'

/** Removes a simulated device with its memory, after offering to copy profiles that exist only there. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const library = useLibrary()
const macros = useMacros()
const router = useRouter()

/** Profiles of its slots that the library does not have in this state. */
const alone = computed(() =>
  props.device.slots.flatMap((content, slot) => {
    const { profile } = content
    const { entry, edits } = compareSlot(content, props.device.model, library.entries, macros.wholeShelf)
    return profile && (!entry || edits > 0) ? [{ slot, profile }] : []
  }),
)

async function takeAway(keep: boolean): Promise<void> {
  const kept = keep ? alone.value : []
  open.value = false
  for (const { slot, profile } of kept) await copyFromSlot(profile, slot)
  await router.push('/devices')
  await devices.remove(props.device.id)
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :title="t('devices.remove', { title: devices.title(device) })"
    :confirm="alone.length ? t('devices.copyToLibraryAndRemove') : t('devices.removeDevice')"
    @confirm="takeAway(true)"
  >
    <p>
      {{ t('devices.thisRemovesTheSimulatedDeviceAnd') }}
    </p>
    <template v-if="alone.length">
      <p>{{ t('devices.thisProfileExistsOnlyOnTheDevice', { count: alone.length }) }}</p>
      <ul>
        <li v-for="{ slot, profile } in alone" :key="slot">
          {{ t('devices.slot4', { slot: slot + 1, name: profile.name }) }}
        </li>
      </ul>
    </template>
    <template v-if="alone.length" #ways>
      <v-btn @click="takeAway(false)">{{ t('devices.removeWithoutCopying') }}</v-btn>
    </template>
  </ConfirmDialog>
</template>

<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'

/** Resets a slot or the whole device to factory settings. It first says what is deleted and what is kept. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const WHOLE = 'device'
const what = ref<string>(WHOLE)

const slots = computed(() =>
  props.device.slots.flatMap(({ bytes, profile }, index) =>
    bytes
      ? [
          {
            value: `${index}`,
            text: t('devices.slot3', {
              index: index + 1,
              name: profile?.name ?? t('devices.unreadableProfile'),
            }),
          },
        ]
      : [],
  ),
)
const words = computed(() =>
  what.value === WHOLE
    ? {
        goes: t('devices.allSlotsTheNameTheActiveSlot'),
        stays: t('devices.profilesInTheLibraryOtherDevices'),
        after: t('devices.youCanUndoThisWhileUniseraIs'),
      }
    : {
        goes: t('devices.theContentsOfSlotTheSlotReturns', { number: Number(what.value) + 1 }),
        stays: t('devices.allOtherSlotsTheNameAndProfiles'),
        after: t('devices.youCanUndoThisWhileUniseraIs2'),
      },
)

function reset(): void {
  if (what.value === WHOLE) void devices.reset(props.device.id)
  else void devices.clear(props.device.id, Number(what.value))
  open.value = false
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :title="t('devices.resetToFactorySettings', { title: devices.title(device) })"
    :confirm="t('devices.reset')"
    @confirm="reset"
  >
    <v-radio-group v-model="what" :aria-label="t('devices.reset')" hide-details>
      <v-radio :value="WHOLE" :label="t('devices.theWholeDevice')" />
      <v-radio v-for="{ value, text } in slots" :key="value" :value="value" :label="text" />
    </v-radio-group>
    <dl
      class="mx-0 my-2 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1.5 border-t border-line-strong pt-2.5"
    >
      <dt class="font-strong">{{ t('devices.deleted') }}</dt>
      <dd class="m-0">{{ words.goes }}</dd>
      <dt class="font-strong">{{ t('devices.kept') }}</dt>
      <dd class="m-0">{{ words.stays }}</dd>
    </dl>
    <p class="soft">{{ t('devices.ifPowerIsLostDuringTheReset', { undo: words.after }) }}</p>
  </ConfirmDialog>
</template>

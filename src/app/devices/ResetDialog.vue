<script setup lang="ts">
import { computed, ref } from 'vue'
import AskDialog from '../shared/AskDialog.vue'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'

/** Back to how the factory left it: a slot, or the whole device. What goes and what stays is said before. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const WHOLE = 'device'
const what = ref<string>(WHOLE)

const slots = computed(() =>
  props.device.slots.flatMap(({ bytes, profile }, index) =>
    bytes
      ? [{ value: `${index}`, text: `Slot ${index + 1}, ${profile?.name ?? 'which cannot be read'}` }]
      : [],
  ),
)
const words = computed(() =>
  what.value === WHOLE
    ? {
        goes: 'What its slots hold, its name, which slot is on, and the surface its sensor was measured in to.',
        stays: 'Profiles in the library, other devices, and its firmware.',
        after:
          'Slots, name and the slot that was on can be taken back while Unisera is open; a surface is measured in anew.',
      }
    : {
        goes: `What slot ${Number(what.value) + 1} holds: in it the device does what it did out of its box.`,
        stays: 'All other slots, its name, and profiles in the library.',
        after: 'It can be taken back while Unisera is open.',
      },
)

function reset(): void {
  if (what.value === WHOLE) void devices.reset(props.device.id)
  else void devices.clear(props.device.id, Number(what.value))
  open.value = false
}
</script>

<template>
  <AskDialog
    v-model="open"
    :title="`Reset ${devices.title(device)} to the factory`"
    confirm="Reset"
    @confirm="reset"
  >
    <v-radio-group v-model="what" aria-label="What is reset" hide-details>
      <v-radio :value="WHOLE" label="The whole device" />
      <v-radio v-for="{ value, text } in slots" :key="value" :value="value" :label="text" />
    </v-radio-group>
    <dl
      class="mx-0 my-2 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1.5 border-t border-line-strong pt-2.5"
    >
      <dt class="font-strong">Goes</dt>
      <dd class="m-0">{{ words.goes }}</dd>
      <dt class="font-strong">Stays</dt>
      <dd class="m-0">{{ words.stays }}</dd>
    </dl>
    <p class="soft">{{ words.after }} Without power in the middle all of it happens, or nothing.</p>
  </AskDialog>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import AskDialog from '../shared/AskDialog.vue'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import type { KnownDevice } from '../stores/known-device'
import { copyFromSlot, slotStanding } from '../stores/slots'

/** A simulated device goes, and its memory with it: what only it holds can be kept first. */
const props = defineProps<{ device: KnownDevice }>()
const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const library = useLibrary()
const macros = useMacros()
const router = useRouter()

/** Profiles of its slots that the library has not, or not so. */
const alone = computed(() =>
  props.device.slots.flatMap((content, slot) => {
    const { profile } = content
    const { entry, edits } = slotStanding(content, props.device.model, library.entries, macros.wholeShelf)
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
  <AskDialog
    v-model="open"
    :title="`Take ${devices.title(device)} away`"
    :confirm="alone.length ? 'Copy to the library, take it away' : 'Take it away'"
    @confirm="takeAway(true)"
  >
    <p>
      This simulated device goes, and what its slots hold with it. One that is added later is new out of its
      box. Profiles in the library stay.
    </p>
    <template v-if="alone.length">
      <p>Only on the device, as {{ alone.length === 1 ? 'it is' : 'they are' }} there:</p>
      <ul>
        <li v-for="{ slot, profile } in alone" :key="slot">slot {{ slot + 1 }}, {{ profile.name }}</li>
      </ul>
    </template>
    <template v-if="alone.length" #ways>
      <v-btn @click="takeAway(false)">Take it away without</v-btn>
    </template>
  </AskDialog>
</template>

<script setup lang="ts">
import { ref } from 'vue'
import { useBackup } from '../library/backup'
import BringPanel from '../library/BringPanel.vue'
import FileProgress from '../shared/FileProgress.vue'
import { useDevices } from '../stores/devices'
import { useNotices } from '../stores/notices'
import { copyFromSlot } from '../stores/slots'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'

/** There was a library here and it has gone: what happened, what is safe, and what can be done. */
const emit = defineEmits<{ begin: [how: 'demo' | 'empty'] }>()
const devices = useDevices()
const notices = useNotices()
const { reading, refusal, plan, open, bring, leave, stop } = useBackup(() => emit('begin', 'empty'))
const working = ref(false)

/** Copies every profile that a slot holds, with the macros it plays. */
async function readDevices(): Promise<void> {
  working.value = true
  let count = 0
  for (const { slots } of devices.list)
    for (const [slot, { profile }] of slots.entries()) {
      if (!profile) continue
      if (await copyFromSlot(profile, slot)) count++
    }
  working.value = false
  if (count > 0) {
    notices.say(`${count} ${count === 1 ? 'profile was' : 'profiles were'} copied from the devices`)
    emit('begin', 'empty')
  } else notices.refuse('No device that is connected holds a profile. Connect one, or choose another way.')
}
</script>

<template>
  <section
    class="grid max-w-[1000px] content-start gap-4 px-7 py-10"
    role="alert"
    aria-labelledby="gone-title"
  >
    <h1 id="gone-title">The library of this browser is gone</h1>
    <p>
      There were profiles here, and their storage is empty now: the browser’s data was cleared, by hand or by
      the browser itself to make room. What is written to your devices is still on them, and works as it did.
    </p>
    <ul
      class="mx-0 mt-3 mb-0 grid list-none grid-cols-[repeat(auto-fit,minmax(250px,1fr))] border-t-[1.5px] border-ink p-0"
    >
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 pr-5 pl-0"
      >
        <h2>From a backup</h2>
        <p class="soft">Everything as it was when it was saved as a file.</p>
        <FileButton
          label="Bring in a backup…"
          accept=".zip,.json,application/zip,application/json"
          @files="([file]) => file && open(file)"
        />
      </li>
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 pr-5 pl-0"
      >
        <h2>From the devices</h2>
        <p class="soft">
          Every profile that a slot holds, with its macros. Notes and what was never written are lost.
        </p>
        <v-btn :disabled="working" @click="readDevices">Read what the devices hold</v-btn>
      </li>
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 pr-5 pl-0"
      >
        <h2>Anew</h2>
        <p class="soft">With the demo’s profiles, or with nothing. Devices are not touched.</p>
        <span class="flex gap-2">
          <v-btn @click="emit('begin', 'demo')">The demo</v-btn>
          <v-btn @click="emit('begin', 'empty')">Nothing</v-btn>
        </span>
      </li>
    </ul>
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <BringPanel v-if="plan" :plan="plan" @bring="bring" @leave="leave" />
  </section>
</template>

<script setup lang="ts">
import { t } from '../../messages/page'
import { ref } from 'vue'
import { useBackup } from '../library/backup'
import ImportPanel from '../library/ImportPanel.vue'
import { onOpened, useOpenFile } from '../files/open-file'
import { useDevices } from '../stores/devices'
import { useNotifications } from '../stores/notifications'
import { copyFromSlot } from '../stores/slots'
import FileButton from '../files/FileButton.vue'

/** The library has disappeared: what happened, what is safe, and what can be done. */
const emit = defineEmits<{ begin: [how: 'demo' | 'empty'] }>()
const devices = useDevices()
const notices = useNotifications()
const { plan, take, bring, leave } = useBackup(() => emit('begin', 'empty'))
const { open } = useOpenFile()
onOpened('library', take)
const working = ref(false)

/** Copies every profile in a slot, with its macros. */
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
    notices.say(t('shell.profileWasCopiedFromTheDevices', { count }))
    emit('begin', 'empty')
  } else notices.refuse(t('shell.noConnectedDeviceHasAProfile'))
}
</script>

<template>
  <section
    class="grid max-w-[1000px] content-start gap-4 px-7 py-10"
    role="alert"
    aria-labelledby="gone-title"
  >
    <h1 id="gone-title">{{ t('shell.theLibraryInThisBrowserIsGone') }}</h1>
    <p>
      {{ t('shell.theLibraryHadProfilesButThe') }}
    </p>
    <ul
      class="mx-0 mt-3 mb-0 grid list-none grid-cols-[repeat(auto-fit,minmax(250px,1fr))] border-t-[1.5px] border-ink p-0"
    >
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 ps-0 pe-5"
      >
        <h2>{{ t('shell.restoreABackup') }}</h2>
        <p class="soft">{{ t('shell.restoresEverythingAsItWasWhenThe') }}</p>
        <FileButton
          :label="t('shell.importABackup')"
          accept=".zip,.json,application/zip,application/json"
          @files="open"
        />
      </li>
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 ps-0 pe-5"
      >
        <h2>{{ t('shell.copyFromTheDevices') }}</h2>
        <p class="soft">
          {{ t('shell.copiesTheProfileInEverySlotWith') }}
        </p>
        <v-btn :disabled="working" @click="readDevices">{{ t('shell.copyAllSlots') }}</v-btn>
      </li>
      <li
        class="grid grid-rows-[auto_minmax(3.2em,auto)_auto] content-start justify-items-start gap-2 py-4 ps-0 pe-5"
      >
        <h2>{{ t('shell.startAgain') }}</h2>
        <p class="soft">{{ t('shell.startWithTheDemoProfilesOrWith') }}</p>
        <span class="flex gap-2">
          <v-btn @click="emit('begin', 'demo')">{{ t('shell.useDemoProfiles') }}</v-btn>
          <v-btn @click="emit('begin', 'empty')">{{ t('shell.useAnEmptyLibrary') }}</v-btn>
        </span>
      </li>
    </ul>
    <ImportPanel v-if="plan" :plan="plan" @bring="bring" @leave="leave" />
  </section>
</template>

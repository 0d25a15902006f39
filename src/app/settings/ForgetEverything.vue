<script setup lang="ts">
import { ref } from 'vue'
import { useAutoBackup } from '../library/auto-backup'
import AskDialog from '../shared/AskDialog.vue'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { messageOf, useNotices } from '../stores/notices'

/** The library, the settings and the simulated devices of this browser go. Asked twice, with a backup in between. */
const devices = useDevices()
const library = useLibrary()
const notices = useNotices()
const auto = useAutoBackup()
const asking = ref(false)
const sure = ref(false)
const OURS = /^unisera/

function ask(): void {
  sure.value = false
  asking.value = true
}

function goOn(): void {
  if (sure.value) void forget()
  else sure.value = true
}

async function forget(): Promise<void> {
  try {
    await devices.simulator?.forgetAll()
    await library.library.database.delete()
    for (const key of Object.keys(localStorage)) if (OURS.test(key)) localStorage.removeItem(key)
    location.assign('/')
  } catch (error) {
    asking.value = false
    notices.trouble(
      `Not everything was forgotten: ${messageOf(error)}. Close other tabs of Unisera, then try again.`,
    )
  }
}
</script>

<template>
  <v-btn @click="ask">Forget everything…</v-btn>
  <AskDialog
    v-model="asking"
    :title="sure ? 'It cannot be taken back' : 'Forget everything here'"
    :confirm="sure ? 'Forget it all' : 'Go on'"
    :colour="sure ? 'pending' : 'ink'"
    @confirm="goOn"
  >
    <template v-if="!sure">
      <p>
        All profiles, macros, palettes, sessions and earlier states of this browser go, its settings, and what
        the simulated devices hold. Unisera then begins as on the first day.
      </p>
      <p class="soft">A backup keeps the library and what the devices hold in one file of yours.</p>
    </template>
    <p v-else>
      {{ library.entries.length }} profiles and everything else of this browser go now. Without a backup
      nothing brings them back.
    </p>
    <template v-if="!sure" #ways>
      <v-btn @click="auto.save(true)">Save a backup first</v-btn>
    </template>
  </AskDialog>
</template>

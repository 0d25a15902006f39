<script setup lang="ts">
import { t } from '../../messages/page'
import { ref } from 'vue'
import { useAutoBackup } from '../library/auto-backup'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { errorMessage, useNotifications } from '../stores/notifications'

/** Deletes the library, the settings and the simulated devices of this browser. Asks twice, and offers a backup. */
const devices = useDevices()
const library = useLibrary()
const notices = useNotifications()
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
    notices.trouble(t('settings.someDataWasNotDeletedCloseOther', { message: errorMessage(error) }))
  }
}
</script>

<template>
  <v-btn @click="ask">{{ t('settings.deleteAllData') }}</v-btn>
  <ConfirmDialog
    v-model="asking"
    :title="sure ? t('settings.thisCannotBeUndone') : t('settings.deleteAllDataInThisBrowser')"
    :confirm="sure ? t('settings.deleteAllData2') : t('settings.continue')"
    :colour="sure ? 'pending' : 'ink'"
    @confirm="goOn"
  >
    <template v-if="!sure">
      <p>
        {{ t('settings.thisDeletesAllProfilesMacros') }}
      </p>
      <p class="soft">{{ t('settings.aBackupSavesTheLibraryAndThe') }}</p>
    </template>
    <p v-else>
      {{ t('settings.profilesAndAllOtherDataInThis', { count: library.entries.length }) }}
    </p>
    <template v-if="!sure" #ways>
      <v-btn @click="auto.save(true)">{{ t('settings.saveABackupFirst') }}</v-btn>
    </template>
  </ConfirmDialog>
</template>

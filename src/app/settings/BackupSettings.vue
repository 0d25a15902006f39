<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { onMounted, ref, useTemplateRef } from 'vue'
import { useAutoBackup } from '../library/auto-backup'
import { useBackup } from '../library/backup'
import ImportPanel from '../library/ImportPanel.vue'
import { useCommands } from '../shared/commands'
import { commandTexts } from '../shared/command-list'
import FileButton from '../files/FileButton.vue'
import { onOpened, useOpenFile } from '../files/open-file'

/** Backups in one file, on demand or daily. */
const { plan, take, bring, leave } = useBackup()
const { open } = useOpenFile()
const file = useTemplateRef('file')
const withHistory = ref(true)
const auto = useAutoBackup()
useCommands({
  'backup.save': () => auto.save(withHistory.value),
  'backup.restore': () => file.value?.choose(),
})
onOpened('library', take)
onMounted(() => void auto.look())
</script>

<template>
  <p class="soft">
    {{ t('settings.aBackupIsOneZipFileWith') }}
  </p>
  <div class="flex flex-wrap items-center gap-2.5">
    <v-btn @click="auto.save(withHistory)">{{ commandTexts('backup.save').text }}</v-btn>
    <v-checkbox v-model="withHistory" :label="t('settings.includeSavedVersions')" />
    <FileButton
      ref="file"
      :label="commandTexts('backup.restore').text"
      accept=".zip,.json,application/zip,application/json"
      @files="open"
    />
  </div>
  <p v-if="!auto.canChoose" class="soft">
    {{ t('settings.thisBrowserDoesNotLetPagesWrite') }}
  </p>
  <div
    v-else
    class="flex flex-wrap items-center gap-2.5"
    role="group"
    :aria-label="t('settings.dailyBackup')"
  >
    <template v-if="auto.folder">
      <span>
        <RichMessage message="settings.aDailyBackupIsSavedToWhen">
          <template #folder
            ><strong>{{ auto.folder.name }}</strong></template
          >
        </RichMessage>
      </span>
      <v-btn v-if="!auto.folder.open" @click="auto.open">{{ t('settings.grantAccessAgain') }}</v-btn>
      <v-btn variant="text" @click="auto.leave">{{ t('settings.stopDailyBackups') }}</v-btn>
    </template>
    <v-btn v-else @click="auto.choose">{{ t('settings.backUpDailyToAFolder') }}</v-btn>
  </div>
  <p class="caption soft" data-testid="last-backup">
    {{
      auto.last
        ? t('settings.lastBackup', { value: new Date(auto.last.at).toLocaleString() })
        : t('settings.noBackupYet')
    }}
  </p>
  <ImportPanel v-if="plan" :plan="plan" @bring="bring" @leave="leave" />
</template>

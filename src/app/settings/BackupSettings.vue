<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'
import { useAutoBackup } from '../library/auto-backup'
import { useBackup } from '../library/backup'
import BringPanel from '../library/BringPanel.vue'
import FileProgress from '../shared/FileProgress.vue'
import { useCommands } from '../shared/commands'
import { commandWords } from '../shared/command-list'
import FileButton from '../shared/FileButton.vue'
import { onHandedOver } from '../shared/handed-over'
import FileRefusal from '../shared/FileRefusal.vue'

/** A copy of everything in one file, by hand or once a day. */
const { reading, refusal, plan, open, bring, leave, stop } = useBackup()
const file = useTemplateRef('file')
const withHistory = ref(true)
const auto = useAutoBackup()
useCommands({
  'backup.save': () => auto.save(withHistory.value),
  'backup.restore': () => file.value?.choose(),
})
onHandedOver(open)
onMounted(() => void auto.look())
</script>

<template>
  <p class="soft">
    One file with every profile, macro, palette and session, and with what the slots of the devices hold: a
    ZIP of plain documents. Brought in again, here or in another browser, it tells what is new, the same or
    different before anything is done.
  </p>
  <div class="flex flex-wrap items-center gap-2.5">
    <v-btn @click="auto.save(withHistory)">{{ commandWords('backup.save').text }}</v-btn>
    <v-checkbox v-model="withHistory" label="with earlier states" />
    <FileButton
      ref="file"
      :label="commandWords('backup.restore').text"
      accept=".zip,.json,application/zip,application/json"
      @files="([file]) => file && open(file)"
    />
  </div>
  <p v-if="!auto.canChoose" class="soft">
    This browser lets no page write to a folder: after two weeks with changes it is said here that a backup is
    due.
  </p>
  <div v-else class="flex flex-wrap items-center gap-2.5" role="group" aria-label="A backup a day">
    <template v-if="auto.folder">
      <span>
        A backup a day goes to <strong>{{ auto.folder.name }}</strong> when something has changed.
      </span>
      <v-btn v-if="!auto.folder.open" @click="auto.open">Open it again</v-btn>
      <v-btn variant="text" @click="auto.leave">Stop that</v-btn>
    </template>
    <v-btn v-else @click="auto.choose">A backup a day, into a folder…</v-btn>
  </div>
  <p class="caption soft" data-testid="last-backup">
    {{ auto.last ? `The last backup: ${new Date(auto.last.at).toLocaleString()}` : 'No backup yet' }}
  </p>
  <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
  <FileRefusal v-if="refusal" v-bind="refusal" />
  <BringPanel v-if="plan" :plan="plan" @bring="bring" @leave="leave" />
</template>

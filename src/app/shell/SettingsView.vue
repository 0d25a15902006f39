<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useAutoBackup } from '../library/auto-backup'
import { useBackup } from '../library/backup'
import BringPanel from '../library/BringPanel.vue'
import FileProgress from '../shared/FileProgress.vue'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import { useKeeping } from '../stores/keeping'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { useSetAside } from '../stores/set-aside'
import { useStorageCare } from '../stores/storage-care'

/** Where what a person makes is kept, how safe it is there, and a copy of all of it. */
const library = useLibrary()
const macros = useMacros()
const sessions = useSessions()
const palettes = usePalettes()
const setAside = useSetAside()
const keeping = useKeeping()
const care = useStorageCare()
const { reading, refusal, plan, open, bring, leave, stop } = useBackup()
const withHistory = ref(true)
const auto = useAutoBackup()
onMounted(() => void auto.look())
const asked = ref(false)
const version = __UNISERA_VERSION__
onMounted(() => void care.look())

const holds = computed(() => [
  { what: 'profiles', count: library.entries.length },
  { what: 'macros', count: macros.list.length },
  { what: 'sessions', count: sessions.list.length },
  { what: 'palettes', count: palettes.kept.length },
])
/** In the unit that leaves a number a person can hold in mind. */
function sizeText(bytes: number): string {
  if (bytes < 1 << 20) return 'under 1 MiB'
  const mebibytes = bytes / (1 << 20)
  return mebibytes < 1024 ? `${Math.round(mebibytes)} MiB` : `${(mebibytes / 1024).toFixed(1)} GiB`
}

async function ask(): Promise<void> {
  await care.ask()
  asked.value = true
}
</script>

<template>
  <div class="settings">
    <h1>Settings</h1>
    <section aria-labelledby="storage-title">
      <h2 id="storage-title">What is kept in this browser</h2>
      <dl>
        <div v-for="{ what, count } in holds" :key="what">
          <dt>{{ what }}</dt>
          <dd class="mono">{{ count }}</dd>
        </div>
        <div>
          <dt>set aside</dt>
          <dd>
            <RouterLink v-if="setAside.list.length" to="/library" class="mono">{{
              setAside.list.length
            }}</RouterLink>
            <span v-else class="mono">0</span>
          </dd>
        </div>
        <div>
          <dt>waiting to be stored</dt>
          <dd class="mono" :class="{ trouble: keeping.refused.size }">{{ keeping.count }}</dd>
        </div>
        <div v-if="care.room">
          <dt>room taken</dt>
          <dd class="mono">{{ sizeText(care.room.usedBytes) }}</dd>
        </div>
        <div v-if="care.room">
          <dt>room left</dt>
          <dd class="mono">{{ sizeText(care.room.leftBytes) }}</dd>
        </div>
      </dl>
      <p v-if="keeping.trouble" class="trouble" role="status">{{ keeping.trouble }}</p>
      <p v-if="care.keptForGood" data-testid="kept">
        <strong>Kept for good.</strong> This browser does not clear the library by itself, only when you clear
        its data.
      </p>
      <template v-else-if="care.keptForGood === false">
        <p data-testid="kept">
          <strong>Kept until room is needed.</strong> This browser may clear the library when its disk is
          full. What is written to a device stays there all the same. A backup keeps everything.
        </p>
        <v-btn @click="ask">Ask to keep it for good</v-btn>
        <p v-if="asked" class="soft" role="status">
          The browser said no. Some say yes once a page has been used for a while or is a bookmark.
        </p>
      </template>
      <p v-else data-testid="kept" class="soft">This browser does not say how long it keeps the library.</p>
    </section>
    <section aria-labelledby="backup-title">
      <h2 id="backup-title">Backup</h2>
      <p class="soft">
        One file with every profile, macro, palette and session, and with what the slots of the devices hold:
        a ZIP of plain documents. Brought in again, here or in another browser, it tells what is new, the same
        or different before anything is done.
      </p>
      <div class="acts">
        <v-btn @click="auto.save(withHistory)">Save everything as a file</v-btn>
        <v-checkbox v-model="withHistory" label="with earlier states" />
        <FileButton
          label="Bring in a backup…"
          accept=".zip,.json,application/zip,application/json"
          @files="([file]) => file && open(file)"
        />
      </div>
      <p v-if="!auto.canChoose" class="soft">
        This browser lets no page write to a folder: after two weeks with changes it is said here that a
        backup is due.
      </p>
      <div v-else class="acts" role="group" aria-label="A backup a day">
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
    </section>
    <p class="soft">
      Unisera <span class="mono">{{ version }}</span>
    </p>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  align-content: start;
  padding: 22px 28px;
  gap: 28px;
  overflow: auto;
}

section {
  display: grid;
  max-width: 860px;
  justify-items: start;
  gap: 10px;
}

dl {
  display: flex;
  width: 100%;
  flex-wrap: wrap;
  border: solid var(--line);
  border-width: 1px 0;
  border-top: 1.5px solid var(--ink);
  margin: 0;
}

dl div {
  padding: 9px 22px 10px 0;
  margin-right: 22px;
}

dt {
  color: var(--ink-soft);
  font-size: 12px;
}

dd {
  margin: 2px 0 0;
  font-size: 1.15rem;
}

dd .mono {
  font-size: inherit;
}

.trouble {
  color: var(--pending);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
</style>

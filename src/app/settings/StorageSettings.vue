<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { decimal } from '../shared/numbers'
import { useKeeping } from '../stores/keeping'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { useSetAside } from '../stores/set-aside'
import { useStorageCare } from '../stores/storage-care'

/** Where what a person makes is kept, and how safe it is there. */
const library = useLibrary()
const macros = useMacros()
const sessions = useSessions()
const palettes = usePalettes()
const setAside = useSetAside()
const keeping = useKeeping()
const care = useStorageCare()
const asked = ref(false)
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
  return mebibytes < 1024 ? `${Math.round(mebibytes)} MiB` : `${decimal(mebibytes / 1024, 1)} GiB`
}

async function ask(): Promise<void> {
  await care.ask()
  asked.value = true
}
</script>

<template>
  <dl class="m-0 flex w-full flex-wrap gap-x-8 gap-y-2">
    <div v-for="{ what, count } in holds" :key="what">
      <dt class="text-12 text-ink-soft">{{ what }}</dt>
      <dd class="mono">{{ count }}</dd>
    </div>
    <div>
      <dt class="text-12 text-ink-soft">set aside</dt>
      <dd>
        <RouterLink v-if="setAside.list.length" to="/library" class="mono text-[length:inherit]">{{
          setAside.list.length
        }}</RouterLink>
        <span v-else class="mono text-[length:inherit]">0</span>
      </dd>
    </div>
    <div>
      <dt class="text-12 text-ink-soft">waiting to be stored</dt>
      <dd class="mono" :class="{ pending: keeping.refused.size }">{{ keeping.count }}</dd>
    </div>
    <div v-if="care.room">
      <dt class="text-12 text-ink-soft">room taken</dt>
      <dd class="mono">{{ sizeText(care.room.usedBytes) }}</dd>
    </div>
    <div v-if="care.room">
      <dt class="text-12 text-ink-soft">room left</dt>
      <dd class="mono">{{ sizeText(care.room.leftBytes) }}</dd>
    </div>
  </dl>
  <div class="contents" role="status">
    <p v-if="keeping.trouble" class="pending">{{ keeping.trouble }}</p>
  </div>
  <p v-if="care.keptForGood" data-testid="kept">
    <strong>Kept for good.</strong> This browser does not clear the library by itself, only when you clear its
    data.
  </p>
  <template v-else-if="care.keptForGood === false">
    <p data-testid="kept">
      <strong>Kept until room is needed.</strong> This browser may clear the library when its disk is full.
      What is written to a device stays there all the same. A backup keeps everything.
    </p>
    <v-btn @click="ask">Ask to keep it for good</v-btn>
    <div class="contents" role="status">
      <p v-if="asked" class="soft">
        The browser said no. Some say yes once a page has been used for a while or is a bookmark.
      </p>
    </div>
  </template>
  <p v-else data-testid="kept" class="soft">This browser does not say how long it keeps the library.</p>
</template>

<style scoped>
dd {
  margin: 2px 0 0;
  font-size: 1.15rem;
}
</style>

<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, onMounted, ref } from 'vue'
import { decimal } from '../shared/numbers'
import { useStorageQueue } from '../stores/storage-queue'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { useQuarantine } from '../stores/quarantine'
import { useStorageCare } from '../stores/storage-care'

/** Where the person's data is stored, and how safe it is. */
const library = useLibrary()
const macros = useMacros()
const sessions = useSessions()
const palettes = usePalettes()
const quarantined = useQuarantine()
const keeping = useStorageQueue()
const care = useStorageCare()
const asked = ref(false)
onMounted(() => void care.look())

const holds = computed(() => [
  { what: t('settings.profiles'), count: library.entries.length },
  { what: t('settings.macros'), count: macros.list.length },
  { what: t('settings.sessions'), count: sessions.list.length },
  { what: t('settings.palettes'), count: palettes.kept.length },
])
/** In the unit with the most readable number. */
function sizeText(bytes: number): string {
  if (bytes < 1 << 20) return t('settings.lessThan1Mib')
  const mebibytes = bytes / (1 << 20)
  return mebibytes < 1024
    ? t('settings.mib', { round: Math.round(mebibytes) })
    : t('settings.gib', { decimal: decimal(mebibytes / 1024, 1) })
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
      <dt class="text-12 text-ink-soft">{{ t('settings.unreadable') }}</dt>
      <dd>
        <RouterLink v-if="quarantined.list.length" to="/library" class="mono text-[length:inherit]">{{
          quarantined.list.length
        }}</RouterLink>
        <span v-else class="mono text-[length:inherit]">0</span>
      </dd>
    </div>
    <div>
      <dt class="text-12 text-ink-soft">{{ t('settings.waitingToBeSaved') }}</dt>
      <dd class="mono" :class="{ pending: keeping.refused.size }">{{ keeping.count }}</dd>
    </div>
    <div v-if="care.room">
      <dt class="text-12 text-ink-soft">{{ t('settings.spaceUsed') }}</dt>
      <dd class="mono">{{ sizeText(care.room.usedBytes) }}</dd>
    </div>
    <div v-if="care.room">
      <dt class="text-12 text-ink-soft">{{ t('settings.spaceLeft') }}</dt>
      <dd class="mono">{{ sizeText(care.room.leftBytes) }}</dd>
    </div>
  </dl>
  <div class="contents" role="status">
    <p v-if="keeping.trouble" class="pending">{{ keeping.trouble }}</p>
  </div>
  <p v-if="care.keptForGood" data-testid="kept">
    <RichMessage message="settings.thisBrowserClearsTheLibraryOnly">
      <template #state
        ><strong>{{ t('settings.permanentStorage') }}</strong></template
      >
    </RichMessage>
  </p>
  <template v-else-if="care.keptForGood === false">
    <p data-testid="kept">
      <RichMessage message="settings.thisBrowserMayClearTheLibraryWhen">
        <template #state
          ><strong>{{ t('settings.temporaryStorage') }}</strong></template
        >
      </RichMessage>
    </p>
    <v-btn @click="ask">{{ t('settings.requestPermanentStorage') }}</v-btn>
    <div class="contents" role="status">
      <p v-if="asked" class="soft">
        {{ t('settings.permanentStorageWasNotGrantedSome') }}
      </p>
    </div>
  </template>
  <p v-else data-testid="kept" class="soft">{{ t('settings.thisBrowserDoesNotTellHowLong') }}</p>
</template>

<style scoped>
dd {
  margin: 2px 0 0;
  font-size: 1.15rem;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { KnownDevice, SlotContent } from '../stores/known-device'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { slotCommands } from '../stores/slot-commands'
import { slotStanding } from '../stores/slots'
import { bytesText, noChanges } from '../shared/device-line'

/** One slot as it was read back: what it holds, how that stands to the library, what can be done with it. */
const props = defineProps<{ content: SlotContent; slotIndex: number; device: KnownDevice; active: boolean }>()
const library = useLibrary()
const macros = useMacros()

const stands = computed(() =>
  slotStanding(props.content, props.device.model, library.entries, macros.wholeShelf),
)
const match = computed(() => stands.value.entry)

/** Slots change places on the board, where both are seen. */
const commands = computed(() =>
  slotCommands(props.device, props.slotIndex, match.value !== undefined).filter(
    ({ kind }) => kind !== 'swap',
  ),
)
const cannot = computed(() => noChanges(props.device))
/** What its buttons are about, for who hears them one by one. */
const what = computed(() => `slot ${props.slotIndex + 1}, ${props.content.profile?.name ?? 'empty'}`)
</script>

<template>
  <li class="slot" :class="{ active }">
    <span class="mono number">{{ slotIndex + 1 }}</span>
    <span class="name">
      <strong v-if="content.profile">{{ content.profile.name }}</strong>
      <span v-else-if="content.bytes" class="pending">cannot be read</span>
      <span v-else class="faint">empty</span>
      <span v-if="active" class="chip system">active</span>
    </span>
    <span class="mono faint">{{ content.bytes ? bytesText(content.bytes.length) : '' }}</span>
    <span class="standing" :class="{ pending: stands.edits > 0 || content.problem }">{{ stands.text }}</span>
    <span class="acts">
      <v-btn v-if="match" :to="`/profile/${match.id}/buttons`" :aria-label="`Open: ${what}`">Open</v-btn>
      <v-btn
        v-for="{ kind, text, run } in commands"
        :key="kind"
        :variant="kind === 'clear' ? 'text' : undefined"
        :disabled="kind !== 'keep' && cannot !== undefined"
        :title="kind === 'keep' ? undefined : cannot"
        :aria-label="`${text}: ${what}`"
        @click="run()"
      >
        {{ text }}
      </v-btn>
    </span>
  </li>
</template>

<style scoped>
.slot {
  display: grid;
  min-height: 42px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  gap: 12px;
  grid-template-columns: 20px minmax(0, 1.3fr) 52px minmax(0, 1fr) 236px;
}

.number {
  color: var(--ink-soft);
}

.name {
  display: flex;
  align-items: center;
  gap: 8px;
  overflow-wrap: anywhere;
}

.standing {
  color: var(--ink-soft);
  font-size: 0.93rem;
}

.pending {
  color: var(--pending);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  justify-content: flex-end;
}

@media (width < 1200px) {
  .slot {
    grid-template-columns: 20px minmax(0, 1fr) 52px minmax(0, 1fr);
  }

  .acts {
    grid-column: 2 / -1;
    justify-content: flex-start;
  }
}
</style>

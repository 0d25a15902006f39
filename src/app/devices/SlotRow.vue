<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import type { KnownDevice, SlotContent } from '../stores/known-device'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { slotCommands } from '../stores/slot-commands'
import { compareSlot } from '../stores/slots'
import { bytesText, whyReadOnly } from '../shared/device-line'

/** One slot as read back: its contents, their state in the library, and its actions. */
const props = defineProps<{ content: SlotContent; slotIndex: number; device: KnownDevice; active: boolean }>()
const library = useLibrary()
const macros = useMacros()

const stands = computed(() =>
  compareSlot(props.content, props.device.model, library.entries, macros.wholeShelf),
)
const match = computed(() => stands.value.entry)

/** Slots are swapped on the board, where both are visible. */
const commands = computed(() =>
  slotCommands(props.device, props.slotIndex, match.value !== undefined).filter(
    ({ kind }) => kind !== 'swap',
  ),
)
const cannot = computed(() => whyReadOnly(props.device))
/** The subject of its buttons, for people who hear them individually. */
const what = computed(() =>
  t('devices.slot4', { slot: props.slotIndex + 1, name: props.content.profile?.name ?? t('devices.empty') }),
)
</script>

<template>
  <li
    class="grid min-h-10.5 grid-cols-[20px_minmax(0,1.3fr)_52px_minmax(0,1fr)_236px] items-center gap-3 border-b border-line px-0 py-1 max-[1200px]:grid-cols-[20px_minmax(0,1fr)_52px_minmax(0,1fr)]"
    :class="{ active }"
  >
    <span class="mono number text-ink-soft">{{ slotIndex + 1 }}</span>
    <span class="name flex items-center gap-2 wrap-anywhere">
      <strong v-if="content.profile">{{ content.profile.name }}</strong>
      <span v-else-if="content.bytes" class="pending">{{ t('devices.unreadable') }}</span>
      <span v-else class="faint">{{ t('devices.empty') }}</span>
      <span v-if="active" class="chip text-ink-soft">{{ t('devices.active') }}</span>
    </span>
    <span class="mono faint">{{ content.bytes ? bytesText(content.bytes.length) : '' }}</span>
    <span class="text-13 text-ink-soft" :class="{ pending: stands.edits > 0 || content.problem }">{{
      stands.text
    }}</span>
    <span class="flex flex-wrap justify-end gap-1.5 max-[1200px]:col-[2/-1] max-[1200px]:justify-start">
      <v-btn v-if="match" :to="`/profile/${match.id}/buttons`" :aria-label="t('devices.open', { what })">{{
        t('devices.open2')
      }}</v-btn>
      <v-btn
        v-for="{ kind, text, run } in commands"
        :key="kind"
        :variant="kind === 'clear' ? 'text' : undefined"
        :disabled="kind !== 'keep' && cannot !== undefined"
        :title="kind === 'keep' ? undefined : cannot"
        :aria-label="t('devices.commandOfSlot', { command: text, slot: what })"
        @click="run()"
      >
        {{ text }}
      </v-btn>
    </span>
  </li>
</template>

<style scoped>
.pending {
  color: var(--pending);
}
</style>

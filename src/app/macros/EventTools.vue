<script setup lang="ts">
import { computed } from 'vue'
import { keyByCode } from '../../core/hid/keyboard-page'
import { scaleTimes, setEveryDelay } from '../../core/edits/macro-edits'
import { macrosWithin, type MacroEvent } from '../../core/document/macro'
import { useMacros } from '../stores/macros'
import { keysShown } from '../shared/command-keys'
import { useNotices } from '../stores/notices'
import type { MacroWork } from './work'
import { INSERTIONS, keyPress } from './insertions'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'

/** Puts events in, and changes those that are chosen, or all. */
const props = defineProps<{ work: MacroWork }>()
const macros = useMacros()
const notices = useNotices()
const waiting = useNextKey((code) => {
  if (keyByCode(code)) props.work.insert(keyPress(code), ['insert-events', { what: 'a key' }])
  else props.work.say(`That key (${code || 'unnamed'}) cannot be sent`)
})

/** Macros that can be played within this one: not itself, and none that plays it. */
const others = computed(() =>
  macros.list.filter(
    ({ id }) =>
      id !== props.work.editor.openId &&
      !macrosWithin(id, macros.shelf).ids.has(props.work.editor.openId ?? ''),
  ),
)

const insertMacro = (macro: string) =>
  props.work.insert([{ kind: 'macro', macro, afterMs: 0 }], ['insert-events', { what: 'a macro' }])

function setAll(ms: number): string | undefined {
  const { events } = props.work
  const refusal = props.work.editor.editEvents(['every-wait'], (before) => setEveryDelay(before, ms))
  if (!refusal) notices.say(everyWaitText(events, ms))
  return refusal
}
/** What was done, and what was not: a pause that is drawn anew is no wait before something. */
function everyWaitText(before: readonly MacroEvent[], ms: number): string {
  const others = before.filter(({ afterMs }) => afterMs !== ms).length
  const drawn = before.filter(({ kind }) => kind === 'pause').length
  const all = `All ${before.length} waits are ${ms} ms now, that before the first event too; ${others || 'none'} of them ${others === 1 ? 'was' : 'were'} another.`
  return drawn === 0 ? all : `${all} Pauses of random length stay as they are: ${drawn}.`
}
const someChosen = () => props.work.selected.size > 0
/** What is done with the events that are chosen; each has a key as well. */
const OF_CHOSEN = [
  { id: 'events.cut', text: 'Cut', can: someChosen, run: () => props.work.cut() },
  { id: 'events.copy', text: 'Copy', can: someChosen, run: () => props.work.copy() },
  {
    id: 'events.paste',
    text: 'Paste',
    can: () => props.work.clipboard.length > 0,
    run: () => props.work.paste(),
  },
  { id: 'events.duplicate', text: 'Duplicate', can: someChosen, run: () => props.work.duplicate() },
  { id: 'events.remove', text: 'Delete', can: someChosen, run: () => props.work.remove() },
] as const
const scale = (percent: number) =>
  props.work.editor.editEvents(['scale'], (events) => scaleTimes(events, percent / 100))
</script>

<template>
  <div class="flex flex-wrap gap-x-5.5 gap-y-1.5">
    <div role="group" aria-label="Put in" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">Put in</span>
      <v-btn size="small" :active="waiting" @click="waiting = !waiting">
        {{ waiting ? 'press the key; Esc leaves, held it is Esc' : 'Key' }}
      </v-btn>
      <v-btn
        v-for="{ id, label, events } in INSERTIONS"
        :key="id"
        size="small"
        @click="work.insert(events(), ['insert-events', { what: label.toLowerCase() }])"
      >
        {{ label }}
      </v-btn>
      <v-menu v-if="others.length">
        <template #activator="{ props: activator }">
          <v-btn size="small" v-bind="activator" aria-label="Put in another macro">Macro ▾</v-btn>
        </template>
        <v-list role="menu" max-height="50vh">
          <v-list-item
            v-for="{ id, name } in others"
            :key="id"
            role="menuitem"
            :title="name"
            @click="insertMacro(id)"
          />
        </v-list>
      </v-menu>
    </div>
    <div role="group" aria-label="Chosen events" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">{{ work.selected.size || 'None' }} chosen</span>
      <v-btn
        v-for="{ id, text, can, run } in OF_CHOSEN"
        :key="id"
        size="small"
        :disabled="!can()"
        :title="keysShown(id)[0]"
        @click="run"
      >
        {{ text }}
      </v-btn>
      <v-checkbox
        label="Select several"
        title="Arrow keys and clicks select more, without Shift or Ctrl"
        :model-value="work.selectsMore"
        @update:model-value="work.setSelectsMore(!work.selectsMore)"
      />
      <v-checkbox
        label="ends apart"
        title="Press and release are one unless this is on"
        :model-value="work.split"
        @update:model-value="work.splitEnds(!work.split)"
      />
    </div>
    <div role="group" aria-label="All events" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">All: every wait, ms</span>
      <NumberField :value="30" label="Every wait, in ms" :apply="setAll" />
      <span class="caption soft">length, %</span>
      <NumberField :value="100" label="Length in percent" :apply="scale" />
    </div>
  </div>
</template>

<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { keyByCode } from '../../core/hid/keyboard-page'
import { scaleTimes, setEveryDelay } from '../../core/edits/macro-edits'
import { macrosWithin, type MacroEvent } from '../../core/document/macro'
import { useMacros } from '../stores/macros'
import { shortcutTexts } from '../shared/command-keys'
import { useNotifications } from '../stores/notifications'
import type { MacroView } from './macro-view'
import { INSERTIONS, keyPress } from './insertions'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'

/** Inserts events, and changes selected or all events. */
const props = defineProps<{ work: MacroView }>()
const macros = useMacros()
const notices = useNotifications()
const waiting = useNextKey((code) => {
  if (keyByCode(code)) props.work.insert(keyPress(code), ['insert-events', { what: t('macros.aKey') }])
  else props.work.say(t('macros.thisKeyCannotBeSent', { value: code || 'unnamed' }))
})

/** Macros that can be nested in this one: not itself, and none that plays it. */
const others = computed(() =>
  macros.list.filter(
    ({ id }) =>
      id !== props.work.editor.openId &&
      !macrosWithin(id, macros.shelf).ids.has(props.work.editor.openId ?? ''),
  ),
)

const insertMacro = (macro: string) =>
  props.work.insert([{ kind: 'macro', macro, afterMs: 0 }], ['insert-events', { what: t('macros.aMacro') }])

function setAll(ms: number): string | undefined {
  const { events } = props.work
  const refusal = props.work.editor.editEvents(['every-wait'], (before) => setEveryDelay(before, ms))
  if (!refusal) notices.say(everyWaitText(events, ms))
  return refusal
}
/** The changes, and what stayed unchanged: a random delay is an event of its own. */
function everyWaitText(before: readonly MacroEvent[], ms: number): string {
  const others = before.filter(({ afterMs }) => afterMs !== ms).length
  const drawn = before.filter(({ kind }) => kind === 'pause').length
  const all = t('macros.allDelaysAreNowMsIncludingThe', {
    count: others,
    total: before.length,
    ms,
  })
  return drawn === 0 ? all : t('macros.randomDelaysAreUnchanged', { delays: all, random: drawn })
}
const someChosen = () => props.work.selected.size > 0
/** Actions for selected events; each also has a key. */
const OF_CHOSEN = [
  withTexts({ id: 'events.cut', can: someChosen, run: () => props.work.cut() }, { text: 'macros.cut' }),
  withTexts({ id: 'events.copy', can: someChosen, run: () => props.work.copy() }, { text: 'macros.copy' }),
  withTexts(
    { id: 'events.paste', can: () => props.work.clipboard.length > 0, run: () => props.work.paste() },
    { text: 'macros.paste' },
  ),
  withTexts(
    { id: 'events.duplicate', can: someChosen, run: () => props.work.duplicate() },
    { text: 'macros.duplicate' },
  ),
  withTexts(
    { id: 'events.remove', can: someChosen, run: () => props.work.remove() },
    { text: 'macros.delete' },
  ),
] as const
const scale = (percent: number) =>
  props.work.editor.editEvents(['scale'], (events) => scaleTimes(events, percent / 100))
</script>

<template>
  <div class="flex flex-wrap gap-x-5.5 gap-y-1.5">
    <div role="group" :aria-label="t('macros.insert')" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">{{ t('macros.insert') }}</span>
      <v-btn size="small" :active="waiting" @click="waiting = !waiting">
        {{ waiting ? t('macros.pressAKeyTapEscToCancel') : t('macros.key') }}
      </v-btn>
      <v-btn
        v-for="{ id, insertion } in INSERTIONS"
        :key="id"
        size="small"
        @click="work.insert(insertion.events(), ['insert-events', { what: insertion.label.toLowerCase() }])"
      >
        {{ insertion.label }}
      </v-btn>
      <v-menu v-if="others.length">
        <template #activator="{ props: activator }">
          <v-btn size="small" v-bind="activator" :aria-label="t('macros.insertAnotherMacro')">{{
            t('macros.macro')
          }}</v-btn>
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
    <div role="group" :aria-label="t('macros.selectedEvents')" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">{{ t('macros.selected', { count: work.selected.size }) }}</span>
      <v-btn
        v-for="{ id, text, can, run } in OF_CHOSEN"
        :key="id"
        size="small"
        :disabled="!can()"
        :title="shortcutTexts(id)[0]"
        @click="run"
      >
        {{ text }}
      </v-btn>
      <v-checkbox
        :label="t('macros.selectSeveral')"
        :title="t('macros.arrowKeysAndClicksExtendThe')"
        :model-value="work.selectsMore"
        @update:model-value="work.setSelectsMore(!work.selectsMore)"
      />
      <v-checkbox
        :label="t('macros.movePressAndReleaseSeparately')"
        :title="t('macros.whenOffAPressAndItsRelease')"
        :model-value="work.split"
        @update:model-value="work.splitEnds(!work.split)"
      />
    </div>
    <div role="group" :aria-label="t('macros.allEvents')" class="flex flex-wrap items-center gap-1.25">
      <span class="caption soft">{{ t('macros.allDelaysMs') }}</span>
      <NumberField :value="30" :label="t('macros.allDelaysInMs')" :apply="setAll" />
      <span class="caption soft">{{ t('macros.totalLength') }}</span>
      <NumberField :value="100" :label="t('macros.totalLengthInPercent')" :apply="scale" />
    </div>
  </div>
</template>

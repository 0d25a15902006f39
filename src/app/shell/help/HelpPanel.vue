<script setup lang="ts">
import { t } from '../../../messages/page'
import { itemAt } from '../../../core/base/items'
import { mdiClose, mdiMagnify } from '@mdi/js'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { runCommand } from '../../shared/commands'
import { shortcutTexts } from '../../shared/command-keys'
import { commandIds, commandTexts } from '../../shared/command-list'
import type { CommandScope } from '../../shared/command-scopes'
import { matchesFilter } from '../../../core/base/matching'
import { TERM_DRAWINGS } from '../../shared/glossary-drawings'
import { useHelp } from '../../shared/help'
import { MarkdownText } from './markdown-text'
import { PAGES, TERMS, pageText } from './pages'
import { useShowTask } from './show-task'
import ShortcutList from '../ShortcutList.vue'

/** The help for the current view: its purpose, tasks shown on the real controls, its keys, and the glossary. */
const { page: open, term } = useHelp()
const wanted = ref('')
watch(open, () => (wanted.value = ''))
/** Reading starts at the heading of the open page. */
const heading = useTemplateRef<HTMLElement>('heading')
watch(heading, (now) => now?.focus(), { flush: 'post' })
const page = computed(() => PAGES.find(({ id }) => id === open.value) ?? itemAt(PAGES, 0))
const word = computed(() => TERMS.find(({ id }) => id === term.value))
const drawing = computed(() => word.value && TERM_DRAWINGS[word.value.id])

const found = computed(() =>
  wanted.value === ''
    ? undefined
    : {
        pages: PAGES.filter(({ title, told, tasks }) =>
          matchesFilter(wanted.value, [title, pageText(told), ...tasks.map((each) => each.title)]),
        ),
        terms: TERMS.filter(({ title, told }) => matchesFilter(wanted.value, [title, pageText(told)])),
      },
)

/** Keys that only work in this view. */
const WHERE_OF: Record<string, CommandScope> = { buttons: 'sheet', macros: 'macro', library: 'list' }
const keys = computed(() => {
  const where = WHERE_OF[page.value.id]
  return commandIds().filter((id) => commandTexts(id).where === where && shortcutTexts(id).length > 0)
})

/** A link of a page: to a term, or to another page. */
function follow(href: string): void {
  const [to, anchor] = href.split('#')
  if (to === 'glossary') term.value = anchor
  else open.value = to
}

const showTask = useShowTask()

function close(): void {
  open.value = undefined
  term.value = undefined
}
function goTo(id: string): void {
  term.value = undefined
  open.value = id
}
</script>

<template>
  <v-dialog
    :model-value="open !== undefined || term !== undefined"
    max-width="620"
    :aria-label="t('shell.help')"
    @update:model-value="close"
  >
    <v-card class="grid max-h-[84vh] grid-rows-[auto_minmax(0,1fr)]">
      <div class="head">
        <v-text-field
          v-model="wanted"
          type="search"
          :prepend-inner-icon="mdiMagnify"
          :placeholder="t('shell.searchHelp')"
          :aria-label="t('shell.searchHelp')"
        />
        <v-btn icon variant="text" :aria-label="t('shell.closeHelp')" @click="close"
          ><v-icon :icon="mdiClose"
        /></v-btn>
      </div>
      <div v-if="found" class="body grid content-start gap-2.5 overflow-auto">
        <div class="contents" role="status">
          <p v-if="!found.pages.length && !found.terms.length" class="soft">
            {{ t('shell.noHelpPageContainsThisPressTo', { keys: shortcutTexts('find')[0] }) }}
          </p>
        </div>
        <ul :aria-label="t('shell.resultsInTheHelp')">
          <li v-for="{ id, title } in found.pages" :key="id">
            <v-btn variant="text" @click="goTo(id)">{{ title }}</v-btn>
          </li>
          <li v-for="{ id, title } in found.terms" :key="id">
            <v-btn variant="text" @click="((wanted = ''), (term = id))">{{ title }}</v-btn>
          </li>
        </ul>
      </div>
      <div v-else-if="word" class="body grid content-start gap-2.5 overflow-auto">
        <h2 ref="heading" class="outline-none" tabindex="-1">{{ word.title }}</h2>
        <svg v-if="drawing" viewBox="0 0 96 40" class="drawing" aria-hidden="true" :class="drawing.family">
          <path class="fill-none stroke-ink" :d="drawing.ink" />
          <path class="key fill-none stroke-binding stroke-[1.8]" :d="drawing.key" />
        </svg>
        <MarkdownText class="told" :tokens="word.told" @follow="follow" />
        <nav class="flex flex-wrap border-t border-line pt-1.5" :aria-label="t('shell.glossary')">
          <v-btn
            v-for="{ id, title } in TERMS"
            :key="id"
            size="small"
            variant="text"
            :active="id === word.id"
            @click="term = id"
          >
            {{ title }}
          </v-btn>
        </nav>
        <v-btn v-if="open" variant="plain" class="justify-self-start" @click="term = undefined">{{
          t('shell.backTo', { title: page.title })
        }}</v-btn>
      </div>
      <div v-else class="body grid content-start gap-2.5 overflow-auto">
        <h2 ref="heading" class="outline-none" tabindex="-1">{{ page.title }}</h2>
        <MarkdownText class="told" :tokens="page.told" @follow="follow" />
        <ul class="border-t-[1.5px] border-ink" :aria-label="t('shell.shownStepByStep2')">
          <li
            v-for="each in page.tasks"
            :key="each.title"
            class="flex items-center justify-between gap-3 border-b border-line px-0 py-1"
          >
            <span>{{ each.title }}</span>
            <v-btn
              size="small"
              :aria-label="t('shell.showMe', { title: each.title })"
              @click="showTask(page.id, each)"
              >{{ t('shell.showMe2') }}</v-btn
            >
          </li>
        </ul>
        <ShortcutList v-if="keys.length" :commands="keys" />
        <nav class="flex flex-wrap border-t border-line pt-1.5" :aria-label="t('shell.moreHelp')">
          <v-btn
            v-for="{ id, title } in PAGES"
            :key="id"
            size="small"
            variant="text"
            :active="id === page.id"
            @click="goTo(id)"
          >
            {{ title }}
          </v-btn>
          <v-btn size="small" variant="text" @click="term = TERMS[0]?.id">{{ t('shell.glossary') }}</v-btn>
          <v-btn size="small" variant="text" @click="(close(), runCommand('keys'))">{{
            t('shell.allShortcuts')
          }}</v-btn>
          <v-btn size="small" variant="text" @click="(close(), runCommand('tour'))">{{
            t('shell.theTour')
          }}</v-btn>
        </nav>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.head {
  display: grid;
  align-items: center;
  gap: 8px;
  grid-template-columns: minmax(0, 1fr) auto;
}

.head > .v-input {
  width: 100%;
}

.told :deep(p) {
  margin: 0 0 8px;
}

.told :deep(a) {
  color: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}

.drawing {
  width: 240px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--paper-low);
  stroke-linejoin: round;
  stroke-width: 1.4;
}

.motion .key {
  stroke: var(--motion);
}

.macro .key {
  stroke: var(--macro);
}

.light .key {
  stroke: var(--light);
}

.system .key {
  stroke: var(--system);
}

ul {
  padding: 0;
  margin: 0;
  list-style: none;
}
</style>

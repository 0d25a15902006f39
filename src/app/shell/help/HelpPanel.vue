<script setup lang="ts">
import { itemAt } from '../../../core/base/items'
import { mdiClose, mdiMagnify } from '@mdi/js'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { runCommand } from '../../shared/commands'
import { keysShown } from '../../shared/command-keys'
import { commandIds, commandWords, type Where } from '../../shared/command-list'
import { matchesFilter } from '../../../core/find/match'
import { TERM_DRAWINGS } from '../../shared/glossary-drawings'
import { useHelp } from '../../shared/help'
import { MarkdownText } from './markdown-text'
import { PAGES, TERMS, wordsOf } from './pages'
import { useShowTask } from './show-task'
import KeyList from '../KeyList.vue'

/** The help of the view one is in: what it is for, tasks shown on the real controls, its keys, and the words of the trade. */
const { page: open, term } = useHelp()
const wanted = ref('')
watch(open, () => (wanted.value = ''))
/** Reading begins at the heading of what is open. */
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
          matchesFilter(wanted.value, [title, wordsOf(told), ...tasks.map((each) => each.title)]),
        ),
        terms: TERMS.filter(({ title, told }) => matchesFilter(wanted.value, [title, wordsOf(told)])),
      },
)

/** Keys that work in this view alone. */
const WHERE_OF: Record<string, Where> = { buttons: 'sheet', macros: 'macro', library: 'list' }
const keys = computed(() => {
  const where = WHERE_OF[page.value.id]
  return commandIds().filter((id) => commandWords(id).where === where && keysShown(id).length > 0)
})

/** A link of a page: to a word, or to another page. */
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
    aria-label="Help"
    @update:model-value="close"
  >
    <v-card class="grid max-h-[84vh] grid-rows-[auto_minmax(0,1fr)]">
      <div class="head">
        <v-text-field
          v-model="wanted"
          type="search"
          :prepend-inner-icon="mdiMagnify"
          placeholder="Search help"
          aria-label="Search help"
        />
        <v-btn icon variant="text" aria-label="Close help" @click="close"><v-icon :icon="mdiClose" /></v-btn>
      </div>
      <div v-if="found" class="body grid content-start gap-2.5 overflow-auto">
        <div class="contents" role="status">
          <p v-if="!found.pages.length && !found.terms.length" class="soft">
            Nothing here has that word. {{ keysShown('find')[0] }} finds every command, view and setting.
          </p>
        </div>
        <ul aria-label="Found in the help">
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
        <nav class="flex flex-wrap border-t border-line pt-1.5" aria-label="Words of the trade">
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
        <v-btn v-if="open" variant="plain" class="justify-self-start" @click="term = undefined"
          >Back to {{ page.title }}</v-btn
        >
      </div>
      <div v-else class="body grid content-start gap-2.5 overflow-auto">
        <h2 ref="heading" class="outline-none" tabindex="-1">{{ page.title }}</h2>
        <MarkdownText class="told" :tokens="page.told" @follow="follow" />
        <ul class="border-t-[1.5px] border-ink" aria-label="Shown step by step">
          <li
            v-for="each in page.tasks"
            :key="each.title"
            class="flex items-center justify-between gap-3 border-b border-line px-0 py-1"
          >
            <span>{{ each.title }}</span>
            <v-btn size="small" :aria-label="`Show me: ${each.title}`" @click="showTask(page.id, each)"
              >Show me</v-btn
            >
          </li>
        </ul>
        <KeyList v-if="keys.length" :commands="keys" />
        <nav class="flex flex-wrap border-t border-line pt-1.5" aria-label="More help">
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
          <v-btn size="small" variant="text" @click="term = TERMS[0]?.id">Words of the trade</v-btn>
          <v-btn size="small" variant="text" @click="(close(), runCommand('keys'))">All keys</v-btn>
          <v-btn size="small" variant="text" @click="(close(), runCommand('tour'))">The tour</v-btn>
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

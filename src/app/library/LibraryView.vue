<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { mdiMagnify } from '@mdi/js'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, useTemplateRef, watch, type ComponentPublicInstance } from 'vue'
import { useRouter } from 'vue-router'
import { sharedIn } from '../../core/share/link'
import FileProgress from '../shared/FileProgress.vue'
import ProfileClash from './ProfileClash.vue'
import { useProfileFiles } from './profile-files'
import { useFileDrop } from '../shared/file-drop'
import { filterFor } from '../../core/find/match'
import { useCommands } from '../shared/commands'
import { commandWords } from '../shared/command-list'
import FileDrop from '../shared/FileDrop.vue'
import FileButton from '../shared/FileButton.vue'
import { onHandedOver } from '../shared/handed-over'
import FileRefusal from '../shared/FileRefusal.vue'
import type { LibraryEntry } from '../database/library'
import ChosenBar from './ChosenBar.vue'
import DeletedList from './DeletedList.vue'
import LibraryRow from './LibraryRow.vue'
import NewProfileBar from './NewProfileBar.vue'
import { searchText } from '../../core/find/search-text'
import { readyToSearch } from './search-ready'
import { useRowOrder } from './row-order'
import RowMenu from './RowMenu.vue'
import SetAsideRow from './SetAsideRow.vue'
import TagFilter from '../shared/TagFilter.vue'
import { useLastUsed } from '../stores/last-used'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useSetAside } from '../stores/set-aside'
import TermWord from '../shared/TermWord.vue'
import { useOwnSetting } from '../../look/own-storage'
import { SelectField } from '../../look/SelectField'
import { useFoundCount } from '../shared/found-count'

type Order = 'hand' | 'name' | 'used' | 'edited'
interface Listed {
  entry: LibraryEntry
  place: number
}
const NAMES = new Intl.Collator()
const { lastUsed } = useLastUsed()
const ORDERS: Record<Order, { title: string; by: (a: Listed, b: Listed) => number }> = {
  hand: { title: 'by hand', by: (a, b) => a.place - b.place },
  name: { title: 'by name', by: (a, b) => NAMES.compare(a.entry.profile.name, b.entry.profile.name) },
  used: {
    title: 'last used first',
    by: (a, b) => lastUsed(b.entry.id) - lastUsed(a.entry.id) || a.place - b.place,
  },
  edited: { title: 'last edited first', by: (a, b) => b.entry.updatedAt - a.entry.updatedAt },
}
const ORDER_ITEMS = Object.entries(ORDERS).map(([value, { title }]) => ({ value, title }))

/** Every profile kept in this browser. */
const library = useLibrary()
const setAside = useSetAside()
const router = useRouter()
const { reading, refusal, clash, open, settle, stop } = useProfileFiles()

const macros = useMacros()
/** More profiles than are taken in at a glance are searched. */
const MOST_AT_A_GLANCE = 9
const wanted = ref('')
const tag = ref<string>()
const order = useOwnSetting<Order>('unisera-library-order', 'hand')
const shown = computed(() => {
  const found = filterFor(wanted.value)
  return library.entries
    .map((entry, place) => ({ entry, place }))
    .filter(
      ({ entry: { profile } }) =>
        (tag.value === undefined || profile.tags.includes(tag.value)) &&
        (wanted.value === '' || found(searchText(profile, macros.shelf))),
    )
    .sort(ORDERS[order.value].by)
})
const movable = computed(() => order.value === 'hand' && shown.value.length === library.entries.length)

const list = useTemplateRef<ComponentPublicInstance>('list')
const { gap, move, dragging } = useRowOrder(
  () => (list.value?.$el instanceof HTMLElement ? list.value.$el : undefined),
  () => shown.value.map(({ entry }) => entry.id),
  library.move,
)
const searching = () =>
  readyToSearch(
    library.entries.map(({ profile }) => profile),
    macros.shelf,
  )
/** Words of profiles that are there are worked out before somebody goes to the field; at the field, those of newer ones. */
watch(
  () => library.complete,
  (complete) => complete && void searching(),
  { immediate: true },
)

const chosen = shallowRef<ReadonlySet<string>>(new Set())
const chosenEntries = computed(() => library.entries.filter(({ id }) => chosen.value.has(id)))
function choose({ id }: LibraryEntry, on: boolean): void {
  const next = new Set(chosen.value)
  if (on) next.add(id)
  else next.delete(id)
  chosen.value = next
}

const asked = shallowRef<{ entry: LibraryEntry; place: number; at: HTMLElement }>()
const asking = ref(false)
function more(entry: LibraryEntry, place: number, at: HTMLElement): void {
  asked.value = { entry, place, at }
  asking.value = true
}

const ACCEPT = '.json,.png,.svg,application/json,image/png,image/svg+xml'
const file = useTemplateRef('file')
useFoundCount(
  () => wanted.value,
  () => shown.value.length,
)
const search = useTemplateRef('search')
useCommands({
  'library.open': () => file.value?.choose(),
  'library.search': {
    run: () => search.value?.focus(),
    can: () => library.entries.length >= MOST_AT_A_GLANCE,
  },
})

onHandedOver(open)
const { over, dropping } = useFileDrop(([file]) => file && void open(file))
/** A picture or a file that is pasted is opened as one that is dropped; so is a link. */
useEventListener('paste', (event) => {
  if (event.target instanceof HTMLInputElement) return
  const [file] = event.clipboardData?.files ?? []
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (file) void open(file)
  else if (/\/open#[\w-]+\s*$/.test(text)) void router.push({ path: '/open', hash: `#${sharedIn(text)}` })
})
</script>

<template>
  <div class="library flex flex-col px-7 py-5.5" :class="{ over }" v-on="dropping">
    <header class="mb-4 flex flex-wrap items-end gap-2">
      <div class="flex-[1_1_200px]">
        <h1>Library</h1>
        <p class="soft">
          Profiles kept in this browser. Open one to edit it and to write it to a
          <TermWord of="slot">slot</TermWord> of its device.
        </p>
      </div>
      <v-btn to="/shelf">Shelf</v-btn>
      <FileButton
        ref="file"
        class="flex-[1_1_200px]"
        :label="commandWords('library.open').text"
        :accept="ACCEPT"
        @files="(files) => open(itemAt(files, 0))"
      />
    </header>
    <div class="new">
      <NewProfileBar />
      <v-spacer />
      <SelectField v-model="order" class="inner-label" label="Order" :items="ORDER_ITEMS" />
      <v-text-field
        v-if="library.entries.length >= MOST_AT_A_GLANCE"
        ref="search"
        v-model="wanted"
        width="270"
        max-width="100%"
        type="search"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Name, tag, action, in-game name"
        aria-label="Search profiles"
        @focus="searching"
      />
    </div>
    <TagFilter v-if="library.tags.length" v-model="tag" class="new" :tags="library.tags" />
    <ChosenBar
      v-if="chosenEntries.length"
      :chosen="chosenEntries"
      :tags="library.tags"
      @done="chosen = new Set()"
    />
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
    <span id="library-choose" hidden>Choose</span>
    <span id="library-more" hidden>More for</span>
    <v-virtual-scroll
      v-if="shown.length"
      ref="list"
      class="min-h-[110px] flex-initial border-t-[1.5px] border-ink"
      role="list"
      aria-label="Profiles"
      :items="shown"
      :item-height="56"
    >
      <template #default="{ item, index }">
        <!-- A row takes what comes to its place: made anew, they would hold each key of a search. -->
        <LibraryRow
          :entry="item.entry"
          :place="item.place"
          :row="index"
          :movable
          :chosen="chosen.has(item.entry.id)"
          :gap="gap === item.place ? 'before' : gap === item.place + 1 ? 'after' : undefined"
          :dragging
          @choose="choose"
          @move="move"
          @more="more"
        />
      </template>
    </v-virtual-scroll>
    <v-empty-state
      v-else-if="library.contents && library.begun"
      class="sheet"
      :title="library.entries.length ? 'No profile has that' : 'No profiles yet'"
      :text="
        library.entries.length
          ? 'Search for another name, tag, action or in-game name.'
          : 'Make a new one above: it starts from what the factory set.'
      "
    />
    <FileDrop
      v-if="library.complete && library.entries.length <= MOST_AT_A_GLANCE"
      class="mt-5 min-h-14 flex-[1_1_56px]"
      :accept="ACCEPT"
      @files="(files) => open(itemAt(files, 0))"
    >
      Drop a profile here, or choose one: a file, or the picture of its cheat sheet. A link can be pasted.
    </FileDrop>
    <RowMenu
      v-if="asked"
      v-model="asking"
      v-bind="asked"
      :movable
      :count="library.entries.length"
      @move="move"
    />
    <DeletedList />
    <section v-if="setAside.list.length" class="mt-6 grid max-h-[40%] flex-none gap-2 overflow-auto">
      <h2>Set aside</h2>
      <p class="soft">These could not be read. They are kept as they are; nothing else is touched by them.</p>
      <ul class="m-0 list-none border-t-[1.5px] border-ink p-0">
        <SetAsideRow v-for="item in setAside.list" :key="`${item.table} ${item.id}`" :item="item" />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.library.over {
  background: var(--binding-wash);
}

.new {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-bottom: 14px;
}
</style>

<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref, shallowRef, useTemplateRef, watch, type ComponentPublicInstance } from 'vue'
import ProfileClash from './ProfileClash.vue'
import { useProfileFiles } from './profile-files'
import { filterFor } from '../../core/base/matching'
import { useCommands } from '../shared/commands'
import { commandTexts } from '../shared/command-list'
import FileDrop from '../files/FileDrop.vue'
import FileButton from '../files/FileButton.vue'
import { onOpened, useOpenFile } from '../files/open-file'
import type { LibraryEntry } from '../database/library'
import SelectionBar from './SelectionBar.vue'
import DeletedList from './DeletedList.vue'
import LibraryRow from './LibraryRow.vue'
import NewProfileBar from './NewProfileBar.vue'
import { searchText } from '../../core/find/search-text'
import { prepareSearch } from './prepare-search'
import { useRowOrder } from './row-order'
import RowMenu from './RowMenu.vue'
import QuarantinedRow from './QuarantinedRow.vue'
import TagFilter from '../shared/TagFilter.vue'
import { useLastUsed } from '../stores/last-used'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useQuarantine } from '../stores/quarantine'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import { useOwnSetting } from '../../look/own-storage'
import { SelectField } from '../../look/SelectField'
import { useFoundCount } from '../shared/found-count'
import SearchField from '../../look/SearchField.vue'

type Order = 'hand' | 'name' | 'used' | 'edited'
interface Listed {
  entry: LibraryEntry
  place: number
}
const NAMES = new Intl.Collator()
const { lastUsed } = useLastUsed()
const ORDERS: Record<Order, { title: string; by: (a: Listed, b: Listed) => number }> = {
  hand: withTexts({ by: (a: Listed, b: Listed) => a.place - b.place }, { title: 'library.custom' }),
  name: withTexts(
    { by: (a: Listed, b: Listed) => NAMES.compare(a.entry.profile.name, b.entry.profile.name) },
    { title: 'library.name' },
  ),
  used: withTexts(
    { by: (a: Listed, b: Listed) => lastUsed(b.entry.id) - lastUsed(a.entry.id) || a.place - b.place },
    { title: 'library.lastUsed' },
  ),
  edited: withTexts(
    { by: (a: Listed, b: Listed) => b.entry.updatedAt - a.entry.updatedAt },
    { title: 'library.lastEdited' },
  ),
}
const ORDER_ITEMS = Object.entries(ORDERS).map(([value, { title }]) => ({ value, title }))

/** All profiles saved in this browser. */
const library = useLibrary()
const quarantined = useQuarantine()
const { clash, bring, settle } = useProfileFiles()

const macros = useMacros()
/** A long list has a search. */
const MAX_AT_A_GLANCE = 9
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
        (wanted.value === '' || found(searchText(profile, macros.shelf, textOf))),
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
  prepareSearch(
    library.entries.map(({ profile }) => profile),
    macros.shelf,
  )
/** Search texts are computed before someone reaches the field, and for newer profiles when it has the focus. */
watch(
  () => library.complete,
  (complete) => complete && void searching(),
  { immediate: true },
)

const chosen = shallowRef<ReadonlySet<string>>(new Set())
const selectedEntries = computed(() => library.entries.filter(({ id }) => chosen.value.has(id)))
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
    can: () => library.entries.length >= MAX_AT_A_GLANCE,
  },
})

const { open } = useOpenFile()
onOpened('profile', (name, { file: brought }) => bring(name, brought))
</script>

<template>
  <div class="library flex flex-col px-7 py-5.5">
    <header class="mb-4 flex flex-wrap items-end gap-2">
      <div class="flex-[1_1_200px]">
        <h1>{{ t('library.library') }}</h1>
        <p class="soft">
          <RichMessage message="library.profilesSavedInThisBrowserOpenOne">
            <template #slot
              ><GlossaryTerm of="slot">{{ t('library.slot') }}</GlossaryTerm></template
            >
          </RichMessage>
        </p>
      </div>
      <v-btn to="/shelf">{{ t('library.shelf') }}</v-btn>
      <FileButton
        ref="file"
        class="flex-[1_1_200px]"
        :label="commandTexts('library.open').text"
        :accept="ACCEPT"
        @files="open"
      />
    </header>
    <div class="new">
      <NewProfileBar />
      <v-spacer />
      <SelectField v-model="order" class="inner-label" :label="t('library.sortBy')" :items="ORDER_ITEMS" />
      <SearchField
        v-if="library.entries.length >= MAX_AT_A_GLANCE"
        ref="search"
        v-model="wanted"
        width="270"
        max-width="100%"
        :placeholder="t('library.nameTagActionInGameName')"
        :label="t('library.searchProfiles')"
        @focus="searching"
      />
    </div>
    <TagFilter v-if="library.tags.length" v-model="tag" class="new" :tags="library.tags" />
    <SelectionBar
      v-if="selectedEntries.length"
      :chosen="selectedEntries"
      :tags="library.tags"
      @done="chosen = new Set()"
    />
    <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
    <span id="library-choose" hidden>{{ t('library.select') }}</span>
    <span id="library-more" hidden>{{ t('library.moreActionsFor') }}</span>
    <v-virtual-scroll
      v-if="shown.length"
      ref="list"
      class="min-h-[110px] flex-initial border-t-[1.5px] border-ink"
      role="list"
      :aria-label="t('library.profiles')"
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
      :title="library.entries.length ? t('library.noMatchingProfiles') : t('library.noProfilesYet')"
      :text="
        library.entries.length
          ? t('library.tryAnotherNameTagActionOrIn')
          : t('library.createAProfileAboveItStartsWith')
      "
    />
    <FileDrop
      v-if="library.complete && library.entries.length <= MAX_AT_A_GLANCE"
      class="mt-5 min-h-14 flex-[1_1_56px]"
      :accept="ACCEPT"
      @files="open"
    >
      {{ t('library.dropAProfileHereOrSelectA') }}
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
    <section v-if="quarantined.list.length" class="mt-6 grid max-h-[40%] flex-none gap-2 overflow-auto">
      <h2>{{ t('library.unreadableRecords') }}</h2>
      <p class="soft">{{ t('library.theseRecordsCouldNotBeReadThey') }}</p>
      <ul class="m-0 list-none border-t-[1.5px] border-ink p-0">
        <QuarantinedRow v-for="item in quarantined.list" :key="`${item.table} ${item.id}`" :item="item" />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.new {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-bottom: 14px;
}
</style>

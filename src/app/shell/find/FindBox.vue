<script setup lang="ts">
import { computed, nextTick, ref, useId, useTemplateRef, watch } from 'vue'
import { useFindables } from './findables'
import { rankFindables, type FindEntry } from './rank'

/** One box that finds any input, action, profile, view or setting. */
const emit = defineEmits<{ close: [] }>()
const all = useFindables()
const typed = ref('')
const active = ref(0)
const id = useId()
const list = useTemplateRef<HTMLElement>('list')

const found = computed(() => rankFindables(typed.value, all.value, 40))
watch(typed, () => (active.value = 0))

async function move(by: number): Promise<void> {
  const count = found.value.length
  if (count === 0) return
  active.value = (active.value + by + count) % count
  await nextTick()
  list.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' })
}

const close = () => emit('close')

function run(entry: FindEntry | undefined): void {
  if (!entry) return
  close()
  entry.run()
}
</script>

<template>
  <v-dialog
    :model-value="true"
    aria-label="Find anything"
    max-width="640"
    class="find"
    @update:model-value="close"
  >
    <v-card class="box">
      <v-text-field
        v-model="typed"
        class="border-b-[1.5px] border-ink px-2.5 py-2 text-[1.2rem]"
        variant="plain"
        :role.attr="'combobox'"
        autofocus
        autocomplete="off"
        spellcheck="false"
        placeholder="An input, an action, a profile, a setting, help…"
        aria-label="Find anything"
        aria-expanded="true"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="found.length ? `${id}-${active}` : undefined"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.enter.prevent="run(found[active])"
      />
      <ul
        :id="`${id}-list`"
        ref="list"
        class="m-0 list-none overflow-auto p-1.5"
        role="listbox"
        aria-label="Found"
      >
        <li
          v-for="(entry, index) in found"
          :id="`${id}-${index}`"
          :key="`${entry.kind} ${entry.text} ${entry.detail}`"
          class="grid min-h-8.5 cursor-pointer grid-cols-[62px_auto_minmax(0,1fr)_auto] items-center gap-3 rounded-5 px-3 py-0.75 aria-selected:bg-binding-wash"
          role="option"
          :aria-selected="index === active"
          @pointermove="active = index"
          @click="run(entry)"
        >
          <span class="caption text-ink-soft">{{ entry.kind }}</span>
          <strong>{{ entry.text }}</strong>
          <span class="soft truncate">{{ entry.detail }}</span>
          <kbd v-if="entry.shortcut" class="text-ink-soft">{{ entry.shortcut }}</kbd>
        </li>
      </ul>
      <p v-if="found.length === 0" class="soft px-4.5 py-3.5">
        Nothing here has “{{ typed }}” in it. Try an input such as side, an action such as volume, or a
        profile’s name.
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.find :deep(.v-overlay__content) {
  align-self: flex-start;
  margin-top: 12vh;
}

.find .box {
  display: flex;
  max-height: 70vh;
  flex-direction: column;
  padding: 0;
  gap: 0;
}
</style>

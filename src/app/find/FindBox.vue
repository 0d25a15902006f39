<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import { useFindables, type FindEntry } from './findables'
import { rankFindables } from './rank'

/** One box that finds any input, action, profile, view or setting. */
const emit = defineEmits<{ close: [] }>()
const all = useFindables()
const typed = ref('')
const active = ref(0)
const id = useId()
const box = useTemplateRef<HTMLDialogElement>('box')
const list = useTemplateRef<HTMLElement>('list')

const found = computed(() => rankFindables(typed.value, all.value, 40))
watch(typed, () => (active.value = 0))

onMounted(() => box.value?.showModal())

async function move(by: number): Promise<void> {
  const count = found.value.length
  if (count === 0) return
  active.value = (active.value + by + count) % count
  await nextTick()
  list.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' })
}

/** Says so at once: the dialog's own event comes later, and would close a box that was opened again meanwhile. */
function close(): void {
  box.value?.close()
  emit('close')
}

function run(entry: FindEntry | undefined): void {
  if (!entry) return
  close()
  entry.run()
}

/** A click beside the box, on what lies behind it, closes it. */
function beside(event: MouseEvent): void {
  if (event.target === box.value) close()
}
</script>

<template>
  <dialog
    ref="box"
    class="panel box"
    aria-label="Find anything"
    @cancel.prevent="close"
    @close="emit('close')"
    @click="beside"
  >
    <input
      v-model="typed"
      type="text"
      class="typed"
      role="combobox"
      autofocus
      autocomplete="off"
      spellcheck="false"
      placeholder="An input, an action, a profile, a view, a setting…"
      aria-label="Find anything"
      aria-expanded="true"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found.length ? `${id}-${active}` : undefined"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="run(found[active])"
    />
    <ul :id="`${id}-list`" ref="list" role="listbox" aria-label="Found">
      <li
        v-for="(entry, index) in found"
        :id="`${id}-${index}`"
        :key="`${entry.kind} ${entry.text} ${entry.detail}`"
        role="option"
        :aria-selected="index === active"
        @pointermove="active = index"
        @click="run(entry)"
      >
        <span class="caption kind">{{ entry.kind }}</span>
        <strong>{{ entry.text }}</strong>
        <span class="soft detail">{{ entry.detail }}</span>
        <kbd v-if="entry.shortcut">{{ entry.shortcut }}</kbd>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft none">
      Nothing here has “{{ typed }}” in it. Try an input such as side, an action such as volume, or a
      profile’s name.
    </p>
  </dialog>
</template>

<style scoped>
.box {
  width: min(640px, calc(100vw - 40px));
  max-height: 70vh;
  padding: 0;
  margin: 12vh auto 0;
  overflow: hidden;
}

.box[open] {
  display: flex;
  flex-direction: column;
}

.box::backdrop {
  background: rgb(16 21 31 / 45%);
}

.typed {
  padding: 14px 18px;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  color: inherit;
  font: inherit;
  font-size: 1.2rem;
}

.typed:focus-visible {
  outline: none;
}

.typed::placeholder {
  color: var(--ink-faint);
}

ul {
  padding: 6px;
  margin: 0;
  overflow: auto;
  list-style: none;
}

li {
  display: grid;
  min-height: 34px;
  align-items: center;
  padding: 3px 12px;
  border-radius: 5px;
  cursor: pointer;
  gap: 12px;
  grid-template-columns: 62px auto minmax(0, 1fr) auto;
}

li[aria-selected='true'] {
  background: var(--binding-wash);
}

.kind {
  color: var(--ink-soft);
}

.detail {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

kbd {
  color: var(--ink-soft);
}

.none {
  padding: 14px 18px;
}
</style>

<script setup lang="ts">
import { mdiKeyboardOutline } from '@mdi/js'
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import type { DeviceInput, DeviceModel } from '../../core/device/model'
import { bindingBytes } from '../../core/image/actions'
import { actionFamily, actionText, parseAction, suggestActions } from '../../core/profile/action-text'
import { sameAction } from '../../core/profile/edits'
import { lowerAction } from '../../core/profile/onboard-terms'
import { factoryAction } from '../../core/profile/profile'
import type { Action } from '../../core/profile/schema'
import { useCapture } from '../composables/capture'
import AppIcon from './AppIcon.vue'

/** One binding being edited in its row: typed with completion, or captured from the keyboard. */
const props = defineProps<{
  model: DeviceModel
  input: DeviceInput
  action: Action
  /** Makes the edit; says why it is refused, or nothing when it was made. */
  apply: (action: Action) => string | undefined
}>()
const emit = defineEmits<{ close: []; step: [by: 1 | -1] }>()

const id = useId()
const field = useTemplateRef<HTMLInputElement>('field')
const draft = ref(actionText(props.action))
const touched = ref(false)
const active = ref(-1)
const problem = ref<string>()
const done = ref<string>()

const parsed = computed(() => parseAction(draft.value, props.model))
const suggestions = computed(() => suggestActions(touched.value ? draft.value : '', props.model, 6))
const preview = computed(() => ('action' in parsed.value ? parsed.value.action : undefined))
const factory = computed(() => factoryAction(props.input))
const atFactory = computed(() => sameAction(props.action, factory.value))
const cost = computed(() => {
  const action = preview.value ?? props.action
  return sameAction(action, factory.value) ? 0 : bindingBytes(lowerAction(action))
})

const capture = useCapture((action) => choose(action))

// Undo and redo, and edits from another tab, show in a field nobody is typing in.
watch(
  () => props.action,
  (action) => {
    if (!touched.value) draft.value = actionText(action)
  },
)

onMounted(async () => {
  await nextTick()
  field.value?.select()
})

function typed(): void {
  touched.value = true
  active.value = -1
  problem.value = undefined
  done.value = undefined
}

function choose(action: Action): void {
  problem.value = props.apply(action)
  if (problem.value) return
  draft.value = actionText(action)
  touched.value = false
  done.value = `${props.input.name} is ${draft.value} in this profile`
  field.value?.select()
}

function enter(): void {
  const picked = suggestions.value[active.value]
  if (picked) choose(picked.action)
  else if ('action' in parsed.value) choose(parsed.value.action)
  else problem.value = parsed.value.problem
}

function move(by: number): void {
  const count = suggestions.value.length
  if (!touched.value) return emit('step', by > 0 ? 1 : -1)
  if (count > 0) active.value = (active.value + by + count + (active.value < 0 && by < 0 ? 1 : 0)) % count
}
</script>

<template>
  <div class="entry" @keydown.esc.stop="emit('close')">
    <div class="line" :class="{ refused: problem }">
      <input
        ref="field"
        v-model="draft"
        :data-untouched="touched ? undefined : ''"
        type="text"
        role="combobox"
        autocomplete="off"
        spellcheck="false"
        aria-autocomplete="list"
        :aria-expanded="suggestions.length > 0"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="active >= 0 ? `${id}-${active}` : undefined"
        :aria-label="`What ${input.name} does`"
        :aria-invalid="problem !== undefined"
        @input="typed"
        @keydown.enter.prevent="enter"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.f9.prevent="capture.start()"
      />
      <span v-if="capture.capturing.value" class="capturing" role="status">
        {{ capture.held.value.length ? 'now the other key…' : 'press a key or chord…' }}
      </span>
      <button
        type="button"
        class="button"
        :aria-pressed="capture.capturing.value"
        @click="capture.capturing.value ? capture.stop() : capture.start()"
      >
        <AppIcon :path="mdiKeyboardOutline" />{{ capture.capturing.value ? 'Stop' : 'Capture' }}
        <kbd class="hint">F9</kbd>
      </button>
      <button type="button" class="button strong" @click="enter">Set</button>
    </div>
    <p v-if="problem || capture.problem.value" class="problem" role="alert">
      {{ problem ?? capture.problem.value }}
    </p>
    <ul :id="`${id}-list`" class="offers" role="listbox" :aria-label="touched ? 'Completions' : 'Examples'">
      <li
        v-for="(offer, index) in suggestions"
        :id="`${id}-${index}`"
        :key="offer.text"
        role="option"
        :aria-selected="index === active"
        class="chip"
        :class="[actionFamily(offer.action), { active: index === active }]"
        :title="offer.note"
        @pointerdown.prevent="choose(offer.action)"
      >
        {{ offer.text }}
      </li>
    </ul>
    <p class="caption about" role="status">
      <span v-if="done" class="made">{{ done }}. </span>
      <span
        >{{ cost === 0 ? 'As the factory set it: takes no memory' : `Kept on the device in ${cost} B` }} ·
        works with no software</span
      >
      <button v-if="!atFactory" type="button" class="back" @click="choose(factory)">
        Back to factory: {{ actionText(factory) }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 8px;
  padding: 2px 8px 10px 0;
}

.line {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 4px;
  border: 1.5px solid var(--binding);
  border-radius: 7px;
  background: var(--paper-high);
}

.line.refused {
  border-color: var(--pending);
}

input {
  min-width: 60px;
  flex: 1;
  padding: 5px 8px;
  border: 0;
  background: transparent;
  color: inherit;
  font: inherit;
  font-size: 1.07rem;
}

input:focus-visible {
  outline: none;
}

.line:focus-within {
  box-shadow: 0 0 0 1px var(--focus);
}

.capturing {
  color: var(--binding);
}

.hint {
  color: var(--ink-faint);
}

.problem {
  color: var(--pending);
}

.offers {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  padding: 0;
  margin: 0;
  list-style: none;
}

.offers li {
  cursor: pointer;
}

.offers .active {
  outline: 2px solid var(--binding);
}

.made {
  color: var(--ink);
  font-weight: 600;
}

.about {
  color: var(--ink-soft);
}

.back {
  padding: 0;
  border: 0;
  margin-left: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>

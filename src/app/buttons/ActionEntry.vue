<script setup lang="ts">
import { mdiKeyboardOutline } from '@mdi/js'
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import { actionFamily, actionText } from '../../core/text/action-text'
import { type ActionContext } from '../../core/text/context'
import { cellText } from '../../core/text/cell-text'
import { factoryAction } from '../../core/terms/profile'
import type { Action } from '../../core/document/schema'
import { setComputer } from '../../core/edits/edits'
import { addLayer } from '../../core/edits/layer-edits'
import { keyLegend, layoutName } from '../../core/computer/layouts'
import { SYSTEM_NAMES } from '../../core/computer/systems'
import CommandKeys from '../shared/CommandKeys.vue'
import { pressed } from '../shared/command-keys'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useCapture } from './capture'
import ActionDetails from './ActionDetails.vue'
import ActionSettings from './ActionSettings.vue'
import CellFindings from './CellFindings.vue'
import BindingWords from './BindingWords.vue'
import { cellKey, type ButtonsWork, type CellPlace } from './work'
import { useEntry } from './entry'
import { dropHalfTyped, useHalfTyped } from './half-typed'
import { usePreferences } from '../stores/preferences'

/** One cell being edited under its row: typed with completion, chosen by kind, or captured from the keyboard. */
const props = defineProps<{ work: ButtonsWork; place: CellPlace; context: ActionContext; begun?: string }>()
const emit = defineEmits<{
  close: []
  step: [by: 1 | -1]
  /** Taken by Enter: what it does is said, and the cell below is next. */
  next: [said: string]
}>()

const macros = useMacros()
const editor = useEditor()
const id = useId()
const field = useTemplateRef<HTMLInputElement>('field')
const input = computed(() => props.context.model.inputs.find((each) => each.id === props.place.input))
const binding = computed(() => props.work.bindingAt(props.place))
const factory = computed(() =>
  props.place.layer === 0 && input.value ? factoryAction(input.value) : undefined,
)
const entry = useEntry(
  () => binding.value,
  () => props.context,
  () => factory.value,
)
const { draft, touched, active, problem, done, kind, kinds, offers, action, cost } = entry
useHalfTyped(() => props.place, draft, touched)
const preferences = usePreferences()
const inTurn = () => preferences.now.capture === 'inTurn'
const capture = useCapture((captured) => choose(captured), inTurn)
/** Tells the person which key to press next while a key is captured. */
const captureText = computed(() => {
  const keys = capture.held.value.map((code) => keyLegend(code, preferences.now.layout)).join('+')
  if (inTurn()) return keys ? `${keys}+ … press the next key, or Done` : 'Press the first key. Escape cancels'
  return keys ? 'now the other key…' : 'press a key or chord… Esc leaves, held it is Esc'
})
const layerName = computed(() => props.work.layers[props.place.layer]?.name)
const changed = computed(
  () => props.work.layers[props.place.layer]?.bindings[props.place.input] !== undefined,
)

onMounted(async () => {
  await nextTick()
  if (props.begun !== undefined) entry.begin(props.begun)
  field.value?.focus({ preventScroll: true })
  if (props.begun === undefined) field.value?.select()
})

function startCapture(event: KeyboardEvent): void {
  event.preventDefault()
  void capture.start()
}

function close(): void {
  dropHalfTyped()
  emit('close')
}

/** @param goesOn to the next cell, unless there is an error in this one; otherwise the editor stays */
function settle(reason: string | undefined, goesOn = false): void {
  problem.value = reason
  if (reason) return
  dropHalfTyped()
  const now = binding.value ? actionText(binding.value.action, props.context) : 'inherited'
  const said = `${props.work.nameOf(props.place)} is ${now} in this profile`
  if (goesOn && !props.work.errors.has(cellKey(props.place))) return emit('next', said)
  entry.settled(said)
  kind.value = undefined
  field.value?.select()
}

const choose = (chosen: Action, name?: string, goesOn = false): void =>
  settle(props.work.put(props.place, chosen, name), goesOn)

function clear(goesOn = false): void {
  props.work.clear([props.place])
  settle(undefined, goesOn)
}

function set(goesOn = false): void {
  const picked = offers.value[active.value]
  const parsed = entry.parsed.value
  if (picked) choose(picked.action, undefined, goesOn)
  else if ('action' in parsed)
    void macros.making([parsed.makes], () => choose(parsed.action, parsed.name, goesOn))
  else if ('clear' in parsed) clear(goesOn)
  else problem.value = parsed.problem
}

/** Fixes that turn an unknown text into an action, each as a button. */
const remedies = computed((): { text: string; apply: () => string | undefined | Promise<unknown> }[] => {
  const { value: parsed } = entry.parsed
  if (problem.value === undefined || !('problem' in parsed)) return []
  const { layer, macro, computers = [] } = parsed
  return [
    ...(layer === undefined
      ? []
      : [
          {
            text: `Add layer “${layer}”`,
            apply: () => editor.edit(['add-layer', { layer }], (profile) => addLayer(profile, layer)),
          },
        ]),
    ...(macro === undefined
      ? []
      : [{ text: `Create macro “${macro}”`, apply: () => macros.createNow(macro) }]),
    ...computers.map((computer) => ({
      text:
        computer.layout === props.context.computer.layout && computer.system
          ? `Set the operating system to ${SYSTEM_NAMES[computer.system]}`
          : `Set the keyboard layout to ${layoutName(computer.layout)}`,
      apply: () => editor.edit(['computer'], (profile) => setComputer(profile, computer)),
    })),
  ]
})
async function remedy(apply: (typeof remedies.value)[number]['apply']): Promise<void> {
  const refused = await apply()
  if (typeof refused === 'string') return void (problem.value = refused)
  await nextTick()
  set()
}

/** What another tab made of this cell while something was being typed here. */
const elsewhere = ref<string>()
watch(
  () => cellText(binding.value, props.context),
  (text) => (elsewhere.value = touched.value ? text : undefined),
)
watch(touched, (now) => now || (elsewhere.value = undefined))

function move(by: 1 | -1): void {
  const count = offers.value.length
  if (!touched.value && kind.value === undefined) return emit('step', by)
  if (count > 0) active.value = (active.value + by + count + (active.value < 0 && by < 0 ? 1 : 0)) % count
}

function pickKind(chosen: (typeof kinds.value)[number]): void {
  active.value = -1
  if (chosen.begins !== undefined) entry.begin(chosen.begins)
  kind.value = kind.value === chosen.id ? undefined : chosen.id
  void nextTick(() => {
    field.value?.focus()
    const end = draft.value.length
    if (chosen.begins !== undefined) field.value?.setSelectionRange(end, end)
  })
}

function drag(event: DragEvent, dragged: Action): void {
  event.dataTransfer?.setData('text/plain', cellText({ action: dragged }, props.context))
}
</script>

<template>
  <div class="grid gap-2 pt-1 pr-2 pb-3 pl-0" @keydown.esc.stop="close" @click.stop>
    <p v-if="work.layers.length > 1" class="where flex flex-wrap gap-x-1 text-12">
      <strong class="text-layer">{{ layerName }}</strong>
      <span class="soft">{{ work.reach(place.layer) }}</span>
    </p>
    <div
      class="line flex items-center gap-1.5 rounded-[7px] border-[1.5px] border-layer bg-paper-high p-1"
      :class="{ refused: problem }"
    >
      <v-text-field
        ref="field"
        v-model="draft"
        variant="plain"
        :data-untouched.attr="touched ? undefined : ''"
        :role.attr="'combobox'"
        autocomplete="off"
        spellcheck="false"
        aria-autocomplete="list"
        :aria-expanded="offers.length > 0"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="active >= 0 ? `${id}-${active}` : undefined"
        :aria-label="`What ${input?.name} does${place.layer > 0 ? ` in ${layerName}` : ''}`"
        :aria-invalid="problem !== undefined"
        @input="entry.typed"
        @keydown.enter.prevent="set(true)"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown="pressed($event, 'cell.capture') && startCapture($event)"
      />
      <span class="contents" role="status"
        ><span v-if="capture.capturing.value" class="text-binding">
          {{ captureText }}
        </span></span
      >
      <v-btn v-if="capture.capturing.value && inTurn()" @click="capture.finishNow()">Done</v-btn>
      <v-btn @click="capture.capturing.value ? capture.stop() : capture.start()">
        <v-icon :icon="mdiKeyboardOutline" />{{ capture.capturing.value ? 'Stop' : 'Capture' }}
        <CommandKeys class="text-ink-faint" of="cell.capture" />
      </v-btn>
      <v-btn variant="flat" color="ink" @click="set()">Set</v-btn>
    </div>
    <v-alert v-if="problem || capture.problem.value" variant="text">
      {{ problem ?? capture.problem.value }}
      <v-btn v-for="{ text, apply } in remedies" :key="text" size="small" class="mr-1" @click="remedy(apply)">
        {{ text }}
      </v-btn>
    </v-alert>
    <v-alert v-if="elsewhere !== undefined" variant="text">
      This cell was changed to “{{ elsewhere }}” while you were typing. Set replaces that.
    </v-alert>
    <CellFindings v-if="!touched" :place="place" />
    <v-btn-toggle
      :model-value="kind"
      variant="text"
      size="small"
      class="gap-x-0.5 gap-y-0"
      role="group"
      aria-label="Kinds of action"
    >
      <v-btn
        v-for="each in kinds"
        :key="each.id"
        class="rounded-none border-b-2 border-transparent px-1.75 py-0 font-normal text-ink-soft aria-pressed:border-b-layer aria-pressed:font-semi aria-pressed:text-ink"
        :value="each.id"
        :aria-pressed="kind === each.id"
        :title="each.about"
        @click="pickKind(each)"
      >
        {{ each.label }}
      </v-btn>
    </v-btn-toggle>
    <div
      v-if="offers.length"
      :id="`${id}-list`"
      class="offers flex max-h-[108px] flex-wrap gap-1.25 overflow-auto p-0.5"
      role="listbox"
      :aria-label="kind ? 'Choices' : touched ? 'Completions' : 'Examples'"
    >
      <v-chip
        v-for="(offer, index) in offers"
        :id="`${id}-${index}`"
        :key="offer.text"
        role="option"
        :aria-selected="index === active"
        class="cursor-pointer bg-paper-high"
        :class="[actionFamily(offer.action), { active: index === active }]"
        :title="`${offer.note}; drag it onto an input of the drawing`"
        draggable
        :link="false"
        :text="offer.text"
        @dragstart="drag($event, offer.action)"
        @click="choose(offer.action)"
      />
    </div>
    <p v-else :id="`${id}-list`" class="caption">
      {{
        kind === 'layers'
          ? 'This profile has no layers over the base layer yet. Add one above the sheet.'
          : 'Finish it and press Enter.'
      }}
    </p>
    <ActionSettings
      v-if="binding && !touched"
      :action="binding.action"
      :context="context"
      @change="(next) => choose(next)"
    />
    <!-- What keeps it from being written stands above, with its fixes. -->
    <ActionDetails
      v-if="action && (touched || !work.errors.has(cellKey(place)))"
      :action="action"
      :context="context"
      :input-name="input?.name ?? ''"
    />
    <BindingWords v-if="binding" :binding="binding" :save="(words) => work.setName(place, words)" />
    <p class="caption text-ink-soft" role="status">
      <span v-if="done" class="font-semi text-ink">{{ done }}. </span>
      <span v-if="cost === 0">{{
        place.layer === 0
          ? 'As the factory set it: takes no memory'
          : 'Left to the layer below: takes no memory'
      }}</span>
      <span v-else-if="cost !== undefined">Kept on the device in {{ cost }} B · works with no software</span>
      <v-btn v-if="changed && factory" variant="plain" class="ml-2" @click="clear()">
        Back to factory: {{ actionText(factory, context) }}
      </v-btn>
      <v-btn v-else-if="changed" variant="plain" class="ml-2" @click="clear()">
        Leave it to the layer below
      </v-btn>
    </p>
  </div>
</template>

<style scoped>
.line.refused {
  border-color: var(--pending);
}

.line .v-input {
  min-width: 60px;
  flex: 1;
  font-size: 1.07rem;
}

.line :deep(.v-field) {
  background: transparent;
  outline: none;
}

.line:focus-within {
  box-shadow: 0 0 0 1px var(--layer);
}

.offers .active {
  outline: 2px solid var(--binding);
}
</style>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { mdiKeyboardOutline } from '@mdi/js'
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import { actionFamily, actionMessage } from '../../core/text/action-text'
import { chordMessage, type TypingContext } from '../../core/text/context'
import { cellText } from '../../core/text/cell-text'
import { factoryAction } from '../../core/terms/profile'
import type { Action } from '../../core/document/schema'
import { setComputer } from '../../core/edits/edits'
import { addLayer } from '../../core/edits/layer-edits'
import { layoutName } from '../../core/computer/layouts'
import { OPERATING_SYSTEM_NAMES } from '../../core/computer/operating-systems'
import CommandKeys from '../shared/CommandKeys.vue'
import { matchesShortcut } from '../shared/command-keys'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useCapture } from './capture'
import ActionDetails from './ActionDetails.vue'
import ActionSettings from './ActionSettings.vue'
import CellProblems from './CellProblems.vue'
import BindingTexts from './BindingTexts.vue'
import { cellKey, type ButtonsView, type CellPlace } from './buttons-view'
import { useEntry } from './entry'
import { dropUnfinishedText, useUnfinishedText } from './unfinished-text'
import { usePreferences } from '../stores/preferences'

/** The editor of one cell below its row: typing with suggestions, selecting a kind, or capturing from the keyboard. */
const props = defineProps<{ work: ButtonsView; place: CellPlace; context: TypingContext; begun?: string }>()
const emit = defineEmits<{
  close: []
  step: [by: 1 | -1]
  /** Applied by Enter: the result is announced, and the next cell is selected. */
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
useUnfinishedText(() => props.place, draft, touched)
const preferences = usePreferences()
const inTurn = () => preferences.now.capture === 'inTurn'
const capture = useCapture((captured) => choose(captured), inTurn)
/** Tells the person which key to press next while a key is captured. */
const captureText = computed(() => {
  const keys = textOf(chordMessage(capture.held.value, preferences.now.layout))
  if (inTurn())
    return keys
      ? t('buttons.pressTheNextKeyOrSelectDone', { keys })
      : t('buttons.pressTheFirstKeyEscapeCancels')
  return keys ? t('buttons.nowPressTheOtherKey') : t('buttons.pressAKeyOrChordTapEsc')
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
  dropUnfinishedText()
  emit('close')
}

/** @param goesOn moves to the next cell, unless this one has an error; otherwise the editor stays */
function settle(reason: string | undefined, goesOn = false): void {
  problem.value = reason
  if (reason) return
  dropUnfinishedText()
  const now = binding.value ? actionMessage(binding.value.action, props.context) : t('buttons.inherited')
  const said = t('buttons.isSetToInThisProfile', { name: props.work.nameOf(props.place), action: now })
  if (goesOn && !props.work.errors.has(cellKey(props.place))) return emit('next', said)
  entry.settled(said)
  kind.value = undefined
  field.value?.select()
}

const choose = (chosen: Action, name?: string, goesOn = false): void =>
  settle(props.work.put(props.place, chosen, name), goesOn)

const saveWords = (words: { name?: string; note?: string }) => props.work.setName(props.place, words)

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
  else problem.value = textOf(parsed.problem)
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
            text: t('buttons.addLayer', { layer }),
            apply: () => editor.edit(['add-layer', { layer }], (profile) => addLayer(profile, layer)),
          },
        ]),
    ...(macro === undefined
      ? []
      : [{ text: t('buttons.createMacro', { macro }), apply: () => macros.createNow(macro) }]),
    ...computers.map((computer) => ({
      text:
        computer.layout === props.context.computer.layout && computer.system
          ? t('buttons.setTheOperatingSystemTo', { system: OPERATING_SYSTEM_NAMES[computer.system] })
          : t('buttons.setTheKeyboardLayoutTo', { layout: layoutName(computer.layout) }),
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

/** The change of this cell by another tab while something was being typed here. */
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

/** What people type next follows a space, unless it is in quotation marks. */
const withSpace = (begin: string): string => (/\p{Pi}$/u.test(begin) ? begin : `${begin} `)

function pickKind(chosen: (typeof kinds.value)[number]): void {
  active.value = -1
  if (chosen.begins) entry.begin(withSpace(textOf(chosen.begins)))
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
  <div class="grid gap-2 ps-0 pe-2 pt-1 pb-3" @keydown.esc.stop="close" @click.stop>
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
        :aria-label="
          place.layer > 0
            ? t('buttons.actionOfIn', { name: input?.name, layer: layerName })
            : t('buttons.actionOf', { name: input?.name })
        "
        :aria-invalid="problem !== undefined"
        @input="entry.typed"
        @keydown.enter.prevent="set(true)"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown="matchesShortcut($event, 'cell.capture') && startCapture($event)"
      >
        <template #loader />
      </v-text-field>
      <span class="contents" role="status"
        ><span v-if="capture.capturing.value" class="text-binding">
          {{ captureText }}
        </span></span
      >
      <v-btn v-if="capture.capturing.value && inTurn()" @click="capture.finishNow()">{{
        t('buttons.done')
      }}</v-btn>
      <v-btn @click="capture.capturing.value ? capture.stop() : capture.start()">
        <v-icon :icon="mdiKeyboardOutline" />{{
          capture.capturing.value ? t('buttons.stop') : t('buttons.capture')
        }}
        <CommandKeys class="text-ink-faint" of="cell.capture" />
      </v-btn>
      <v-btn variant="flat" color="ink" @click="set()">{{ t('buttons.set') }}</v-btn>
    </div>
    <v-alert v-if="problem || capture.problem.value" variant="text">
      {{ problem ?? capture.problem.value }}
      <v-btn v-for="{ text, apply } in remedies" :key="text" size="small" class="me-1" @click="remedy(apply)">
        {{ text }}
      </v-btn>
    </v-alert>
    <v-alert v-if="elsewhere !== undefined" variant="text">
      {{ t('buttons.thisCellWasChangedToElsewhereWhile', { elsewhere }) }}
    </v-alert>
    <CellProblems v-if="!touched" :place="place" />
    <v-btn-toggle
      :model-value="kind"
      variant="text"
      size="small"
      class="gap-x-0.5 gap-y-0"
      role="group"
      :aria-label="t('buttons.actionTypes')"
    >
      <v-btn
        v-for="each in kinds"
        :key="each.id"
        class="rounded-none border-b-2 border-transparent px-1.75 py-0 font-normal text-ink-soft aria-pressed:border-b-layer aria-pressed:font-semi aria-pressed:text-ink"
        :value="each.id"
        :aria-pressed="kind === each.id"
        :title="textOf(each.about)"
        @click="pickKind(each)"
      >
        {{ textOf(each.label) }}
      </v-btn>
    </v-btn-toggle>
    <div
      v-if="offers.length"
      :id="`${id}-list`"
      class="offers flex max-h-[108px] flex-wrap gap-1.25 overflow-auto p-0.5"
      role="listbox"
      :aria-label="kind ? t('buttons.options') : touched ? t('buttons.suggestions') : t('buttons.examples')"
    >
      <v-chip
        v-for="(offer, index) in offers"
        :id="`${id}-${index}`"
        :key="offer.text"
        role="option"
        :aria-selected="index === active"
        class="cursor-pointer bg-paper-high"
        :class="[actionFamily(offer.action), { active: index === active }]"
        :title="t('buttons.dragItOntoAnInputInThe', { note: offer.note })"
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
          ? t('buttons.thisProfileHasOnlyTheBaseLayer')
          : t('buttons.completeTheActionAndPressEnter')
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
      :input-name="input ? textOf(input.name) : ''"
    />
    <BindingTexts v-if="binding" :binding="binding" :save="saveWords" />
    <p class="caption text-ink-soft" role="status">
      <span v-if="done" class="font-semi text-ink">{{ done }}. </span>
      <span v-if="cost === 0">{{
        place.layer === 0 ? t('buttons.factorySettingUsesNoMemory') : t('buttons.inheritedUsesNoMemory')
      }}</span>
      <span v-else-if="cost !== undefined">{{ t('buttons.usesBOnTheDeviceWorksWith', { cost }) }}</span>
      <v-btn v-if="changed && factory" variant="plain" class="ms-2" @click="clear()">
        {{ t('buttons.resetToFactorySetting', { action: textOf(actionMessage(factory, context)) }) }}
      </v-btn>
      <v-btn v-else-if="changed" variant="plain" class="ms-2" @click="clear()">
        {{ t('buttons.inheritFromTheLayerBelow') }}
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

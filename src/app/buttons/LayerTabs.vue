<script setup lang="ts">
import type { EditName } from '../stores/edit-words'
import { computed, ref } from 'vue'
import { MOST_SIGNAL, MOST_UPPER_LAYERS } from '../../core/onboard/image'
import {
  addLayer,
  moveLayer,
  removeLayer,
  renameLayer,
  setLayerColour,
  setLayerSignal,
} from '../../core/edits/layer-edits'
import { LAYER_COLOURS } from '../../core/document/schema'
import { useCommands } from '../shared/commands'
import NameDialog from '../shared/NameDialog.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { ButtonsWork } from './work'
import TermWord from '../shared/TermWord.vue'
import { SelectField } from '../../look/SelectField'

/** The layers of the profile: which one is edited, and how each is called, coloured and shared. */
const props = defineProps<{ work: ButtonsWork }>()
const editor = useEditor()
const notices = useNotices()
const adding = ref(false)
const renaming = ref(false)
const current = computed(() => props.work.layers[props.work.layer])
const sharable = computed(() => editor.model?.connections.some(({ id }) => id === 'receiver') ?? false)
/** They count as their marks do: the first over the base layer has the mark 1. */
const COUNTED = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh']
const suggested = computed(() => {
  const taken = new Set(props.work.layers.map(({ name }) => name.toLowerCase()))
  const free = COUNTED.slice(props.work.layers.length - 1).concat(COUNTED)
  return free.find((name) => !taken.has(name.toLowerCase())) ?? 'Layer'
})
const full = computed(() => props.work.layers.length > MOST_UPPER_LAYERS)

useCommands({ 'layer.add': { run: () => (adding.value = true), can: () => !full.value } })

const choose = (index: number) => props.work.chooseLayer(index)

function add(name: string): string | undefined {
  const reason = editor.edit(['add-layer', { layer: name }], (profile) => addLayer(profile, name))
  if (!reason) choose(props.work.layers.length - 1)
  return reason
}

function change(label: EditName, edit: Parameters<typeof editor.edit>[1]): void {
  const reason = editor.edit(label, edit)
  if (reason) notices.trouble(reason)
}

const signals = [
  { value: 0, title: 'no, this device alone' },
  ...Array.from({ length: MOST_SIGNAL }, (_, at) => ({ value: at + 1, title: `with signal ${at + 1}` })),
]
function share(signal: number): void {
  change(['layer-signal'], (profile) => setLayerSignal(profile, props.work.layer, signal || undefined))
}

function remove(): void {
  const { model } = editor
  const { layer: index } = props.work
  const name = current.value?.name
  if (!model || name === undefined) return
  change(['remove-layer', { layer: name }], (profile) => removeLayer(profile, model, index))
  notices.say(
    `The layer ${name} was removed, and with it the bindings that led to it`,
    { label: 'Undo', act: editor.undo },
    editor.asNow(),
  )
}

function move(by: 1 | -1): void {
  const { model } = editor
  const from = props.work.layer
  if (!model) return
  change(['move-layer'], (profile) => moveLayer(profile, model, from, from + by))
  choose(Math.max(1, Math.min(from + by, props.work.layers.length - 1)))
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Layers">
    <v-btn-toggle
      :model-value="work.layer"
      mandatory
      variant="flat"
      size="small"
      class="contents"
      @update:model-value="choose"
    >
      <v-btn
        v-for="(layer, index) in work.layers"
        :key="index"
        :value="index"
        class="tab border border-transparent bg-layer-wash text-layer hover:border-layer aria-pressed:bg-layer aria-pressed:text-paper"
        :class="index === 0 ? 'layer-base' : `layer-${layer.colour}`"
        :aria-pressed="index === work.layer"
        :title="`${layer.name}: ${work.reach(index)}`"
      >
        <span v-if="index > 0" class="mono mr-1.5 text-12">{{ index }}</span>{{ layer.name }}
      </v-btn>
    </v-btn-toggle>
    <v-btn
      variant="text"
      class="text-ink-soft"
      :disabled="full"
      :aria-describedby="full ? 'layers-full' : undefined"
      @click="adding = true"
    >
      + layer
    </v-btn>
    <span v-if="full" id="layers-full" class="caption soft">
      {{ MOST_UPPER_LAYERS }} over the base are as many as a device keeps
    </span>
    <v-menu
      v-if="work.layer > 0"
      :close-on-content-click="false"
      :activator-props="{ 'aria-haspopup': 'dialog' }"
    >
      <template #activator="{ props: activator }">
        <v-btn variant="text" v-bind="activator">{{ current?.name }} settings ▾</v-btn>
      </template>
      <v-card class="settings" role="dialog" :aria-label="`Settings of the layer ${current?.name}`">
        <p class="caption">{{ work.reach(work.layer) }}</p>
        <div class="colours" role="radiogroup" aria-label="Colour">
          <v-btn
            v-for="colour in LAYER_COLOURS"
            :key="colour"
            class="bg-layer"
            icon
            variant="flat"
            size="small"
            role="radio"
            :class="`layer-${colour}`"
            :aria-checked="current?.colour === colour"
            :aria-label="colour"
            :title="colour"
            @click="change(['layer-colour'], (profile) => setLayerColour(profile, work.layer, colour))"
          />
        </div>
        <SelectField
          v-if="sharable"
          label="Shared over the receiver"
          :items="signals"
          :model-value="current?.signal ?? 0"
          @update:model-value="share"
        />
        <p v-if="sharable" class="caption">
          Devices on one receiver have their layers of the same signal on together, with no software: a key of
          the keyboard can hold a layer of the mouse. Both have to be on 2.4 GHz.
        </p>
        <div class="acts">
          <v-btn @click="renaming = true">Rename…</v-btn>
          <v-btn :disabled="work.layer === 1" @click="move(-1)">Lower</v-btn>
          <v-btn :disabled="work.layer === work.layers.length - 1" @click="move(1)"> Higher </v-btn>
          <v-btn @click="remove">Remove</v-btn>
        </div>
        <p class="caption">
          A higher <TermWord of="layer">layer</TermWord> lies over the lower ones where several are on.
        </p>
      </v-card>
    </v-menu>
    <NameDialog v-model="adding" title="New layer" confirm="Add" :name="suggested" :apply="add" />
    <NameDialog
      v-if="current"
      v-model="renaming"
      title="Rename the layer"
      :name="current.name"
      :apply="(name) => editor.edit(['rename-layer'], (profile) => renameLayer(profile, work.layer, name))"
    />
  </div>
</template>

<style scoped>
.tab :deep(.v-btn__content) {
  display: block;
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
}

.settings {
  display: grid;
  width: 340px;
  gap: 10px;
  padding: 14px 16px;
}

.colours {
  display: flex;
  gap: 6px;
}

.colours [aria-checked='true'] {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}

.acts {
  display: flex;
  gap: 6px;
}
</style>

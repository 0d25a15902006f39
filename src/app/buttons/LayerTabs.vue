<script setup lang="ts">
import { computed, ref } from 'vue'
import { MOST_SIGNAL, MOST_UPPER_LAYERS } from '../../core/image/image'
import {
  addLayer,
  moveLayer,
  removeLayer,
  renameLayer,
  setLayerColour,
  setLayerSignal,
} from '../../core/profile/layer-edits'
import { LAYER_COLOURS } from '../../core/profile/schema'
import NameDialog from '../parts/NameDialog.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { ButtonsDesk } from './desk'

/** The layers of the profile: which one is edited, and how each is called, coloured and shared. */
const props = defineProps<{ desk: ButtonsDesk }>()
const editor = useEditor()
const notices = useNotices()
const adding = ref(false)
const renaming = ref(false)
const current = computed(() => props.desk.layers[props.desk.layer])
const sharable = computed(() => editor.model?.connections.some(({ id }) => id === 'receiver') ?? false)
const SUGGESTED = ['Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh', 'Eighth']

const choose = (index: number) => props.desk.chooseLayer(index)

function add(name: string): string | undefined {
  const reason = editor.edit(`add layer ${name}`, (profile) => addLayer(profile, name))
  if (!reason) choose(props.desk.layers.length - 1)
  return reason
}

function change(label: string, edit: Parameters<typeof editor.edit>[1]): void {
  const reason = editor.edit(label, edit)
  if (reason) notices.trouble(reason)
}

function share({ target }: Event): void {
  const signal = target instanceof HTMLSelectElement ? Number(target.value) : 0
  change('layer signal', (profile) => setLayerSignal(profile, props.desk.layer, signal || undefined))
}

function remove(): void {
  const { model } = editor
  const { layer: index } = props.desk
  const name = current.value?.name
  if (!model) return
  change(`remove layer ${name}`, (profile) => removeLayer(profile, model, index))
  notices.say(`The layer ${name} was removed, and with it the bindings that led to it`, {
    label: 'Undo',
    act: editor.undo,
  })
}

function move(by: 1 | -1): void {
  const { model } = editor
  const from = props.desk.layer
  if (!model) return
  change('move layer', (profile) => moveLayer(profile, model, from, from + by))
  choose(Math.max(1, Math.min(from + by, props.desk.layers.length - 1)))
}
</script>

<template>
  <div class="layers" role="group" aria-label="Layers">
    <button
      v-for="(layer, index) in desk.layers"
      :key="index"
      type="button"
      class="tab"
      :class="index === 0 ? 'layer-base' : `layer-${layer.colour}`"
      :aria-pressed="index === desk.layer"
      :title="desk.reach(index)"
      @click="choose(index)"
    >
      <span v-if="index > 0" class="mono place">{{ index }}</span>{{ layer.name }}
    </button>
    <button
      v-if="desk.layers.length <= MOST_UPPER_LAYERS"
      type="button"
      class="button plain add"
      @click="adding = true"
    >
      + layer
    </button>
    <v-menu v-if="desk.layer > 0" :close-on-content-click="false">
      <template #activator="{ props: activator }">
        <button type="button" class="button plain" v-bind="activator">{{ current?.name }} settings ▾</button>
      </template>
      <div class="panel settings" role="dialog" :aria-label="`Settings of the layer ${current?.name}`">
        <p class="caption">{{ desk.reach(desk.layer) }}</p>
        <div class="colours" role="radiogroup" aria-label="Colour">
          <button
            v-for="colour in LAYER_COLOURS"
            :key="colour"
            type="button"
            role="radio"
            :class="`layer-${colour}`"
            :aria-checked="current?.colour === colour"
            :aria-label="colour"
            :title="colour"
            @click="change('layer colour', (profile) => setLayerColour(profile, desk.layer, colour))"
          />
        </div>
        <label v-if="sharable">
          Shared over the receiver
          <select class="field" :value="current?.signal ?? 0" @change="share">
            <option :value="0">no, this device alone</option>
            <option v-for="signal in MOST_SIGNAL" :key="signal" :value="signal">
              with signal {{ signal }}
            </option>
          </select>
        </label>
        <p v-if="sharable" class="caption">
          Devices on one receiver have their layers of the same signal on together, with no software: a key of
          the keyboard can hold a layer of the mouse. Both have to be on 2.4 GHz.
        </p>
        <div class="acts">
          <button type="button" class="button" @click="renaming = true">Rename…</button>
          <button type="button" class="button" :disabled="desk.layer === 1" @click="move(-1)">Lower</button>
          <button
            type="button"
            class="button"
            :disabled="desk.layer === desk.layers.length - 1"
            @click="move(1)"
          >
            Higher
          </button>
          <button type="button" class="button" @click="remove">Remove</button>
        </div>
        <p class="caption">A higher layer lies over the lower ones where several are on.</p>
      </div>
    </v-menu>
    <NameDialog
      v-model="adding"
      title="New layer"
      confirm="Add"
      :name="SUGGESTED[desk.layers.length - 1] ?? 'Layer'"
      :apply="add"
    />
    <NameDialog
      v-if="current"
      v-model="renaming"
      title="Rename the layer"
      :name="current.name"
      :apply="(name) => editor.edit('rename layer', (profile) => renameLayer(profile, desk.layer, name))"
    />
  </div>
</template>

<style scoped>
.layers {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.tab {
  display: inline-flex;
  min-height: 28px;
  align-items: center;
  gap: 6px;
  padding: 2px 10px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: var(--layer-wash);
  color: var(--layer);
  font: inherit;
  font-weight: 560;
  cursor: pointer;
}

.tab:hover {
  border-color: var(--layer);
}

.tab[aria-pressed='true'] {
  background: var(--layer);
  color: var(--paper);
}

.place {
  font-size: 12px;
}

.add {
  color: var(--ink-soft);
}

.settings {
  display: grid;
  width: 340px;
  gap: 10px;
  padding: 14px 16px;
}

.settings label {
  display: grid;
  gap: 3px;
}

.colours {
  display: flex;
  gap: 6px;
}

.colours button {
  width: 28px;
  height: 28px;
  border: 3px solid var(--paper-high);
  border-radius: 6px;
  background: var(--layer);
  cursor: pointer;
}

.colours [aria-checked='true'] {
  outline: 2px solid var(--ink);
}

.acts {
  display: flex;
  gap: 6px;
}
</style>

<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { clamp } from '../../core/base/numbers'
import type { EditName } from '../stores/edit-texts'
import { computed, ref } from 'vue'
import { MAX_SIGNAL, MAX_UPPER_LAYERS } from '../../core/onboard/image'
import {
  addLayer,
  moveLayer,
  removeLayer,
  renameLayer,
  setLayerColour,
  setLayerSignal,
} from '../../core/edits/layer-edits'
import { LAYER_COLOURS } from '../../core/document/schema'
import { COLOUR_NAMES } from '../../core/wording/colour-messages'
import { useCommands } from '../shared/commands'
import NameDialog from '../shared/NameDialog.vue'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'
import type { ButtonsView } from './buttons-view'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import { SelectField } from '../../look/SelectField'

/** The layers of the profile: the edited one, and the name, colour and sharing of each. */
const props = defineProps<{ work: ButtonsView }>()
const editor = useEditor()
const notices = useNotifications()
const adding = ref(false)
const renaming = ref(false)
const current = computed(() => props.work.layers[props.work.layer])
const sharable = computed(() => editor.model?.connections.some(({ id }) => id === 'receiver') ?? false)
/** Numbered like their marks: the first layer above the base has mark 1. */
const COUNTED = [
  'buttons.firstLayer',
  'buttons.secondLayer',
  'buttons.thirdLayer',
  'buttons.fourthLayer',
  'buttons.fifthLayer',
  'buttons.sixthLayer',
  'buttons.seventhLayer',
] as const
const suggested = computed(() => {
  const taken = new Set(props.work.layers.map(({ name }) => name.toLowerCase()))
  const names = COUNTED.map((name) => t(name))
  const free = names.slice(props.work.layers.length - 1).concat(names)
  return free.find((name) => !taken.has(name.toLowerCase())) ?? t('buttons.anotherLayer')
})
const full = computed(() => props.work.layers.length > MAX_UPPER_LAYERS)

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
  withTexts({ value: 0 }, { title: 'buttons.thisDeviceOnly' }),
  ...Array.from({ length: MAX_SIGNAL }, (_, at) => ({
    value: at + 1,
    title: t('buttons.signal', { number: at + 1 }),
  })),
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
    t('buttons.theLayerAndAllBindingsThat', { name }),
    { label: t('buttons.undo'), act: editor.undo },
    editor.asNow(),
  )
}

function move(by: 1 | -1): void {
  const { model } = editor
  const from = props.work.layer
  if (!model) return
  change(['move-layer'], (profile) => moveLayer(profile, model, from, from + by))
  choose(clamp(from + by, 1, props.work.layers.length - 1))
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5" role="group" :aria-label="t('buttons.layers')">
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
        <span v-if="index > 0" class="mono me-1.5 text-12">{{ index }}</span>{{ layer.name }}
      </v-btn>
    </v-btn-toggle>
    <v-btn
      variant="text"
      class="text-ink-soft"
      :disabled="full"
      :aria-describedby="full ? 'layers-full' : undefined"
      @click="adding = true"
    >
      {{ t('buttons.addLayer2') }}
    </v-btn>
    <span v-if="full" id="layers-full" class="caption soft">
      {{ t('buttons.aProfileCanHaveUpToLayers', { max: MAX_UPPER_LAYERS }) }}
    </span>
    <v-menu
      v-if="work.layer > 0"
      :close-on-content-click="false"
      :activator-props="{ 'aria-haspopup': 'dialog' }"
    >
      <template #activator="{ props: activator }">
        <v-btn variant="text" v-bind="activator"
          >{{ t('buttons.settings', { name: current?.name }) }} <span aria-hidden="true">▾</span></v-btn
        >
      </template>
      <v-card
        class="settings"
        role="dialog"
        :aria-label="t('buttons.settingsOfLayer', { name: current?.name })"
      >
        <p class="caption">{{ work.reach(work.layer) }}</p>
        <div class="colours" role="radiogroup" :aria-label="t('buttons.colour')">
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
            :aria-label="textOf(COLOUR_NAMES[colour])"
            :title="textOf(COLOUR_NAMES[colour])"
            @click="change(['layer-colour'], (profile) => setLayerColour(profile, work.layer, colour))"
          />
        </div>
        <SelectField
          v-if="sharable"
          :label="t('buttons.shareWithOtherDevices')"
          :items="signals"
          :model-value="current?.signal ?? 0"
          @update:model-value="share"
        />
        <p v-if="sharable" class="caption">
          {{ t('buttons.devicesOnOneReceiverActivateLayers') }}
        </p>
        <div class="acts">
          <v-btn @click="renaming = true">{{ t('buttons.rename') }}</v-btn>
          <v-btn :disabled="work.layer === 1" @click="move(-1)">{{ t('buttons.moveDown') }}</v-btn>
          <v-btn :disabled="work.layer === work.layers.length - 1" @click="move(1)">
            {{ t('buttons.moveUp') }}
          </v-btn>
          <v-btn @click="remove">{{ t('buttons.remove') }}</v-btn>
        </div>
        <p class="caption">
          <GlossaryTerm of="layer">{{ t('buttons.layers') }}</GlossaryTerm>
          {{ t('buttons.whereSeveralLayersAreActiveThe') }}
        </p>
      </v-card>
    </v-menu>
    <NameDialog
      v-model="adding"
      :title="t('buttons.newLayer')"
      :confirm="t('buttons.add')"
      :name="suggested"
      :apply="add"
    />
    <NameDialog
      v-if="current"
      v-model="renaming"
      :title="t('buttons.renameLayer')"
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

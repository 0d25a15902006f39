<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { hasFlanks, setHand } from '../../core/edits/edits'
import { layerOn, restOf } from '../../core/terms/light-state'
import ChoiceRow from '../../look/ChoiceRow.vue'
import BindingSheet from './BindingSheet.vue'
import ComputerMenu from './ComputerMenu.vue'
import { useButtonsWork } from './work'
import FindByPressing from './FindByPressing.vue'
import KeyboardDrawing from './KeyboardDrawing.vue'
import { inputLabels } from '../../core/text/input-labels'
import LabelledDrawing from './LabelledDrawing.vue'
import LayerTabs from './LayerTabs.vue'
import SheetTools from './SheetTools.vue'
import { useInAddress } from '../shared/in-address'
import LightsMove from '../../look/LightsMove.vue'
import { useFrames } from '../shared/frames'
import { useStepInForce } from '../shared/step-in-force'
import { useEditor } from '../stores/editor'

/** Where every input is, and what it does. */
const editor = useEditor()
const work = useButtonsWork()
const route = useRoute()
/** An address may bring an action that is looking for its input. */
watch(
  () => route.query.carry,
  (text) => work.carry(typeof text === 'string' ? text : undefined),
  { immediate: true },
)
useEventListener('keydown', ({ key }) => {
  if (key === 'Escape') work.carry(undefined)
})
/** The cell that is open, and the layer, stand in the address. */
useInAddress(
  ['input', 'layer'],
  () => ({ input: work.open?.input, layer: work.layer > 0 ? String(work.layer) : undefined }),
  ({ input, layer }) => {
    const index = Number(layer ?? 0)
    if (!work.layers[index]) return
    work.chooseLayer(index)
    if (input !== undefined) work.openCell({ layer: index, input })
  },
)
const step = useStepInForce()
/** The step that is in force on the device; with a layer chosen the lights are as they are while it is on. */
const state = computed(() => {
  const { profile, model } = editor
  if (!profile || !model) return undefined
  const layers = work.layer > 0 && profile.layers[work.layer] ? [layerOn(profile, model, work.layer, 0)] : []
  return { ...restOf(profile, step.value), layers }
})
const { lights, playing } = useFrames(
  computed(() => editor.profile),
  computed(() => editor.model),
  state,
)
const labels = computed(() =>
  editor.profile && work.context ? inputLabels(editor.profile, work.context, work.layer, work.pending) : {},
)
const HANDS = [
  { value: 'right', text: 'right hand', about: 'The thumb is on the left flank' },
  { value: 'left', text: 'left hand', about: 'The thumb is on the right flank' },
] as const

const pane = useTemplateRef<HTMLElement>('pane')
const { height } = useElementSize(pane)
/** A keyboard takes the upper part; the sheet keeps enough to be worked in. */
const drawingHeight = computed(() => Math.max(260, height.value * 0.49))
</script>

<template>
  <div
    v-if="editor.model && editor.profile && work.context"
    ref="pane"
    class="buttons grid h-full grid-cols-[minmax(0,1.12fr)_minmax(0,1fr)]"
    :class="[editor.model.kind, work.layer === 0 ? 'layer-base' : `layer-${work.layers[work.layer]?.colour}`]"
  >
    <KeyboardDrawing
      v-if="editor.model.kind === 'keyboard'"
      :hovered="work.hovered"
      :chosen="work.cursor?.input"
      :model="editor.model"
      :lights="lights"
      :labels="labels"
      :layout="editor.profile.computer.layout"
      :most-height="drawingHeight"
      @choose="work.openInput"
      @hover="work.hover"
      @drop="work.drop"
    >
      <LightsMove v-model="playing" class="lights absolute right-4 bottom-2" />
    </KeyboardDrawing>
    <LabelledDrawing
      v-else
      :hovered="work.hovered"
      :chosen="work.cursor?.input"
      :model="editor.model"
      :lights="lights"
      :labels="labels"
      :hand="editor.profile.hand"
      @choose="work.openInput"
      @hover="work.hover"
      @drop="work.drop"
    >
      <div v-if="hasFlanks(editor.model)" class="mb-2 flex items-center gap-2">
        <span class="caption">Both flanks close the same two switches. Held in the</span>
        <ChoiceRow
          label="Hand"
          :choices="HANDS"
          :model-value="editor.profile.hand"
          @update:model-value="
            (hand) => hand && editor.edit(['hand', { hand }], (profile) => setHand(profile, hand))
          "
        />
      </div>
      <LightsMove v-model="playing" />
      <FindByPressing :device="work.device" @found="work.openInput" />
    </LabelledDrawing>
    <section
      class="side flex min-h-0 min-w-0 flex-col border-t-3 border-l border-t-layer border-l-line bg-paper-low pt-2 pr-0 pb-0 pl-5 max-[1000px]:border-l-0"
      aria-label="Bindings"
    >
      <div class="bar flex flex-wrap items-center gap-x-1 gap-y-1.5">
        <LayerTabs :work="work" />
        <SheetTools v-if="editor.model.kind === 'keyboard'" :work="work" />
        <span class="flex-1" />
        <FindByPressing
          v-if="editor.model.kind === 'keyboard'"
          :device="work.device"
          @found="work.openInput"
        />
        <ComputerMenu />
        <v-btn :to="`/profile/${editor.openId}/cheat-sheet`">Cheat sheet</v-btn>
      </div>
      <SheetTools v-if="editor.model.kind === 'mouse'" :work="work" />
      <div class="contents" role="status">
        <p v-if="work.carrying" class="carrying">
          <strong>{{ work.carrying }}</strong> Choose the input it goes to, on the drawing or in the sheet.
          <v-btn @click="work.carry(undefined)">Leave it <v-kbd>Esc</v-kbd></v-btn>
        </p>
      </div>
      <div class="scroll"><BindingSheet :work="work" :context="work.context" /></div>
    </section>
  </div>
</template>

<style scoped>
.keyboard {
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr);
}

.keyboard .side {
  border-left: 0;
}

.bar,
.side > :nth-child(2):not(.scroll) {
  padding-right: 20px;
}

.scroll {
  min-height: 0;
  flex: 1;
  padding: 0 20px 14px 0;
  overflow: auto;
  container-type: inline-size;
  scroll-padding: 36px 20px 0 122px;
}

.carrying {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 12px;
  border-radius: 6px;
  margin: 4px 20px 4px 0;
  background: var(--layer-wash);
}

@media (width < 1000px) {
  .buttons {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 560px auto;
  }
}
</style>

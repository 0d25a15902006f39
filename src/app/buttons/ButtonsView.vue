<script setup lang="ts">
import { keyLegend } from '../../core/computer/layouts'
import { t, textOf, withTexts } from '../../messages/page'
import { refDebounced, useElementSize, useEventListener } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { isAmbidextrous, setHand } from '../../core/edits/edits'
import { activeLayerOf, stateAtRest } from '../../core/terms/light-state'
import ChoiceRow from '../../look/ChoiceRow.vue'
import BindingSheet from './BindingSheet.vue'
import ComputerMenu from './ComputerMenu.vue'
import { useButtonsView } from './buttons-view'
import FindByPressing from './FindByPressing.vue'
import KeyboardDrawing from './KeyboardDrawing.vue'
import { inputLabels } from '../../core/text/input-labels'
import LabelledDrawing from './LabelledDrawing.vue'
import LayerTabs from './LayerTabs.vue'
import SheetTools from './SheetTools.vue'
import { useAddressValue } from '../shared/address-value'
import LightsMove from '../../look/LightsMove.vue'
import { useFrames } from '../shared/frames'
import { useActiveStep } from '../shared/active-step'
import { useEditor } from '../stores/editor'

/** All inputs on the drawing, with their actions. */
const editor = useEditor()
const work = useButtonsView()
const route = useRoute()
/** The address may have an action to be bound to an input. */
watch(
  () => route.query.carry,
  (text) => work.carry(typeof text === 'string' ? text : undefined),
  { immediate: true },
)
useEventListener('keydown', ({ key }) => {
  if (key === 'Escape') work.carry(undefined)
})
/** The address has the open cell and the layer. */
useAddressValue(
  ['input', 'layer'],
  () => ({ input: work.open?.input, layer: work.layer > 0 ? String(work.layer) : undefined }),
  ({ input, layer }) => {
    const index = Number(layer ?? 0)
    if (!work.layers[index]) return
    work.chooseLayer(index)
    if (input !== undefined) work.openCell({ layer: index, input })
  },
)
const step = useActiveStep()
/** The active step of the device; for a selected layer, the lights are shown as while it is active. */
const state = computed(() => {
  const { profile, model } = editor
  if (!profile || !model) return undefined
  const layers =
    work.layer > 0 && profile.layers[work.layer] ? [activeLayerOf(profile, model, work.layer, 0)] : []
  return { ...stateAtRest(profile, step.value), layers }
})
/** True until a second after the last cell was closed, because the next one is often opened by then. */
const editing = refDebounced(
  computed(() => work.open !== undefined),
  computed(() => (work.open ? 0 : 1000)),
)
const { lights, playing } = useFrames(
  computed(() => editor.profile),
  computed(() => editor.model),
  state,
  () => editing.value,
)
const labels = computed(() =>
  editor.profile && work.context ? inputLabels(editor.profile, work.context, work.layer, work.pending) : {},
)
const HANDS = [
  withTexts({ value: 'right' }, { text: 'buttons.rightHand', about: 'buttons.yourThumbIsOnTheLeftSide' }),
  withTexts({ value: 'left' }, { text: 'buttons.leftHand', about: 'buttons.yourThumbIsOnTheRightSide' }),
] as const

const pane = useTemplateRef<HTMLElement>('pane')
const { height } = useElementSize(pane)
/** A keyboard is shown above; the sheet keeps enough room to work. */
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
      :max-height="drawingHeight"
      @choose="work.openInput"
      @hover="work.hover"
      @drop="work.drop"
    >
      <LightsMove v-model="playing" class="lights absolute end-4 bottom-2" />
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
      <div v-if="isAmbidextrous(editor.model)" class="mb-2 flex items-center gap-2">
        <span class="caption">{{ t('buttons.theButtonsOnBothSidesShareTwo') }}</span>
        <ChoiceRow
          :label="t('buttons.hand')"
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
      class="side flex min-h-0 min-w-0 flex-col border-s border-t-3 border-s-line border-t-layer bg-paper-low ps-5 pe-0 pt-2 pb-0 max-[1000px]:border-s-0"
      :aria-label="t('buttons.bindings')"
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
        <v-btn :to="`/profile/${editor.openId}/cheat-sheet`">{{ t('buttons.cheatSheet') }}</v-btn>
      </div>
      <SheetTools v-if="editor.model.kind === 'mouse'" :work="work" />
      <div class="contents" role="status">
        <p v-if="work.carrying" class="carrying">
          <strong>{{ work.carrying }}</strong> {{ t('buttons.selectTheInputForThisActionIn') }}
          <v-btn @click="work.carry(undefined)"
            >{{ t('buttons.cancel') }} <v-kbd>{{ textOf(keyLegend('Escape', 'us')) }}</v-kbd></v-btn
          >
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
  border-inline-start: 0;
}

.bar,
.side > :nth-child(2):not(.scroll) {
  padding-inline-end: 20px;
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

/*
 * The sheet has the remaining room regardless of its content, so that edits in it do not change the layout of anything
 * else.
 */
@media (width >= 1000px) {
  .scroll {
    contain: strict;
  }
}

@media (width < 1000px) {
  .buttons {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 560px auto;
  }
}
</style>

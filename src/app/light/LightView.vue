<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { mdiPlus } from '@mdi/js'
import { computed, ref } from 'vue'
import { VueDraggable, type SortableEvent } from 'vue-draggable-plus'
import { moveEffect } from '../../core/edits/light-edits'
import { MOST_ENTRIES } from '../../core/onboard/light-stack'
import { EFFECT_WORDS, itemName } from '../../core/text/light-words'
import LightsMove from '../../look/LightsMove.vue'
import BrightnessMenu from './BrightnessMenu.vue'
import LightFigures from './LightFigures.vue'
import LightStage from './LightStage.vue'
import LightStrip from './LightStrip.vue'
import PalettesDialog from './PalettesDialog.vue'
import PlayHead from './PlayHead.vue'
import SameLightDialog from './SameLightDialog.vue'
import StarterPanel from './StarterPanel.vue'
import StripPicture from './StripPicture.vue'
import TimeRuler from './TimeRuler.vue'
import { useLightWork } from './work'
import { useInAddress } from '../shared/in-address'
import TermWord from '../shared/TermWord.vue'
import { announce } from '../../look/announce'
import type { EffectName } from '../../core/effects/registry'

/** Light composed over its time: the device as it is lit at a moment, and beside it each effect as what it does. */
const work = useLightWork()
const { model, profile, stack } = work

/** Whose settings are open stands in the address, counted from 1. */
useInAddress(
  ['effect'],
  () => ({ effect: work.open.value === undefined ? undefined : String(work.open.value + 1) }),
  ({ effect }) => work.openAt(stack.value[Number(effect) - 1] && Number(effect) - 1),
)

const full = computed(() => stack.value.length >= MOST_ENTRIES)
/** The list is drawn from the profile: dragging asks for an edit, and the row stands where that puts it. */
const rows = computed({ get: () => stack.value.map((item, place) => ({ item, place })), set: () => {} })
function dropped({ oldIndex, newIndex }: SortableEvent): void {
  if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
  const effect = itemName(itemAt(stack.value, oldIndex))
  work.openAt(undefined)
  work.edit(['move-effect', { effect, place: newIndex + 1 }], (current) =>
    moveEffect(current, oldIndex, newIndex),
  )
}
const starting = ref(false)
const elsewhere = ref(false)
const coloured = ref(false)
const sum = computed(() => work.lowered(work.shown.value))

function add(kind: EffectName): void {
  work.add(kind)
  announce(`${EFFECT_WORDS[kind].text} added on top`)
}
</script>

<template>
  <div
    v-if="profile && model"
    class="light grid h-full grid-cols-[minmax(360px,2fr)_minmax(560px,3fr)]"
    :class="model.kind"
  >
    <LightStage :work="work" />
    <section
      class="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] border-l border-line bg-paper-low"
      aria-label="Effects over each other"
    >
      <div class="overflow-auto">
        <div class="relative">
          <PlayHead :work="work" />
          <TimeRuler :work="work" />
          <StarterPanel v-if="starting" :work="work" @done="starting = false" />
          <template v-else>
            <VueDraggable
              v-model="rows"
              tag="ol"
              class="m-0 list-none p-0"
              handle=".grip"
              aria-label="Effects, top first"
              @end="dropped"
            >
              <LightStrip
                v-for="{ item, place } in rows"
                :key="place"
                :item="item"
                :place="place"
                :work="work"
              />
            </VueDraggable>
            <p v-if="stack.length === 0" class="px-5 py-4.5 text-ink-soft">
              No effect: all lights are dark. The first one you add is on
              {{ work.chosen.value.size ? 'the chosen lights' : 'all lights' }}.
            </p>
            <div class="add relative z-2 flex flex-wrap gap-2 pt-2 pr-4 pb-3.5 pl-7.5">
              <v-menu>
                <template #activator="{ props: activator }">
                  <v-btn
                    :prepend-icon="mdiPlus"
                    v-bind="activator"
                    :disabled="full"
                    :title="full ? `There can be ${MOST_ENTRIES} effects over each other` : undefined"
                  >
                    Effect on {{ work.chosen.value.size ? 'the chosen lights' : 'all lights' }}
                  </v-btn>
                </template>
                <v-list role="menu" aria-label="Effects" max-height="420">
                  <v-list-item
                    v-for="kind in work.kinds.value"
                    :key="kind"
                    role="menuitem"
                    :title="EFFECT_WORDS[kind].text"
                    :subtitle="EFFECT_WORDS[kind].about"
                    @click="add(kind)"
                  />
                </v-list>
              </v-menu>
              <v-btn @click="starting = true">Begin from…</v-btn>
              <v-btn :disabled="stack.length === 0" @click="elsewhere = true">Same light elsewhere…</v-btn>
              <v-btn @click="coloured = true">Palettes…</v-btn>
              <PalettesDialog v-if="coloured" v-model="coloured" />
              <SameLightDialog v-if="elsewhere" v-model="elsewhere" :work="work" />
            </div>
          </template>
          <div
            class="sum grid grid-cols-[158px_minmax(0,1fr)_116px] gap-3.5 border-t-[1.5px] border-ink pt-3 pr-4 pb-3.5 pl-3.25"
          >
            <div>
              <h2>What the lights show</h2>
              <p class="caption">the sum of all <TermWord of="effect">effects</TermWord></p>
              <LightsMove v-model="work.playing.value" />
            </div>
            <div class="relative h-24">
              <StripPicture
                :stack="sum"
                :model="model"
                :window-ms="work.windowMs.value"
                :level="work.level.value"
                :state="work.state"
                :label="`What all lights show in ${work.windowMs.value / 1000} s`"
              />
            </div>
          </div>
        </div>
      </div>
      <div class="flex items-center justify-between gap-3 border-t border-line bg-paper px-4 py-1.5">
        <LightFigures :work="work" />
        <BrightnessMenu :work="work" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.light.keyboard {
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: minmax(320px, 54%) minmax(0, 1fr);
}

.sum .v-btn {
  margin-top: 8px;
}

@media (width < 700px) {
  .sum {
    padding-right: 54px;
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (width < 1000px) {
  .light,
  .light.keyboard {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 480px auto;
  }
}
</style>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { itemAt } from '../../core/base/items'
import { mdiPlus } from '@mdi/js'
import { computed, ref } from 'vue'
import { VueDraggable, type SortableEvent } from 'vue-draggable-plus'
import { moveEffect } from '../../core/edits/light-edits'
import { MAX_ENTRIES } from '../../core/onboard/light-stack'
import { EFFECT_MESSAGES } from '../../core/wording/effect-messages'
import { stackItemName } from '../../core/text/light-messages'
import LightsMove from '../../look/LightsMove.vue'
import BrightnessMenu from './BrightnessMenu.vue'
import LightFigures from './LightFigures.vue'
import LightStage from './LightStage.vue'
import LightStrip from './LightStrip.vue'
import PalettesDialog from './PalettesDialog.vue'
import PlayHead from './PlayHead.vue'
import CopyLightDialog from './CopyLightDialog.vue'
import StarterPanel from './StarterPanel.vue'
import StripPicture from './StripPicture.vue'
import TimeRuler from './TimeRuler.vue'
import { useLightView } from './light-view'
import { useAddressValue } from '../shared/address-value'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import { announce } from '../../look/announce'
import type { EffectName } from '../../core/effects/registry'

/** Light over time: the device with its lights at a time, next to the strips of its effects. */
const work = useLightView()
const { model, profile, stack } = work

/** The address has the effect with open settings, counted from 1. */
useAddressValue(
  ['effect'],
  () => ({ effect: work.open.value === undefined ? undefined : String(work.open.value + 1) }),
  ({ effect }) => work.openAt(stack.value[Number(effect) - 1] && Number(effect) - 1),
)

const full = computed(() => stack.value.length >= MAX_ENTRIES)
/** The list is rendered from the profile: dragging requests an edit, which moves the row. */
const rows = computed({ get: () => stack.value.map((item, place) => ({ item, place })), set: () => {} })
function dropped({ oldIndex, newIndex }: SortableEvent): void {
  if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
  const effect = stackItemName(itemAt(stack.value, oldIndex))
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
  announce(t('light.addedOnTop', { effect: textOf(EFFECT_MESSAGES[kind].name) }))
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
      class="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] border-s border-line bg-paper-low"
      :aria-label="t('light.effectStack')"
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
              :aria-label="t('light.effectsFromTopToBottom')"
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
              {{
                work.chosen.value.size
                  ? t('light.noEffectsYetAllLightsAreOff')
                  : t('light.noEffectsYetAllLightsAreOff2')
              }}
            </p>
            <div class="add relative z-2 flex flex-wrap gap-2 ps-7.5 pe-4 pt-2 pb-3.5">
              <v-menu>
                <template #activator="{ props: activator }">
                  <v-btn
                    :prepend-icon="mdiPlus"
                    v-bind="activator"
                    :disabled="full"
                    :title="full ? t('light.aStackCanHaveUpToEffects', { max: MAX_ENTRIES }) : undefined"
                  >
                    {{
                      work.chosen.value.size
                        ? t('light.addEffectToSelectedLights')
                        : t('light.addEffectToAllLights')
                    }}
                  </v-btn>
                </template>
                <v-list role="menu" :aria-label="t('light.effects')" max-height="420">
                  <v-list-item
                    v-for="kind in work.kinds.value"
                    :key="kind"
                    role="menuitem"
                    :title="textOf(EFFECT_MESSAGES[kind].name)"
                    :subtitle="textOf(EFFECT_MESSAGES[kind].about)"
                    @click="add(kind)"
                  />
                </v-list>
              </v-menu>
              <v-btn @click="starting = true">{{ t('light.useAStarter') }}</v-btn>
              <v-btn :disabled="stack.length === 0" @click="elsewhere = true">{{
                t('light.copyLightToProfiles')
              }}</v-btn>
              <v-btn @click="coloured = true">{{ t('light.palettes') }}</v-btn>
              <PalettesDialog v-if="coloured" v-model="coloured" />
              <CopyLightDialog v-if="elsewhere" v-model="elsewhere" :work="work" />
            </div>
          </template>
          <div
            class="sum grid grid-cols-[158px_minmax(0,1fr)_116px] gap-3.5 border-t-[1.5px] border-ink ps-3.25 pe-4 pt-3 pb-3.5"
          >
            <div>
              <h2>{{ t('light.lightPreview') }}</h2>
              <p class="caption">
                <RichMessage message="light.allCombined">
                  <template #effects
                    ><GlossaryTerm of="effect">{{ t('light.effects2') }}</GlossaryTerm></template
                  >
                </RichMessage>
              </p>
              <LightsMove v-model="work.playing.value" />
            </div>
            <div class="relative h-24">
              <StripPicture
                :stack="sum"
                :model="model"
                :window-ms="work.windowMs.value"
                :level="work.level.value"
                :state="work.state"
                :label="t('light.allLightsOverS', { seconds: work.windowMs.value / 1000 })"
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
    padding-inline-end: 54px;
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

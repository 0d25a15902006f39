<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import type { EditName } from '../stores/edit-texts'
import { computed, onUnmounted } from 'vue'
import {
  LIGHT_STARTERS,
  starterStack,
  applyLightStarter,
  type LightStarter,
} from '../../core/edits/light-starters'
import type { LightState } from '../../core/effects/effect'
import { triggeredState } from '../../core/timeline/marks'
import StripPicture from './StripPicture.vue'
import type { LightView } from './light-view'

/**
 * Starters for light, each drawn on this device, with a preview on the whole device, and applied completely or to some
 * lights.
 */
const props = defineProps<{ work: LightView }>()
const emit = defineEmits<{ done: [] }>()
const model = computed(() => props.work.model.value)
const starters = computed(() => {
  const known = model.value
  if (!known) return []
  return LIGHT_STARTERS.flatMap((starter) => {
    const stack = starterStack(starter, known, { kind: 'all' })
    if (stack.length === 0) return []
    const [name, about] = [textOf(starter.name), textOf(starter.about)]
    return [{ starter, name, about, stack, lowered: props.work.lowered(stack) }]
  })
})
/** With a press, a layer and a countdown, so that all of it is visible. */
const state = computed(() => (ms: number): LightState | undefined => {
  const now = props.work.state(ms)
  const { profile, windowMs } = props.work
  const map = starters.value.flatMap(({ lowered }) => lowered).find(({ effect }) => effect.kind === 'layers')
  if (!now || !profile.value || !model.value || !map) return now
  return triggeredState(now, ms, map, {
    profile: profile.value,
    model: model.value,
    windowMs: windowMs.value,
  })
})

function take(starter: LightStarter, over: boolean): void {
  const known = model.value
  if (!known) return
  const where = over ? props.work.selectedPlace.value : ({ kind: 'all' } as const)
  const label: EditName = ['light-starter', { starter: starter.name, chosen: over }]
  if (!props.work.edit(label, (current) => applyLightStarter(current, known, starter, { where, over })))
    return
  props.work.close()
  emit('done')
}
onUnmounted(() => props.work.look(undefined))
</script>

<template>
  <section class="ps-5 pe-4 pt-2.5 pb-5" :aria-label="t('light.lightStarters')">
    <div class="title flex items-center gap-3 pb-2">
      <h2>{{ t('light.lightStarters') }}</h2>
      <span class="soft">{{ t('light.eachPreviewShowsThisYouCanUndo', { device: model?.kind }) }}</span>
      <v-btn size="small" class="ms-auto" @click="emit('done')">{{ t('light.backToTheEffects') }}</v-btn>
    </div>
    <ul class="m-0 list-none p-0">
      <li
        v-for="{ starter, name, about, stack, lowered } in starters"
        :key="starter.id"
        class="grid grid-cols-[190px_minmax(0,1fr)_132px] items-center gap-3.5 border-t border-line px-0 py-2"
      >
        <div class="words">
          <h3>{{ name }}</h3>
          <p class="caption">{{ about }}</p>
        </div>
        <div class="h-13">
          <StripPicture
            v-if="model"
            :stack="lowered"
            :model="model"
            :window-ms="work.windowMs.value"
            :level="work.level.value"
            :state="state"
            :label="t('light.overS', { name, seconds: work.windowMs.value / 1000 })"
          />
        </div>
        <div class="flex flex-wrap gap-1.5">
          <v-btn
            size="small"
            :aria-pressed="work.looked.value === stack"
            :aria-label="t('light.preview', { name })"
            @click="work.look(work.looked.value === stack ? undefined : stack)"
          >
            {{ t('light.preview2') }}
          </v-btn>
          <v-btn
            size="small"
            variant="flat"
            color="ink"
            :aria-label="t('light.apply', { name })"
            @click="take(starter, false)"
          >
            {{ t('light.apply2') }}
          </v-btn>
          <v-btn
            v-if="work.chosen.value.size > 0"
            size="small"
            :aria-label="t('light.applyToSelectedLights', { name })"
            @click="take(starter, true)"
          >
            {{ t('light.applyToSelection') }}
          </v-btn>
        </div>
      </li>
    </ul>
  </section>
</template>

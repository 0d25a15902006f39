<script setup lang="ts">
import type { EditName } from '../stores/edit-words'
import { computed, onUnmounted } from 'vue'
import { LIGHT_STARTERS, starterStack, takeStarter, type LightStarter } from '../../core/edits/light-starters'
import type { LightState } from '../../core/effects/effect'
import { asIfSetOff } from '../../core/timeline/marks'
import StripPicture from './StripPicture.vue'
import type { LightWork } from './work'

/** Light to begin from: each drawn on this device, looked at on the whole of it, and taken whole or on some lights. */
const props = defineProps<{ work: LightWork }>()
const emit = defineEmits<{ done: [] }>()
const model = computed(() => props.work.model.value)
const starters = computed(() => {
  const known = model.value
  if (!known) return []
  return LIGHT_STARTERS.flatMap((starter) => {
    const stack = starterStack(starter, known, { kind: 'all' })
    return stack.length > 0 ? [{ starter, stack, lowered: props.work.lowered(stack) }] : []
  })
})
/** As it is with a press, a layer and a countdown, so that all of it is seen. */
const state = computed(() => (ms: number): LightState | undefined => {
  const now = props.work.state(ms)
  const { profile, windowMs } = props.work
  const map = starters.value.flatMap(({ lowered }) => lowered).find(({ effect }) => effect.kind === 'layers')
  if (!now || !profile.value || !model.value || !map) return now
  return asIfSetOff(now, ms, map, { profile: profile.value, model: model.value, windowMs: windowMs.value })
})

function take(starter: LightStarter, over: boolean): void {
  const known = model.value
  if (!known) return
  const where = over ? props.work.chosenPlace.value : ({ kind: 'all' } as const)
  const label: EditName = ['light-starter', { starter: starter.name, chosen: over }]
  if (!props.work.edit(label, (current) => takeStarter(current, known, starter, { where, over }))) return
  props.work.close()
  emit('done')
}
onUnmounted(() => props.work.look(undefined))
</script>

<template>
  <section class="pt-2.5 pr-4 pb-5 pl-5" aria-label="Light to begin from">
    <div class="title flex items-center gap-3 pb-2">
      <h2>Begin from</h2>
      <span class="soft">Drawn as it is on this {{ model?.kind }}. Each can be taken back.</span>
      <v-btn size="small" class="ml-auto" @click="emit('done')">Back to the effects</v-btn>
    </div>
    <ul class="m-0 list-none p-0">
      <li
        v-for="{ starter, stack, lowered } in starters"
        :key="starter.id"
        class="grid grid-cols-[190px_minmax(0,1fr)_132px] items-center gap-3.5 border-t border-line px-0 py-2"
      >
        <div class="words">
          <h3>{{ starter.name }}</h3>
          <p class="caption">{{ starter.about }}</p>
        </div>
        <div class="h-13">
          <StripPicture
            v-if="model"
            :stack="lowered"
            :model="model"
            :window-ms="work.windowMs.value"
            :level="work.level.value"
            :state="state"
            :label="`What ${starter.name} shows in ${work.windowMs.value / 1000} s`"
          />
        </div>
        <div class="flex flex-wrap gap-1.5">
          <v-btn
            size="small"
            :aria-pressed="work.looked.value === stack"
            :aria-label="`Look at ${starter.name}`"
            @click="work.look(work.looked.value === stack ? undefined : stack)"
          >
            Look
          </v-btn>
          <v-btn
            size="small"
            variant="flat"
            color="ink"
            :aria-label="`Take ${starter.name}`"
            @click="take(starter, false)"
          >
            Take
          </v-btn>
          <v-btn
            v-if="work.chosen.value.size > 0"
            size="small"
            :aria-label="`Put ${starter.name} on the chosen lights`"
            @click="take(starter, true)"
          >
            On the chosen
          </v-btn>
        </div>
      </li>
    </ul>
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { useElementSize } from '@vueuse/core'
import { useTemplateRef } from 'vue'
import { fromHex } from '../../core/base/colour'
import { meanColour } from '../../core/light/effects'
import { setEffect } from '../../core/document/edits'
import { lowerEffect } from '../../core/document/onboard-terms'
import type { Effect } from '../../core/document/schema'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import LightsMove from '../../look/LightsMove.vue'
import { useFrames } from '../shared/frames'
import { usePending } from '../stores/pending'
import ZoneEffect from './ZoneEffect.vue'
import { useEditor } from '../stores/editor'

/** What the lights show, playing on the drawing as the device will play it. */
const editor = useEditor()
const { edits } = usePending()
const profile = computed(() => editor.profile)
const model = computed(() => editor.model)
const { colours, playing } = useFrames(profile, model)
const pending = computed(() => new Set(edits.value.map(({ what }) => what)))

const pane = useTemplateRef<HTMLElement>('pane')
const { width, height } = useElementSize(pane)
const scale = computed(() => {
  const sheet = model.value?.sheet
  return sheet
    ? Math.max(1, Math.min((width.value - 120) / sheet.widthMm, (height.value - 120) / sheet.heightMm))
    : 1
})

const zones = computed(() =>
  (model.value?.zones ?? []).flatMap((zone) => {
    const effect = profile.value?.light[zone.id]
    if (!effect || !model.value) return []
    const step = profile.value?.steps[profile.value.defaultStep]?.colour
    const { red, green, blue } = meanColour([lowerEffect(effect)], step ? fromHex(step) : undefined)
    const currentMa = ((red + green + blue) / 255) * model.value.electrical.lightMa * zone.lights
    return [{ zone, effect, currentMa }]
  }),
)

function change(zoneId: string, zoneName: string, effect: Effect, what: string): void {
  const { value } = model
  if (value)
    editor.edit(
      `${zoneName} ${what}`,
      (current) => setEffect(current, value, zoneId, effect),
      `${zoneId} ${what}`,
    )
}
</script>

<template>
  <div v-if="profile && model" class="light">
    <div ref="pane" class="preview sheet">
      <DeviceDrawing
        v-if="width > 0"
        :model="model"
        :scale="scale"
        :colours="colours"
        :title="`${model.name} with its lights as the device plays them`"
      />
      <div class="play">
        <LightsMove v-model="playing" />
        <span class="caption">The device’s own computation, 60 frames a second</span>
      </div>
    </div>
    <section class="side">
      <h2>Light</h2>
      <p class="soft intro">Each zone plays from the {{ model.kind }}’s own memory.</p>
      <ZoneEffect
        v-for="{ zone, effect, currentMa } in zones"
        :key="zone.id"
        :zone="zone"
        :effect="effect"
        :current-ma="currentMa"
        :indicator="zone.id === model.indicatorZone"
        :steps="model.sensor !== undefined"
        :pending="pending.has(zone.name)"
        @change="(next, what) => change(zone.id, zone.name, next, what)"
      />
    </section>
  </div>
</template>

<style scoped>
.light {
  display: grid;
  height: 100%;
  grid-template-columns: minmax(0, 1fr) minmax(400px, 480px);
}

.preview {
  position: relative;
  display: grid;
  min-width: 0;
  place-items: center;
  overflow: hidden;
}

.play {
  position: absolute;
  bottom: 14px;
  left: 20px;
  display: flex;
  align-items: center;
  gap: 10px;
}

.side {
  padding: 18px 24px;
  border-left: 1px solid var(--line);
  overflow: auto;
  background: var(--paper-low);
}

.intro {
  margin-bottom: 14px;
}

@media (width < 1000px) {
  .light {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 480px auto;
  }
}
</style>

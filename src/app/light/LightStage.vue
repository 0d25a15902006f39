<script setup lang="ts">
import { t, textOf, withTexts } from '../../messages/page'
import { useElementSize } from '@vueuse/core'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { boxOf, type Box } from '../../core/device/shapes'
import { lightsIn } from '../../core/edits/light-edits'
import { activeLayerOf } from '../../core/terms/light-state'
import { lightsOfModel, rowsOfLights } from '../../core/light/plan'
import { lightName } from '../../core/text/light-messages'
import { parseLights } from '../../core/text/parse-lights'
import ChoiceRow from '../../look/ChoiceRow.vue'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { followPointer } from '../shared/follow-pointer'
import type { LightView } from './light-view'
import { useOwnSetting } from '../../look/own-storage'

/** The device as large as it fits, with its lights at the previewed time. Lights are selected on it. */
const props = defineProps<{ work: LightView }>()
const model = computed(() => props.work.model.value)
const ROOMS = [
  withTexts({ value: 'dark' }, { text: 'light.darkRoom' }),
  withTexts({ value: 'lit' }, { text: 'light.brightRoom' }),
] as const
const room = useOwnSetting<'dark' | 'lit'>('unisera-room', 'dark')

const pane = useTemplateRef<HTMLElement>('pane')
const over = useTemplateRef<SVGSVGElement>('over')
const { width, height } = useElementSize(pane)
const scale = computed(() => {
  const sheet = model.value?.sheet
  if (!sheet) return 1
  return Math.max(0.6, Math.min((width.value - 48) / sheet.widthMm, (height.value - 20) / sheet.heightMm))
})

/** The area for pointing at each light: its shape with a margin. */
const AROUND_MM = 1.2
const targets = computed(() => {
  const known = model.value
  if (!known) return []
  return lightsOfModel(known).flatMap((light) =>
    light.shapes.map(({ view, shape }) => {
      const at = known.sheet.views.find(({ id }) => id === view)?.at ?? [0, 0]
      const own = light.input ? known.inputs.find(({ id }) => id === light.input) : undefined
      const onView = own?.shapes.find((placed) => placed.view === view)?.shape ?? shape
      const { x, y, width: wide, height: high } = boxOf(onView)
      const box: Box = {
        x: x + at[0] - (own ? 0 : AROUND_MM),
        y: y + at[1] - (own ? 0 : AROUND_MM),
        width: wide + (own ? 0 : 2 * AROUND_MM),
        height: high + (own ? 0 : 2 * AROUND_MM),
      }
      return { id: light.id, box, name: lightName(light, known) }
    }),
  )
})

/** A frame over lights selects them; with Shift, it toggles them. */
const frame = shallowRef<Box>()
function down(event: PointerEvent): void {
  const sheet = model.value?.sheet
  if (!over.value || !sheet) return
  followPointer(
    event,
    over.value,
    (at, from) => {
      frame.value = {
        x: Math.min(from.x, at.x) * sheet.widthMm,
        y: Math.min(from.y, at.y) * sheet.heightMm,
        width: Math.abs(at.x - from.x) * sheet.widthMm,
        height: Math.abs(at.y - from.y) * sheet.heightMm,
      }
    },
    () => {
      if (frame.value) props.work.choose(lightsUnder(frame.value), event.shiftKey ? 'toggle' : 'only')
      frame.value = undefined
    },
  )
}

function lightsUnder(box: Box): string[] {
  const touches = (other: Box) =>
    other.x < box.x + box.width + 0.01 &&
    box.x < other.x + other.width &&
    other.y < box.y + box.height + 0.01 &&
    box.y < other.y + other.height
  return [...new Set(targets.value.flatMap(({ id, box: own }) => (touches(own) ? id : [])))]
}

/** Rows of lights from the top, if a device has more than one light in a row. */
const rows = computed(() => (model.value ? rowsOfLights(model.value) : []))
function chooseRow({ target }: Event): void {
  const id = target instanceof SVGElement ? target.dataset.light : undefined
  const row = rows.value.find((ids) => id !== undefined && ids.includes(id))
  if (row) props.work.choose(row)
}

const zones = computed(() => {
  const known = model.value
  return (known?.zones ?? []).map(({ id, name, lights }) => ({
    id,
    name: textOf(name),
    count: lights.length,
    lights: known ? lightsIn(known, { kind: 'zones', zones: [id] }) : [],
  }))
})
const isWhole = (ids: readonly string[]) => ids.every((id) => props.work.chosen.value.has(id))

/** The lights of the inputs bound on each layer. */
const layers = computed(() => {
  const { profile } = props.work
  const known = model.value
  if (!profile.value || !known) return []
  const current = profile.value
  return current.layers.slice(1).flatMap(({ name }, index) => {
    const { inputs } = activeLayerOf(current, known, index + 1, 0)
    const ids = lightsOfModel(known).flatMap(({ id, input }) => {
      const number = known.inputs.find((each) => each.id === input)?.number
      return number !== undefined && inputs.has(number) ? id : []
    })
    return ids.length > 0 ? [{ name, ids }] : []
  })
})

/** Zones, and inputs of a layer, whose lights are all selected. */
const whole = computed(() => [
  ...zones.value.filter(({ lights }) => isWhole(lights)).map(({ id }) => id),
  ...layers.value.filter(({ ids }) => isWhole(ids)).map(({ name }) => `layer ${name}`),
])

const typed = ref('')
const strange = ref<string>()
function chooseTyped(): void {
  const known = model.value
  if (!known || typed.value.trim() === '') return
  const { lights, unknown } = parseLights(typed.value, known, textOf)
  strange.value = unknown && t('light.noLightIsCalledEnterNamesSuch', { examples: examples.value, unknown })
  if (unknown !== undefined) return
  props.work.choose(lights)
  typed.value = ''
}
const examples = computed(() =>
  model.value?.kind === 'keyboard' ? t('light.wASDRow2') : `“${zones.value[0]?.name} 1-3”`,
)

const told = computed(() => {
  const count = props.work.chosen.value.size
  if (count === 0) return t('light.noLightsSelectedNewEffectsUseAll')
  return t('light.lightSelectedANewEffectUsesIt', { count })
})
</script>

<template>
  <v-theme-provider
    v-if="model"
    :theme="room === 'dark' ? 'dark' : undefined"
    class="min-h-0 min-w-0"
    with-background
  >
    <section
      class="stage relative grid h-full min-w-0 grid-cols-1 grid-rows-[auto_minmax(0,1fr)_auto]"
      :class="[room, model.kind]"
      :aria-label="t('light.deviceLights')"
    >
      <div class="bar flex flex-wrap items-center gap-2.5 px-4 pt-3 pb-0">
        <ChoiceRow v-model="room" :label="t('light.room')" :choices="ROOMS" />
      </div>
      <div ref="pane" class="pane grid min-h-[200px] place-items-center overflow-hidden">
        <div v-if="width > 0" class="place relative">
          <DeviceDrawing
            :model="model"
            :scale="scale"
            :lights="work.lights"
            :layout="model.kind === 'keyboard' ? work.profile.value?.computer.layout : undefined"
            :title="t('light.withItsLightsAsTheDeviceShows', { name: model.name })"
          />
          <svg
            ref="over"
            class="over absolute inset-0 h-full w-full cursor-crosshair touch-none"
            :viewBox="`0 0 ${model.sheet.widthMm} ${model.sheet.heightMm}`"
            aria-hidden="true"
            @pointerdown="down"
            @dblclick="chooseRow"
          >
            <rect
              v-for="({ id, box }, index) in targets"
              :key="index"
              v-bind="box"
              rx="1.4"
              :data-light="id"
              :class="{ chosen: work.chosen.value.has(id) }"
            />
            <rect v-if="frame" v-bind="frame" class="frame" />
          </svg>
        </div>
      </div>
      <div class="choose grid grid-cols-1 gap-2 px-4 pt-0 pb-3.5">
        <span role="status">{{ told }}</span>
        <div class="flex flex-wrap items-start gap-1.5">
          <v-btn-toggle :model-value="whole" multiple size="small" class="contents">
            <v-btn
              v-for="zone in zones"
              :key="zone.id"
              :value="zone.id"
              :aria-pressed="isWhole(zone.lights)"
              @click="work.choose(zone.lights, 'toggle')"
            >
              {{ zone.name }} <span class="font-normal text-ink-soft">{{ zone.count }}</span>
            </v-btn>
            <v-btn
              v-for="{ name, ids } in layers"
              :key="name"
              :value="`layer ${name}`"
              :aria-pressed="isWhole(ids)"
              :title="t('light.lightsOfTheInputsBoundIn', { name })"
              @click="work.choose(ids, 'toggle')"
            >
              {{ t('light.boundIn', { name }) }}
            </v-btn>
          </v-btn-toggle>
          <v-btn
            size="small"
            variant="text"
            :disabled="work.chosen.value.size === 0"
            @click="work.choose([])"
          >
            {{ t('light.none') }}
          </v-btn>
          <v-text-field
            v-model="typed"
            class="in-row typed ms-auto"
            width="190"
            :placeholder="t('light.namesEG', { examples })"
            :aria-label="t('light.selectLightsByName')"
            :error-messages="strange"
            @keydown.enter="chooseTyped"
            @keydown.esc.stop="typed = ''"
          />
        </div>
      </div>
    </section>
  </v-theme-provider>
</template>

<style scoped>
.stage.dark {
  background: var(--dark-room);
  color: var(--ink);
}

.dark .place :deep(.body) {
  filter: brightness(0.82);
}

.over rect {
  fill: transparent;
  stroke: transparent;
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}

.over rect:hover {
  stroke: var(--light-edge);
}

.over rect.chosen {
  stroke: var(--light-selected);
  stroke-dasharray: 4 3;
}

.over .frame {
  fill: color-mix(in srgb, var(--light-selected) 12%, transparent);
  stroke: var(--light-selected);
}

.stage.keyboard {
  grid-template-columns: auto minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr);
}

.keyboard .pane {
  grid-column: 1 / -1;
  grid-row: 2;
}

.keyboard .choose {
  padding-top: 12px;
  padding-bottom: 0;
  grid-column: 2;
  grid-row: 1;
}

.keyboard .choose > [role='status'] {
  position: absolute;
  bottom: 10px;
  inset-inline-start: 16px;
}

@media (width < 700px) {
  .stage.keyboard {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto minmax(0, 1fr);
  }

  .keyboard .choose {
    grid-column: 1;
    grid-row: 2;
  }

  .keyboard .pane {
    grid-row: 3;
  }
}
</style>

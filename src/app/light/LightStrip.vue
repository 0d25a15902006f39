<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { mdiContentCopy, mdiDeleteOutline, mdiDragVertical, mdiEyeOffOutline, mdiEyeOutline } from '@mdi/js'
import { computed, useTemplateRef } from 'vue'
import type { StackItem } from '../../core/document/light'
import { duplicateEffect, moveEffect, removeEffect } from '../../core/edits/light-edits'
import { PERIOD } from '../../core/effects/effect'
import { stackItemName } from '../../core/text/light-messages'
import MoveButtons from '../shared/MoveButtons.vue'
import EffectSettings from './EffectSettings.vue'
import HandSlider from './HandSlider.vue'
import { useStripPointer } from './strip-pointer'
import { useStripShown } from './strip-shown'
import StripPicture from './StripPicture.vue'
import type { LightView } from './light-view'

/**
 * One effect as a strip of its light over time: dragged sideways for its start phase, at its end for its period, at its
 * side for its opacity. Its settings open below it.
 */
const props = defineProps<{ item: StackItem; place: number; work: LightView }>()
const effect = computed(() => stackItemName(props.item))
const name = computed(() => textOf(effect.value))
const band = useTemplateRef<HTMLElement>('band')
const { entry, drawn, stateDrawn, idle, lightRows, about } = useStripShown(props)
const { period, shift, setShift, dragShift, setPeriod, dragPeriod, setOpacity, dragOpacity } =
  useStripPointer(props, entry, band)
const isOpen = computed(() => props.work.open.value === props.place)
const isWithout = computed(() => props.work.without.value.has(props.place))
function move(to: number): void {
  props.work.edit(['move-effect', { effect: effect.value, place: to + 1 }], (current) =>
    moveEffect(current, props.place, to),
  )
  props.work.openAt(isOpen.value ? to : undefined)
}
function remove(): void {
  props.work.close()
  props.work.edit(['remove-effect', { effect: effect.value }], (current) =>
    removeEffect(current, props.place),
  )
}
const duplicate = () =>
  props.work.edit(['copy-effect', { effect: effect.value }], (current) =>
    duplicateEffect(current, props.place),
  )
</script>

<template>
  <li
    class="effect grid grid-cols-[158px_minmax(0,1fr)_24px_78px] items-center gap-x-3.5 gap-y-1 border-s-3 border-transparent py-2 ps-2.5 pe-4"
    :class="{ open: isOpen, without: isWithout, idle }"
    :aria-label="name"
  >
    <div class="info relative min-w-0 ps-5">
      <span
        class="grip absolute start-0 top-1 cursor-grab text-ink-faint"
        :title="t('light.dragToReorder')"
        aria-hidden="true"
        ><v-icon :icon="mdiDragVertical"
      /></span>
      <v-btn
        variant="text"
        class="name"
        :aria-expanded="isOpen"
        :disabled="!entry"
        :title="t('light.settingsOf', { name })"
        @click="work.openAt(isOpen ? undefined : place)"
      >
        {{ name }}
      </v-btn>
      <span
        v-if="work.isPending(place)"
        class="pending ms-1.5 text-pending"
        :title="t('light.unwrittenChanges')"
        >●</span
      >
      <p class="caption" :title="about.what">{{ about.what }}</p>
      <p class="caption" :title="about.when">
        <span v-if="idle">{{ `${t('light.inactive')} ` }}</span>{{ about.when }}
      </p>
    </div>
    <div ref="band" class="band relative h-13 rounded-4 bg-unlit">
      <StripPicture
        v-if="work.model.value && !isWithout"
        :stack="drawn"
        :model="work.model.value"
        :window-ms="work.windowMs.value"
        :level="work.level.value"
        :state="stateDrawn"
        :rows="lightRows"
        :label="t('light.overS', { name, seconds: work.windowMs.value / 1000 })"
      />
      <HandSlider
        v-if="shift !== undefined"
        class="absolute inset-0 cursor-ew-resize touch-none rounded-4"
        :label="t('light.startPhaseOf', { name })"
        :min="0"
        :max="99"
        :value="shift"
        :text="t('look.percent', { percent: shift })"
        :step="1"
        :page="10"
        :title="t('light.dragSidewaysToChangeThePhaseOffset')"
        @set="setShift"
        @grab="dragShift"
      />
      <HandSlider
        v-if="period !== undefined && period <= work.windowMs.value"
        class="end absolute -top-0.75 -bottom-0.75 -ms-3 w-6 cursor-col-resize touch-none"
        :label="t('light.periodOfOnTheStrip', { name })"
        :min="PERIOD.min"
        :max="PERIOD.max"
        :value="period"
        :text="`${period / 1000} s`"
        :step="50"
        :page="500"
        :style="{ left: `${(100 * period) / work.windowMs.value}%` }"
        :title="t('light.dragToChangeThePeriod')"
        @set="setPeriod"
        @grab="dragPeriod"
      />
    </div>
    <HandSlider
      v-if="entry"
      class="opacity relative h-13 cursor-ns-resize touch-none rounded-4"
      aria-orientation="vertical"
      :label="t('light.opacityOf', { name })"
      :min="1"
      :max="100"
      :value="entry.opacity"
      :text="t('look.percent', { percent: entry.opacity })"
      :step="1"
      :page="10"
      :title="t('light.opacity')"
      @set="setOpacity"
      @grab="dragOpacity"
    >
      <i :style="{ height: `${entry.opacity}%` }" />
    </HandSlider>
    <div class="tools">
      <v-btn
        icon
        size="small"
        variant="text"
        :aria-pressed="isWithout"
        :aria-label="t('light.hideInThePreview', { name })"
        :title="isWithout ? t('light.hiddenInThePreviewOnlyTheDevice') : t('light.hideInThePreview2')"
        @click="work.toggleWithout(place)"
      >
        <v-icon :icon="isWithout ? mdiEyeOffOutline : mdiEyeOutline" />
      </v-btn>
      <MoveButtons :what="name" :place="place" :count="work.stack.value.length" @move="move" />
      <v-btn icon size="small" variant="text" :aria-label="t('light.duplicate', { name })" @click="duplicate">
        <v-icon :icon="mdiContentCopy" />
      </v-btn>
      <v-btn icon size="small" variant="text" :aria-label="t('light.remove', { name })" @click="remove">
        <v-icon :icon="mdiDeleteOutline" />
      </v-btn>
    </div>
    <EffectSettings
      v-if="isOpen && entry"
      class="relative z-2 col-span-full bg-paper-high"
      :entry="entry"
      :place="place"
      :work="work"
    />
  </li>
</template>

<style scoped>
.effect.open {
  border-inline-start-color: var(--bar-light);
  background: var(--paper-high);
}

.info .caption {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name.v-btn {
  --v-btn-height: 24px;

  max-width: 100%;
  padding: 0;
  color: var(--ink);
  font-weight: 650;
}

.name :deep(.v-btn__content) {
  overflow: hidden;
  display: block;
  text-overflow: ellipsis;
}

.without .band {
  opacity: 0.35;
}

.idle .band :deep(.strip) {
  opacity: 0.4;
}

.end::before {
  position: absolute;
  width: 4px;
  border: 1px solid var(--ink);
  border-radius: 2px;
  background: var(--paper-high);
  content: '';
  inset: 0 10px;
}

.opacity::before,
.opacity i {
  position: absolute;
  inset-inline-end: 6px;
  bottom: 0;
  inset-inline-start: 6px;
  border-radius: 4px;
  background: var(--bar-light);
}

.opacity::before {
  top: 0;
  border: 1px solid var(--line-strong);
  background: var(--paper-high);
  content: '';
}

/* The opacity is only shown by height. */
@media (forced-colors: active) {
  .opacity i {
    background: CanvasText;
    forced-color-adjust: none;
  }
}

.tools {
  display: flex;
  flex-wrap: wrap;
}

/* The strip keeps the full width; its name and actions are above it. */
@media (width < 700px) {
  .effect {
    grid-template-columns: minmax(0, 1fr) auto 24px;
  }

  .tools {
    grid-row: 1;
    grid-column: 2 / 4;
  }

  .band {
    grid-column: 1 / 3;
  }

  /* The line of the previewed time goes behind the text. */
  .info,
  .tools {
    position: relative;
    z-index: 2;
    background: var(--paper-low);
  }
}
</style>

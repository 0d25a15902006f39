<script setup lang="ts">
import { listText, t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { ACTIONS } from '../../core/actions/registry'
import type { MacroAction } from '../../core/document/action-schema'
import type { ActionContext } from '../../core/text/context'
import NumberField from '../shared/NumberField.vue'
import { SelectField } from '../../look/SelectField'

/** Playback of a macro by its input, and how it is stopped. */
const props = defineProps<{ action: MacroAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroAction]; parts: [] }>()
const name = computed(() => props.context.macros.get(props.action.macro)?.name)

const IN_PARTS = 'parts'
const PLAYS: { value: MacroAction['play'] | typeof IN_PARTS; title: string }[] = [
  withTexts({ value: 'once' }, { title: 'buttons.once' }),
  withTexts({ value: 'times' }, { title: 'buttons.aNumberOfTimes' }),
  withTexts({ value: 'held' }, { title: 'buttons.whileHeld' }),
  withTexts({ value: 'toggle' }, { title: 'buttons.untilPressedAgain' }),
  withTexts({ value: IN_PARTS }, { title: 'buttons.separatelyForPressHoldAndRelease' }),
]
const AGAIN: { value: MacroAction['again']; title: string }[] = [
  withTexts({ value: 'ignore' }, { title: 'buttons.doesNothing' }),
  withTexts({ value: 'restart' }, { title: 'buttons.restartsIt' }),
  withTexts({ value: 'stop' }, { title: 'buttons.stopsIt' }),
]

function setPlay(play: MacroAction['play']): void {
  const { times, ...rest } = props.action
  // A macro that repeats until stopped is stopped by the same input, unless set otherwise.
  const again = play === 'toggle' ? 'stop' : props.action.play === 'toggle' ? 'ignore' : rest.again
  emit('change', { ...rest, play, again, ...(play === 'times' && { times: times ?? 2 }) })
}

/** How a repeating macro is stopped, shown where it is bound. */
const stops = computed(() => {
  const { play, again, others } = props.action
  const ways = [
    ...(play === 'held' ? [t('buttons.releasingTheInput')] : []),
    ...(play === 'toggle' || again === 'stop' ? [t('buttons.pressingTheInputAgain')] : []),
    ...(others === 'stop' ? [t('buttons.anyOtherInput')] : []),
    t('buttons.anInputBoundToStopMacros'),
    t('buttons.anotherSlotBeingActivated'),
  ]
  return t(
    play === 'once' || play === 'times'
      ? 'buttons.endsByItselfEarlierItIsStopped'
      : 'buttons.repeatsUntilItIsStoppedBy',
    { ways: listText(ways, 'disjunction') },
  )
})

function setTimes(times: number): string | undefined {
  const { min, max } = ACTIONS.macro.parameters.times
  if (times < min || times > max) return t('buttons.enterANumberFromTo', { min: min, max: max })
  emit('change', { ...props.action, times })
  return undefined
}

function setGap(gapMs: number): string | undefined {
  const { min, max } = ACTIONS.macro.parameters.gapMs
  if (gapMs < min || gapMs > max) return t('buttons.enterANumberFromToMs', { min: min, max: max })
  emit('change', { ...props.action, gapMs })
  return undefined
}

function choosePlay(play: MacroAction['play'] | typeof IN_PARTS): void {
  if (play === IN_PARTS) emit('parts')
  else setPlay(play)
}
</script>

<template>
  <div
    class="flex flex-wrap items-center gap-x-4 gap-y-1.75 border-s-3 border-bar-macro bg-paper-high px-2.5 py-2"
  >
    <p class="caption stops">{{ stops }}</p>
    <SelectField
      class="inner-label"
      :label="t('buttons.playback')"
      :items="PLAYS"
      :model-value="action.play"
      @update:model-value="choosePlay"
    />
    <span v-if="action.play === 'times'" class="inline-flex items-center gap-1.75">
      <NumberField :value="action.times ?? 2" :label="t('buttons.numberOfTimes')" :apply="setTimes" />
      <span class="soft">{{ t('buttons.times') }}</span>
    </span>
    <span v-if="action.play !== 'once'" class="inline-flex items-center gap-1.75">
      <NumberField :value="action.gapMs" :label="t('buttons.delayBetweenRepeatsInMs')" :apply="setGap" />
      <span class="soft">{{ t('buttons.msBetweenRepeats') }}</span>
    </span>
    <span v-if="action.play !== 'toggle' && action.play !== 'held'" class="inline-flex items-center gap-1.75">
      <span class="soft">{{ t('buttons.aSecondPress') }}</span>
      <SelectField
        :aria-label="t('buttons.effectOfASecondPress')"
        :items="AGAIN"
        :model-value="action.again"
        @update:model-value="(again: MacroAction['again']) => emit('change', { ...action, again })"
      />
    </span>
    <v-checkbox
      :label="t('buttons.stopOnAnyOtherInput')"
      :model-value="action.others === 'stop'"
      @update:model-value="
        (stops: boolean | null) => emit('change', { ...action, others: stops ? 'stop' : 'go-on' })
      "
    />
    <RouterLink class="text-macro" :to="`/macros/${action.macro}`">{{
      t('buttons.edit', { name: name ?? t('buttons.theMacro') })
    }}</RouterLink>
  </div>
</template>

<style scoped>
.stops {
  flex-basis: 100%;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { ACTIONS } from '../../core/actions/registry'
import type { MacroAction } from '../../core/document/action-schema'
import type { ActionContext } from '../../core/text/context'
import NumberField from '../shared/NumberField.vue'
import { SelectField } from '../../look/SelectField'

/** How a macro is played by its input, and how it is stopped. */
const props = defineProps<{ action: MacroAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroAction]; parts: [] }>()
const name = computed(() => props.context.macros.get(props.action.macro)?.name)

const IN_PARTS = 'parts'
const PLAYS: { value: MacroAction['play'] | typeof IN_PARTS; title: string }[] = [
  { value: 'once', title: 'once' },
  { value: 'times', title: 'so many times' },
  { value: 'held', title: 'again and again while held' },
  { value: 'toggle', title: 'again and again until pressed again' },
  { value: IN_PARTS, title: 'in parts: pressed, held, let go' },
]
const AGAIN: { value: MacroAction['again']; title: string }[] = [
  { value: 'ignore', title: 'changes nothing' },
  { value: 'restart', title: 'starts it over' },
  { value: 'stop', title: 'stops it' },
]

function setPlay(play: MacroAction['play']): void {
  const { times, ...rest } = props.action
  // What goes on until it is stopped is stopped by the same press, unless that is set to something else.
  const again = play === 'toggle' ? 'stop' : props.action.play === 'toggle' ? 'ignore' : rest.again
  emit('change', { ...rest, play, again, ...(play === 'times' && { times: times ?? 2 }) })
}

/** How what goes on is ended, told where it is bound. */
const stops = computed(() => {
  const { play, again, others } = props.action
  const ways = [
    ...(play === 'held' ? ['letting go'] : []),
    ...(play === 'toggle' || again === 'stop' ? ['pressing it again'] : []),
    ...(others === 'stop' ? ['any other input'] : []),
    'an input that is bound to “stop macros”',
    'another slot',
  ]
  const last = ways.pop()
  const itself = play === 'once' || play === 'times' ? 'It ends by itself; before that' : 'It goes on until'
  return `${itself} ${ways.join(', ')} or ${last} stops it.`
})

function setTimes(times: number): string | undefined {
  const { least, most } = ACTIONS.macro.parameters.times
  if (times < least || times > most) return `From ${least} to ${most}`
  emit('change', { ...props.action, times })
  return undefined
}

function setGap(gapMs: number): string | undefined {
  const { least, most } = ACTIONS.macro.parameters.gapMs
  if (gapMs < least || gapMs > most) return `From ${least} to ${most} ms`
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
    class="flex flex-wrap items-center gap-x-4 gap-y-1.75 border-l-3 border-bar-macro bg-paper-high px-2.5 py-2"
  >
    <p class="caption stops">{{ stops }}</p>
    <SelectField
      class="inner-label"
      label="Plays"
      :items="PLAYS"
      :model-value="action.play"
      @update:model-value="choosePlay"
    />
    <span v-if="action.play === 'times'" class="inline-flex items-center gap-1.75">
      <NumberField :value="action.times ?? 2" label="How many times" :apply="setTimes" />
      <span class="soft">times</span>
    </span>
    <span v-if="action.play !== 'once'" class="inline-flex items-center gap-1.75">
      <NumberField :value="action.gapMs" label="Between two passes, in ms" :apply="setGap" />
      <span class="soft">ms apart</span>
    </span>
    <span v-if="action.play !== 'toggle' && action.play !== 'held'" class="inline-flex items-center gap-1.75">
      <span class="soft">pressed again meanwhile</span>
      <SelectField
        aria-label="Pressed again meanwhile"
        :items="AGAIN"
        :model-value="action.again"
        @update:model-value="(again: MacroAction['again']) => emit('change', { ...action, again })"
      />
    </span>
    <v-checkbox
      label="any other input stops it"
      :model-value="action.others === 'stop'"
      @update:model-value="
        (stops: boolean | null) => emit('change', { ...action, others: stops ? 'stop' : 'go-on' })
      "
    />
    <RouterLink class="text-macro" :to="`/macros/${action.macro}`">Edit {{ name ?? 'the macro' }}</RouterLink>
  </div>
</template>

<style scoped>
.stops {
  flex-basis: 100%;
}
</style>

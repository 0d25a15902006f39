<script setup lang="ts">
import { computed } from 'vue'
import { MOST_GAP_MS, MOST_TIMES, type MacroAction } from '../../core/profile/action-schema'
import type { ActionContext } from '../../core/profile/action-text'
import NumberField from '../parts/NumberField.vue'

/** How a macro is played by its input, and how it is stopped. */
const props = defineProps<{ action: MacroAction; context: ActionContext }>()
const emit = defineEmits<{ change: [action: MacroAction]; parts: [] }>()
const name = computed(() => props.context.macros.get(props.action.macro)?.name)

const PLAYS: { value: MacroAction['play']; text: string }[] = [
  { value: 'once', text: 'once' },
  { value: 'times', text: 'so many times' },
  { value: 'held', text: 'again and again while held' },
  { value: 'toggle', text: 'again and again until pressed again' },
]
const IN_PARTS = 'parts'
const AGAIN: { value: MacroAction['again']; text: string }[] = [
  { value: 'ignore', text: 'changes nothing' },
  { value: 'restart', text: 'starts it over' },
  { value: 'stop', text: 'stops it' },
]

function setPlay(play: MacroAction['play']): void {
  const { times, ...rest } = props.action
  // What goes on until it is stopped is stopped by the same press, unless that is set to something else.
  const again = play === 'toggle' ? 'stop' : props.action.play === 'toggle' ? 'ignore' : rest.again
  emit('change', { ...rest, play, again, ...(play === 'times' && { times: times ?? 2 }) })
}

function setTimes(times: number): string | undefined {
  if (times < 2 || times > MOST_TIMES) return `From 2 to ${MOST_TIMES}`
  emit('change', { ...props.action, times })
  return undefined
}

function setGap(gapMs: number): string | undefined {
  if (gapMs < 0 || gapMs > MOST_GAP_MS) return `From 0 to ${MOST_GAP_MS} ms`
  emit('change', { ...props.action, gapMs })
  return undefined
}

const valueOf = ({ target }: Event): string => (target instanceof HTMLSelectElement ? target.value : '')
const chosen = <Value extends string>(choices: { value: Value }[], event: Event): Value | undefined =>
  choices.find(({ value }) => value === valueOf(event))?.value

function choosePlay(event: Event): void {
  if (valueOf(event) === IN_PARTS) return emit('parts')
  const play = chosen(PLAYS, event)
  if (play) setPlay(play)
}

function chooseAgain(event: Event): void {
  const again = chosen(AGAIN, event)
  if (again) emit('change', { ...props.action, again })
}
</script>

<template>
  <div class="settings">
    <label>
      <span class="soft">Plays</span>
      <select class="field" aria-label="How it is played" :value="action.play" @change="choosePlay">
        <option v-for="{ value, text } in PLAYS" :key="value" :value="value">{{ text }}</option>
        <option :value="IN_PARTS">in parts: pressed, held, let go</option>
      </select>
    </label>
    <label v-if="action.play === 'times'">
      <NumberField :value="action.times ?? 2" label="How many times" :apply="setTimes" />
      <span class="soft">times</span>
    </label>
    <label v-if="action.play !== 'once'">
      <NumberField :value="action.gapMs" label="Between two passes, in ms" :apply="setGap" />
      <span class="soft">ms apart</span>
    </label>
    <label v-if="action.play !== 'toggle' && action.play !== 'held'">
      <span class="soft">pressed again meanwhile</span>
      <select class="field" aria-label="Pressed again meanwhile" :value="action.again" @change="chooseAgain">
        <option v-for="{ value, text } in AGAIN" :key="value" :value="value">{{ text }}</option>
      </select>
    </label>
    <label>
      <input
        type="checkbox"
        :checked="action.others === 'stop'"
        @change="emit('change', { ...action, others: action.others === 'stop' ? 'go-on' : 'stop' })"
      />
      any other input stops it
    </label>
    <RouterLink :to="`/macros/${action.macro}`">Edit {{ name ?? 'the macro' }}</RouterLink>
  </div>
</template>

<style scoped>
.settings {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 7px 16px;
  padding: 8px 10px;
  border-left: 3px solid var(--bar-macro);
  background: var(--paper-high);
}

label {
  display: inline-flex;
  align-items: center;
  gap: 7px;
}

.settings a {
  color: var(--macro);
}
</style>

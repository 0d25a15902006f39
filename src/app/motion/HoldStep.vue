<script setup lang="ts">
import { computed, ref } from 'vue'
import { bind, unbind } from '../../core/edits/edits'
import { bindingOn, factoryAction } from '../../core/terms/profile'
import { sameValue } from '../../core/base/same-value'
import { actionText } from '../../core/text/action-text'
import { contextOf } from '../../core/text/context'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import type { MotionWork } from './work'
import { SelectField } from '../../look/SelectField'

/** A step that holds only while an input is held: bound here as in the Buttons view. */
const props = defineProps<{ work: MotionWork }>()
const inputs = computed(() => props.work.model.value?.inputs.filter(({ kind }) => kind === 'press') ?? [])
const choices = computed(() => [
  { value: '', title: 'Select an input…' },
  ...inputs.value.map(({ id, name, number }) => ({ value: id, title: `${number} ${name}` })),
])
const steps = computed(() =>
  props.work.steps.value.map(({ dpi }, at) => ({ value: at + 1, title: `step ${at + 1}, ${dpi} DPI` })),
)
const chosen = ref('')
const stepNumber = ref(1)
const held = computed(() => {
  const { value: profile } = props.work.profile
  if (!profile) return []
  return inputs.value.flatMap((input) => {
    const action = bindingOn(profile, 0, input.id)?.action
    if (action?.kind !== 'hold-step') return []
    const text = 'step' in action ? `step ${action.step}` : `${action.dpi} DPI`
    return [{ input, text }]
  })
})

const editor = useEditor()
const macros = useMacros()
const notices = useNotices()
/** The selected input's current action, if the player has set one. */
const replaced = computed(() => {
  const { profile, model } = props.work
  const input = inputs.value.find(({ id }) => id === chosen.value)
  const action = profile.value && input && bindingOn(profile.value, 0, input.id)?.action
  if (!profile.value || !model.value || !input || !action || sameValue(action, factoryAction(input)))
    return undefined
  return actionText(action, contextOf(profile.value, model.value, macros.wholeShelf))
})

function put(): void {
  const { value: model } = props.work.model
  const [input, step] = [chosen.value, stepNumber.value]
  const [before, name] = [replaced.value, inputs.value.find(({ id }) => id === input)?.name]
  chosen.value = ''
  if (!model || !input) return
  const refusal = editor.edit(['hold-step', { step }], (now) =>
    bind(now, model, 0, input, { kind: 'hold-step', step }),
  )
  if (refusal) return notices.refuse(refusal)
  if (before !== undefined)
    notices.say(
      `${name} holds step ${step} now; “${before}” was replaced`,
      { label: 'Undo', act: editor.undo },
      editor.asNow(),
    )
}

function take(input: string): void {
  const { value: model } = props.work.model
  if (model) props.work.edit(['no-hold-step'], (now) => unbind(now, model, 0, input))
}
</script>

<template>
  <section class="ruled" aria-label="A step while held">
    <div class="flow">
      <span class="caption">A step while held</span>
      <v-chip
        v-for="{ input, text } in held"
        :key="input.id"
        class="motion"
        closable
        :close-label="`No step for ${input.name}`"
        :text="`${input.name}: ${text}`"
        @click:close="take(input.id)"
      />
      <SelectField v-model="chosen" :items="choices" aria-label="Input to hold" />
      <template v-if="chosen">
        <SelectField v-model="stepNumber" :items="steps" aria-label="Step while held" />
        <span class="contents" role="status"
          ><span v-if="replaced !== undefined" class="caption">Replaces “{{ replaced }}”</span></span
        >
        <v-btn @click="put">Set hold step</v-btn>
      </template>
    </div>
  </section>
</template>

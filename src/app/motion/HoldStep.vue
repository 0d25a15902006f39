<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { numberedInput } from '../../core/device/lookups'
import { computed, ref } from 'vue'
import { bind, unbind } from '../../core/edits/edits'
import { bindingOn, factoryAction } from '../../core/terms/profile'
import { deepEqual } from '../../core/base/deep-equal'
import { actionMessage } from '../../core/text/action-text'
import { contextOf } from '../../core/text/context'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import type { MotionView } from './motion-view'
import { SelectField } from '../../look/SelectField'

/** A step that is active while an input is held, bound as in the Buttons view. */
const props = defineProps<{ work: MotionView }>()
const inputs = computed(() => props.work.model.value?.inputs.filter(({ kind }) => kind === 'press') ?? [])
const choices = computed(() => [
  { value: '', title: t('motion.selectAnInput') },
  ...inputs.value.map((input) => ({ value: input.id, title: textOf(numberedInput(input)) })),
])
const steps = computed(() =>
  props.work.steps.value.map(({ dpi }, at) => ({
    value: at + 1,
    title: t('motion.stepDpi', { number: at + 1, dpi }),
  })),
)
const chosen = ref('')
const stepNumber = ref(1)
const held = computed(() => {
  const { value: profile } = props.work.profile
  if (!profile) return []
  return inputs.value.flatMap((input) => {
    const action = bindingOn(profile, 0, input.id)?.action
    if (action?.kind !== 'hold-step') return []
    const text =
      'step' in action ? t('motion.step', { step: action.step }) : t('motion.dpi', { dpi: action.dpi })
    return [{ input, text }]
  })
})

const editor = useEditor()
const macros = useMacros()
const notices = useNotifications()
/** The selected input's current action, if the player has set one. */
const replaced = computed(() => {
  const { profile, model } = props.work
  const input = inputs.value.find(({ id }) => id === chosen.value)
  const action = profile.value && input && bindingOn(profile.value, 0, input.id)?.action
  if (!profile.value || !model.value || !input || !action || deepEqual(action, factoryAction(input)))
    return undefined
  return actionMessage(action, contextOf(profile.value, model.value, macros.wholeShelf))
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
      t('motion.nowHoldsStepItReplaced', { input: name, step, before }),
      { label: t('motion.undo'), act: editor.undo },
      editor.asNow(),
    )
}

function take(input: string): void {
  const { value: model } = props.work.model
  if (model) props.work.edit(['no-hold-step'], (now) => unbind(now, model, 0, input))
}
</script>

<template>
  <section class="ruled" :aria-label="t('motion.holdSteps')">
    <div class="flow">
      <span class="caption">{{ t('motion.holdSteps') }}</span>
      <v-chip
        v-for="{ input, text } in held"
        :key="input.id"
        class="motion"
        closable
        :close-label="t('motion.removeTheHoldStepOf', { input: input.name })"
        :text="t('motion.heldInput', { input: input.name, action: text })"
        @click:close="take(input.id)"
      />
      <SelectField v-model="chosen" :items="choices" :aria-label="t('motion.input')" />
      <template v-if="chosen">
        <SelectField v-model="stepNumber" :items="steps" :aria-label="t('motion.dpiStep')" />
        <span class="contents" role="status"
          ><span v-if="replaced !== undefined" class="caption">{{
            t('motion.replaces', { replaced })
          }}</span></span
        >
        <v-btn @click="put">{{ t('motion.setHoldStep') }}</v-btn>
      </template>
    </div>
  </section>
</template>

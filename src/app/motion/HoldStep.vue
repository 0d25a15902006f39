<script setup lang="ts">
import { computed, ref } from 'vue'
import { bind, unbind } from '../../core/profile/edits'
import { bindingOn } from '../../core/profile/profile'
import type { MotionDesk } from './motion-desk'

/** A step that holds only while an input is held: bound here as in the Buttons view. */
const props = defineProps<{ desk: MotionDesk }>()
const inputs = computed(() => props.desk.model.value?.inputs.filter(({ kind }) => kind === 'press') ?? [])
const chosen = ref('')
const stepNumber = ref(1)
const held = computed(() => {
  const { value: profile } = props.desk.profile
  if (!profile) return []
  return inputs.value.flatMap((input) => {
    const action = bindingOn(profile, 0, input.id)?.action
    if (action?.kind !== 'hold-step') return []
    const text = 'step' in action ? `step ${action.step}` : `${action.dpi} DPI`
    return [{ input, text }]
  })
})

function put(): void {
  const { value: model } = props.desk.model
  const [input, step] = [chosen.value, stepNumber.value]
  if (model && input)
    props.desk.edit(`hold step ${step}`, (now) => bind(now, model, 0, input, { kind: 'hold-step', step }))
  chosen.value = ''
}

function take(input: string): void {
  const { value: model } = props.desk.model
  if (model) props.desk.edit('no hold step', (now) => unbind(now, model, 0, input))
}
</script>

<template>
  <section class="ruled" aria-label="A step while held">
    <p class="flow">
      <span class="caption">A step while held</span>
      <span v-for="{ input, text } in held" :key="input.id" class="chip motion">
        {{ input.name }}: {{ text }}
        <button type="button" class="link" :aria-label="`No step for ${input.name}`" @click="take(input.id)">
          ×
        </button>
      </span>
      <select v-model="chosen" class="field" aria-label="Input to hold">
        <option value="">choose an input…</option>
        <option v-for="{ id, name, number } in inputs" :key="id" :value="id">{{ number }} {{ name }}</option>
      </select>
      <template v-if="chosen">
        <select v-model.number="stepNumber" class="field" aria-label="Step while held">
          <option v-for="(step, index) in desk.steps.value" :key="index" :value="index + 1">
            step {{ index + 1 }}, {{ step.dpi }} DPI
          </option>
        </select>
        <button type="button" class="button" @click="put">Put it there</button>
      </template>
    </p>
  </section>
</template>

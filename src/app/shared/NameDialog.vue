<script setup lang="ts">
import { nextTick, ref, useTemplateRef, watch } from 'vue'

/** Asks for a name. `apply` says why it will not do, or nothing when it did. */
const props = withDefaults(
  defineProps<{
    name: string
    apply: (name: string) => string | undefined
    /** Whether something else is called that already. */
    taken?: (name: string) => boolean
    title?: string
    confirm?: string
    label?: string
  }>(),
  {
    taken: () => false,
    title: 'Rename profile',
    confirm: 'Rename',
    label: 'Name, as stored on the device',
  },
)
const open = defineModel<boolean>({ required: true })
const draft = ref('')
const problem = ref<string>()
/** A name that is taken is given only to who says so twice. */
let warned: string | undefined
const field = useTemplateRef<HTMLInputElement>('field')

watch(
  open,
  async (now) => {
    if (!now) return
    draft.value = props.name
    problem.value = warned = undefined
    await nextTick()
    field.value?.select()
  },
  { immediate: true },
)

function submit(): void {
  const name = draft.value
  if (name !== props.name && name !== warned && props.taken(name)) {
    warned = name
    problem.value = `“${name}” already exists. Select ${props.confirm} again to use the name twice.`
    return
  }
  problem.value = props.apply(name)
  if (problem.value) return
  field.value?.blur()
  open.value = false
}
</script>

<template>
  <v-dialog v-model="open" aria-labelledby="name-dialog-title">
    <v-card tag="form" @submit.prevent="submit">
      <h2 id="name-dialog-title">{{ title }}</h2>
      <v-text-field
        ref="field"
        v-model="draft"
        :label="label"
        autocomplete="off"
        autofocus
        :error-messages="problem"
      />
      <div class="ends">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn variant="flat" color="ink" type="submit">{{ confirm }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

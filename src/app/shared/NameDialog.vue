<script setup lang="ts">
import { t } from '../../messages/page'
import { nextTick, ref, useTemplateRef, watch } from 'vue'

/** Asks for a name. `apply` returns why it is refused, or nothing. */
const props = defineProps<{
  name: string
  apply: (name: string) => string | undefined
  /** Whether something else has that name already. */
  taken?: (name: string) => boolean
  /** Heading, button and label; by default those for renaming a profile. */
  title?: string
  confirm?: string
  label?: string
}>()
const open = defineModel<boolean>({ required: true })
const draft = ref('')
const problem = ref<string>()
/** An existing name is used only after confirming it a second time. */
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
  if (name !== props.name && name !== warned && props.taken?.(name)) {
    warned = name
    problem.value = t('shared.alreadyExistsSelectAgainToUseThe', {
      name,
      confirm: props.confirm ?? t('shared.rename'),
    })
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
      <h2 id="name-dialog-title">{{ title ?? t('shared.renameProfile') }}</h2>
      <v-text-field
        ref="field"
        v-model="draft"
        :label="label ?? t('shared.nameAsStoredOnTheDevice')"
        autocomplete="off"
        autofocus
        :error-messages="problem"
      />
      <div class="ends">
        <v-btn @click="open = false">{{ t('shared.cancel') }}</v-btn>
        <v-btn variant="flat" color="ink" type="submit">{{ confirm ?? t('shared.rename') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

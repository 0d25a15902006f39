<script setup lang="ts">
import { computed } from 'vue'
import { differencesBetween } from '../../core/compile/take-over'
import { hasFlanks, mirrorBindings } from '../../core/edits/edits'
import AskDialog from '../shared/AskDialog.vue'
import EditList from '../shared/EditList.vue'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'

/** Swaps the bindings of inputs that mirror each other, after listing what changes. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotices()

const flanks = computed(() => editor.model !== undefined && hasFlanks(editor.model))
const edits = computed(() => {
  const { profile, model } = editor
  return profile && model
    ? differencesBetween(profile, mirrorBindings(profile, model), model, macros.wholeShelf)
    : []
})
const pairs = computed(() => {
  const { model } = editor
  const nameOf = (id: string) => model?.inputs.find((input) => input.id === id)?.name ?? id
  return (model?.inputs ?? []).flatMap(({ id, name, mirror }) =>
    mirror !== undefined && mirror > id ? `${name} ↔ ${nameOf(mirror)}` : [],
  )
})

function mirror(): void {
  const { model } = editor
  const refusal = model && editor.edit(['mirror'], (profile) => mirrorBindings(profile, model))
  open.value = false
  if (refusal) notices.refuse(refusal)
  else notices.say('The bindings were mirrored', { label: 'Undo', act: editor.undo }, editor.asNow())
}
</script>

<template>
  <AskDialog
    v-model="open"
    :max-width="560"
    title="Mirror for the other hand"
    confirm="Mirror bindings"
    :disabled="edits.length === 0 && !flanks"
    @confirm="mirror"
  >
    <p>These inputs swap what they do, on every layer: {{ pairs.join(', ') }}.</p>
    <p v-if="flanks" class="soft">
      The drawing turns to the {{ editor.profile?.hand === 'right' ? 'left' : 'right' }} hand. Buttons on both
      flanks close the same switches, so they keep what they do.
    </p>
    <p v-else class="soft">All other inputs keep what they do.</p>
    <EditList :edits />
  </AskDialog>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { differencesBetween, partOf, takeOver } from '../../core/compile/take-over'
import { factoryProfile } from '../../core/terms/profile'
import AskDialog from '../shared/AskDialog.vue'
import { partTitle } from '../../core/compile/part-title'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { useStates } from '../stores/states'
import CheckList from '../shared/CheckList.vue'
import EditList from '../shared/EditList.vue'

/** Parts of the open profile back to how the factory has them, as one edit; what goes is listed before. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotices()
const states = useStates()

const factory = computed(() => {
  const { profile, model } = editor
  if (!profile || !model) return undefined
  return {
    ...factoryProfile(model, profile.name, profile.computer),
    rules: profile.rules,
    hand: profile.hand,
  }
})
const edits = computed(() => {
  const { profile, model } = editor
  return profile && model && factory.value
    ? differencesBetween(profile, factory.value, model, macros.wholeShelf).filter(({ key }) => key !== 'name')
    : []
})
const parts = computed(() => {
  const layers = editor.profile?.layers.map(({ name }) => name) ?? []
  const counts = new Map<string, number>()
  for (const edit of edits.value) counts.set(partOf(edit), (counts.get(partOf(edit)) ?? 0) + 1)
  return [...counts].map(([value, count]) => ({
    value,
    text: `${partTitle(value, layers)}, ${count} ${count === 1 ? 'difference' : 'differences'}`,
  }))
})
const chosen = ref<string[]>([])
const going = computed(() => edits.value.filter((edit) => chosen.value.includes(partOf(edit))))

function reset(): void {
  const { model, openId, profile } = editor
  const { value: from } = factory
  if (!model || !from || openId === undefined || !profile) return
  const keys = new Set(going.value.map(({ key }) => key))
  const refusal = editor.edit(['factory'], (now) => takeOver(now, from, model, keys))
  if (refusal) return notices.refuse(refusal)
  void states.keep(openId, profile, 'changed', 'a reset to the factory')
  open.value = false
  notices.say(
    `${keys.size} ${keys.size === 1 ? 'place is' : 'places are'} as the factory has them`,
    { label: 'Undo', act: editor.undo },
    editor.asNow(),
  )
}
</script>

<template>
  <AskDialog
    v-model="open"
    :max-width="600"
    title="Reset parts to the factory"
    confirm="Reset"
    :disabled="going.length === 0"
    @confirm="reset"
  >
    <p v-if="parts.length === 0" class="soft">
      “{{ editor.profile?.name }}” is as the factory has it: there is nothing to reset.
    </p>
    <CheckList v-else v-model="chosen" label="Which parts" :choices="parts" />
    <EditList :edits="going" />
    <p class="caption soft">
      One input: choose its cell and press <v-kbd>Delete</v-kbd>. A slot or the whole device: in Devices.
    </p>
  </AskDialog>
</template>

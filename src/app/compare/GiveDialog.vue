<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { moveProfile } from '../../core/compile/move'
import { differencesBetween, partOf, takeOver } from '../../core/compile/take-over'
import { modelById } from '../../core/device/models'
import AskDialog from '../shared/AskDialog.vue'
import { partTitle } from '../../core/compile/part-title'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useStates } from '../stores/states'
import CheckList from '../shared/CheckList.vue'
import EditLines from '../shared/EditLines.vue'

/** Puts parts of the open profile on other profiles, several at once; what that changes in each is told before. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const library = useLibrary()
const macros = useMacros()
const states = useStates()
const parts = ref<string[]>([])
const chosen = shallowRef<string[]>([])
watch(open, () => {
  parts.value = []
  chosen.value = []
})

const PARTS = computed(() => {
  const { layers = [], steps = [] } = editor.profile ?? {}
  const names = layers.map(({ name }) => name)
  const ids = [...names.map((_, index) => `layer:${index}`), ...(steps.length ? ['motion'] : []), 'light']
  return ids.map((value) => ({ value, text: partTitle(value, names) }))
})

const others = computed(() =>
  library.entries
    .filter(({ id }) => id !== editor.openId)
    .flatMap(({ id, profile }) => {
      const model = modelById(profile.model)
      return model ? [{ id, profile, model }] : []
    }),
)

/** What each of the chosen would get. */
const plans = computed(() => {
  const { profile: mine, model: from } = editor
  if (!mine || !from || !open.value) return []
  return others.value
    .filter(({ id }) => chosen.value.includes(id))
    .map(({ id, profile, model }) => {
      const moved = model.id === from.id ? mine : moveProfile(mine, from, model, macros.shelf).profile
      const edits = differencesBetween(profile, moved, model, macros.wholeShelf).filter((edit) =>
        parts.value.includes(partOf(edit)),
      )
      return { id, profile, model, moved, edits }
    })
})
const changing = computed(() => plans.value.filter(({ edits }) => edits.length > 0))

function put(): void {
  const byId = new Map(changing.value.map((plan) => [plan.id, plan]))
  const name = editor.profile?.name ?? ''
  for (const { id, profile } of changing.value)
    void states.keep(id, profile, 'changed', `taking from ${name}`)
  const count = byId.size
  library.changeMany(
    `Parts of “${name}” were put on ${count} ${count === 1 ? 'profile' : 'profiles'}`,
    [...byId.keys()],
    (now, id) => {
      const plan = byId.get(id)
      return plan ? takeOver(now, plan.moved, plan.model, new Set(plan.edits.map(({ key }) => key))) : now
    },
  )
  open.value = false
}
</script>

<template>
  <AskDialog
    v-model="open"
    :max-width="680"
    :title="`Parts of “${editor.profile?.name}” on other profiles`"
    :confirm="`Put them on ${changing.length === 1 ? 'one profile' : `${changing.length} profiles`}`"
    :disabled="changing.length === 0"
    @confirm="put"
  >
    <CheckList v-model="parts" class="flex flex-wrap gap-x-4 gap-y-0" label="Which parts" :choices="PARTS" />
    <CheckList
      v-model="chosen"
      class="max-h-[26vh] overflow-auto border-t border-line-strong"
      tabindex="0"
      label="Other profiles"
      :choices="
        others.map(({ id, profile, model }) => ({ value: id, text: `${profile.name}, ${model.name}` }))
      "
    />
    <div
      v-if="parts.length"
      class="max-h-[26vh] overflow-auto border-t border-line-strong"
      tabindex="0"
      aria-label="What changes"
    >
      <section v-for="{ id, profile, edits } in plans" :key="id">
        <h3 class="pt-2 text-14">{{ profile.name }}</h3>
        <p v-if="edits.length === 0" class="soft">Has all of that already, or can have nothing of it.</p>
        <EditLines :edits />
      </section>
    </div>
  </AskDialog>
</template>

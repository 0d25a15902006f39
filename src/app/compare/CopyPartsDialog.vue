<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed, ref, shallowRef, watch } from 'vue'
import { moveProfile } from '../../core/compile/move'
import { differencesBetween, partOf, applyDifferences } from '../../core/compile/apply-differences'
import { modelById } from '../../core/device/models'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { partTitle } from '../../core/compile/part-title'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useSavedVersions } from '../stores/saved-versions'
import CheckList from '../shared/CheckList.vue'
import EditLines from '../shared/EditLines.vue'

/** Copies parts of the open profile to other profiles, with a preview of the changes. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const library = useLibrary()
const macros = useMacros()
const states = useSavedVersions()
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
  return ids.map((value) => ({ value, text: textOf(partTitle(value, names)) }))
})

const others = computed(() =>
  library.entries
    .filter(({ id }) => id !== editor.openId)
    .flatMap(({ id, profile }) => {
      const model = modelById(profile.model)
      return model ? [{ id, profile, model }] : []
    }),
)

/** Changes of each selected profile. */
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
    void states.keep(id, profile, 'changed', t('compare.copyFrom', { name }))
  const count = byId.size
  library.changeMany(
    t('compare.partsOfWereCopiedToProfile', { count, name }),
    [...byId.keys()],
    (now, id) => {
      const plan = byId.get(id)
      return plan
        ? applyDifferences(now, plan.moved, plan.model, new Set(plan.edits.map(({ key }) => key)))
        : now
    },
  )
  open.value = false
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :max-width="680"
    :title="t('compare.copyPartsOf', { name: editor.profile?.name })"
    :confirm="t('compare.copyToOneProfile', { count: changing.length })"
    :disabled="changing.length === 0"
    @confirm="put"
  >
    <CheckList
      v-model="parts"
      class="flex flex-wrap gap-x-4 gap-y-0"
      :label="t('compare.partsToCopy')"
      :choices="PARTS"
    />
    <CheckList
      v-model="chosen"
      class="max-h-[26vh] overflow-auto border-t border-line-strong"
      tabindex="0"
      :label="t('compare.otherProfiles')"
      :choices="
        others.map(({ id, profile, model }) => ({ value: id, text: `${profile.name}, ${model.name}` }))
      "
    />
    <div
      v-if="parts.length"
      class="max-h-[26vh] overflow-auto border-t border-line-strong"
      tabindex="0"
      :aria-label="t('compare.changes')"
    >
      <section v-for="{ id, profile, edits } in plans" :key="id">
        <h3 class="pt-2 text-14">{{ profile.name }}</h3>
        <p v-if="edits.length === 0" class="soft">{{ t('compare.alreadyIdenticalOrCannotUseAnyOf') }}</p>
        <EditLines :edits />
      </section>
    </div>
  </ConfirmDialog>
</template>

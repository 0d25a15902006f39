<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref } from 'vue'
import { differencesBetween, partOf, applyDifferences } from '../../core/compile/apply-differences'
import { factoryProfile } from '../../core/terms/profile'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { partTitle } from '../../core/compile/part-title'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { useSavedVersions } from '../stores/saved-versions'
import CheckList from '../shared/CheckList.vue'
import EditList from '../shared/EditList.vue'

/** Resets parts of the open profile to factory settings in one edit, after listing the changes. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotifications()
const states = useSavedVersions()

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
    text: t('profile.difference', { count, partTitle: textOf(partTitle(value, layers)) }),
  }))
})
const chosen = ref<string[]>([])
const going = computed(() => edits.value.filter((edit) => chosen.value.includes(partOf(edit))))

function reset(): void {
  const { model, openId, profile } = editor
  const { value: from } = factory
  if (!model || !from || openId === undefined || !profile) return
  const keys = new Set(going.value.map(({ key }) => key))
  const refusal = editor.edit(['factory'], (now) => applyDifferences(now, from, model, keys))
  if (refusal) return notices.refuse(refusal)
  void states.keep(openId, profile, 'changed', t('profile.resetToFactorySettings'))
  open.value = false
  notices.say(
    t('profile.settingWasResetToFactorySettings', { count: keys.size }),
    { label: t('profile.undo'), act: editor.undo },
    editor.asNow(),
  )
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :max-width="600"
    :title="t('profile.resetPartsToFactorySettings')"
    :confirm="t('profile.reset')"
    :disabled="going.length === 0"
    @confirm="reset"
  >
    <p v-if="parts.length === 0" class="soft">
      {{ t('profile.alreadyHasFactorySettings', { name: editor.profile?.name }) }}
    </p>
    <CheckList v-else v-model="chosen" :label="t('profile.partsToReset')" :choices="parts" />
    <EditList :edits="going" />
    <p class="caption soft">
      <RichMessage message="profile.toResetOneInputSelectItsCell">
        <template #key
          ><v-kbd>{{ t('profile.delete') }}</v-kbd></template
        >
      </RichMessage>
    </p>
  </ConfirmDialog>
</template>

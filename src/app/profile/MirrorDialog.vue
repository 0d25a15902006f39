<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { differencesBetween } from '../../core/compile/apply-differences'
import { isAmbidextrous, mirrorBindings } from '../../core/edits/edits'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import EditList from '../shared/EditList.vue'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'

/** Swaps the bindings of inputs that mirror each other, after listing what changes. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotifications()

const flanks = computed(() => editor.model !== undefined && isAmbidextrous(editor.model))
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
    mirror !== undefined && mirror > id ? `${textOf(name)} ↔ ${textOf(nameOf(mirror))}` : [],
  )
})

function mirror(): void {
  const { model } = editor
  const refusal = model && editor.edit(['mirror'], (profile) => mirrorBindings(profile, model))
  open.value = false
  if (refusal) notices.refuse(refusal)
  else
    notices.say(
      t('profile.theBindingsWereMirrored'),
      { label: t('profile.undo'), act: editor.undo },
      editor.asNow(),
    )
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :max-width="560"
    :title="t('profile.mirrorForTheOtherHand')"
    :confirm="t('profile.mirrorBindings')"
    :disabled="edits.length === 0 && !flanks"
    @confirm="mirror"
  >
    <p>{{ t('profile.theseInputsSwapTheirActionsOnEvery', { pairs: pairs.join(', ') }) }}</p>
    <p v-if="flanks" class="soft">
      {{
        editor.profile?.hand === 'right'
          ? t('profile.theDrawingSwitchesToTheLeftHand')
          : t('profile.theDrawingSwitchesToTheRightHand')
      }}
    </p>
    <p v-else class="soft">{{ t('profile.allOtherInputsKeepTheirActions') }}</p>
    <EditList :edits />
  </ConfirmDialog>
</template>

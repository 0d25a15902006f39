<script setup lang="ts">
import { textOf } from '../../messages/page'
import { fixMessage } from '../../core/checks/checks'
import type { Fix } from '../../core/checks/finding'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'

/** The fixes of a finding in the open profile, one button each. */
defineProps<{ fixes: readonly Fix[] | undefined }>()
const editor = useEditor()
const notices = useNotifications()

function apply(fix: Fix): void {
  const refusal = editor.edit(['fix', { key: fix.key, facts: fix.facts }], fix.apply)
  if (refusal) notices.refuse(refusal)
}
</script>

<template>
  <v-btn v-for="fix in fixes" :key="textOf(fixMessage(fix))" size="small" @click="apply(fix)">{{
    textOf(fixMessage(fix))
  }}</v-btn>
</template>

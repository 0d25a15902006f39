<script setup lang="ts">
import { fixText } from '../../core/checks/checks'
import type { Fix } from '../../core/checks/finding'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

/** The fixes of a finding in the open profile, a button each. */
defineProps<{ fixes: readonly Fix[] | undefined }>()
const editor = useEditor()
const notices = useNotices()

function apply(fix: Fix): void {
  const refusal = editor.edit(['fix', { key: fix.key, facts: fix.facts }], fix.apply)
  if (refusal) notices.refuse(refusal)
}
</script>

<template>
  <v-btn v-for="fix in fixes" :key="fixText(fix)" size="small" @click="apply(fix)">{{ fixText(fix) }}</v-btn>
</template>

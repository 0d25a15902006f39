<script setup lang="ts">
import { t } from '../../messages/page'
import type { Edit } from '../../core/compile/pending'
import EditLines from './EditLines.vue'

/** Lists the changes a dialog is about to make. Scrolls when they do not fit; hidden while there are none. */
defineProps<{ edits: readonly Edit[] }>()
</script>

<template>
  <div
    v-if="edits.length"
    class="max-h-[30vh] overflow-auto border-t border-line-strong pt-1.5"
    tabindex="0"
    :aria-label="t('shared.changes')"
  >
    <EditLines :edits />
  </div>
</template>

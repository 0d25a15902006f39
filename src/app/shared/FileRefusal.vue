<script setup lang="ts">
import { MOST_PROBLEMS } from '../../core/base/refusal'
import { FILE_KINDS, type FileKind } from '../../core/document/file-kinds'

/** Why a file was not opened, or where it belongs; nothing was changed by it. */
defineProps<{ file: string; problems: readonly string[]; belongs?: FileKind }>()
const MOST_SHOWN = 6
const PLACES: Record<FileKind, string> = { profile: '/library', macros: '/macros', library: '/settings' }
</script>

<template>
  <v-alert class="mb-4">
    <p v-if="belongs">
      <strong>{{ file }}</strong> is {{ FILE_KINDS[belongs].noun }}, and nothing was changed. Open it there:
      <v-btn :to="PLACES[belongs]">{{ FILE_KINDS[belongs].place }}</v-btn>
    </p>
    <p v-else>
      <strong>{{ file }}</strong> was not opened, and nothing was changed:
    </p>
    <ul v-if="problems.length" class="mx-0 mt-1 mb-0">
      <li v-for="problem in problems.slice(0, MOST_SHOWN)" :key="problem">{{ problem }}</li>
    </ul>
    <p v-if="problems.length > MOST_SHOWN" class="soft">
      and {{ problems.length >= MOST_PROBLEMS ? 'at least ' : '' }}{{ problems.length - MOST_SHOWN }} more
      like these
    </p>
  </v-alert>
</template>

<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { MAX_PROBLEMS } from '../../core/base/errors'
import type { FileKind } from '../../core/files/file-kinds'
import { useOpenFile } from './open-file'
import type { OpenedFile } from './reading'

/** Why a file was not opened, or the view that opens it; nothing was changed. */
defineProps<{ file: string; problems: readonly string[]; opened?: OpenedFile }>()
const { handOver } = useOpenFile()
const MAX_SHOWN = 6
/** The contents of a file for another view, as a sentence. */
const CONTENTS: Record<FileKind, string> = withTexts(
  {},
  {
    profile: 'files.itContainsAProfile',
    macros: 'files.itContainsMacros',
    library: 'files.itContainsAWholeLibrary',
  },
)
/** The view that opens each kind. */
const PLACES: Record<FileKind, string> = withTexts(
  {},
  { profile: 'shell.library', macros: 'shell.macros', library: 'shell.settings' },
)
</script>

<template>
  <v-alert class="mb-4">
    <p v-if="opened">
      <strong>{{ t('files.cannotBeOpenedHere', { file }) }}</strong> {{ CONTENTS[opened.found.kind] }}
      <v-btn @click="handOver(opened)">{{ t('files.openIn', { place: PLACES[opened.found.kind] }) }}</v-btn>
    </p>
    <p v-else>
      <strong>{{ t('files.wasNotImportedNothingWasChanged', { file }) }}</strong>
    </p>
    <ul v-if="problems.length" class="mx-0 mt-1 mb-0">
      <li v-for="problem in problems.slice(0, MAX_SHOWN)" :key="problem">{{ problem }}</li>
    </ul>
    <p v-if="problems.length > MAX_SHOWN" class="soft">
      {{
        problems.length >= MAX_PROBLEMS
          ? t('files.andAtLeastMoreProblemsLikeThese', { count: problems.length - MAX_SHOWN })
          : t('files.andMoreProblemsLikeThese', { count: problems.length - MAX_SHOWN })
      }}
    </p>
  </v-alert>
</template>

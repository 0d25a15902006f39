<script setup lang="ts">
import { MOST_PROBLEMS } from '../../core/base/refusal'
import { useRouter } from 'vue-router'
import { FILE_KINDS, type FileKind } from '../../core/files/file-kinds'

import { useHandedOver } from './handed-over'

/** Why a file was not opened, or where it belongs; nothing was changed by it. */
const props = defineProps<{
  file: string
  problems: readonly string[]
  belongs?: FileKind
  source?: File
}>()
const router = useRouter()
const handed = useHandedOver()
const MOST_SHOWN = 6
const PLACES: Record<FileKind, string> = {
  profile: '/library',
  macros: '/macros',
  library: '/settings#backup',
}
/** What a file of another place has in it, as a sentence. */
const CONTENTS: Record<FileKind, string> = {
  profile: 'It contains a profile.',
  macros: 'It contains macros.',
  library: 'It contains a whole library.',
}

async function openThere(place: FileKind): Promise<void> {
  await router.push(PLACES[place])
  handed.value = props.source
}
</script>

<template>
  <v-alert class="mb-4">
    <p v-if="belongs">
      <strong>“{{ file }}” cannot be imported here.</strong> {{ CONTENTS[belongs] }}
      <v-btn @click="openThere(belongs)">Open it in {{ FILE_KINDS[belongs].place }}</v-btn>
    </p>
    <p v-else>
      <strong>“{{ file }}” was not imported, and nothing was changed:</strong>
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

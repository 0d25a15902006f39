<script setup lang="ts">
import { t } from '../../messages/page'
import { ref } from 'vue'
import type { HeldLibrary } from '../stores/lost-library'

/** The library was deleted while the page was open: its documents can be stored again. */
const props = defineProps<{ held: HeldLibrary; restore: () => Promise<boolean> }>()
const emit = defineEmits<{ leave: [] }>()
const working = ref(false)

async function storeAgain(): Promise<void> {
  working.value = true
  await props.restore()
  working.value = false
}
</script>

<template>
  <v-alert class="sticky top-0 z-2" data-testid="lost-library">
    {{ t('shell.theLibraryInThisBrowserWasDeleted', { profiles: held.profiles, macros: held.macros }) }}
    <template #append>
      <v-btn class="me-1.5" :loading="working" @click="storeAgain">{{ t('shell.saveThemAgain') }}</v-btn>
      <v-btn variant="text" @click="emit('leave')">{{ t('shell.keepDeleted') }}</v-btn>
    </template>
  </v-alert>
</template>

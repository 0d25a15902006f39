<script setup lang="ts">
import { ref } from 'vue'
import type { HeldLibrary } from '../stores/lost-library'

/** The library was deleted while the page was open: what the page holds can be stored again. */
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
    The library of this browser was deleted while this page was open. This page still holds its profiles ({{
      held.profiles
    }}) and macros ({{ held.macros }}). Everything on your devices is unchanged.
    <template #append>
      <v-btn class="mr-1.5" :loading="working" @click="storeAgain">Store them again</v-btn>
      <v-btn variant="text" @click="emit('leave')">Leave deleted</v-btn>
    </template>
  </v-alert>
</template>

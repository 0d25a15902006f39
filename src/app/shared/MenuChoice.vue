<script setup lang="ts">
import { mdiCheck } from '@mdi/js'

/** One of several options in a menu, one of which is selected. */
defineProps<{ title: string; chosen: boolean; about?: string }>()
</script>

<template>
  <v-list-item role="menuitemradio" :aria-checked="chosen" :active="chosen" :title="title">
    <template #append>
      <span v-if="about" class="caption ms-4">{{ about }}</span>
      <v-icon v-else-if="chosen" :icon="mdiCheck" size="18" />
    </template>
  </v-list-item>
</template>

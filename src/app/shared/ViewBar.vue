<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { VAppBar } from 'vuetify/components/VAppBar'
import { VToolbar } from 'vuetify/components/VToolbar'

/** The bar above a view. In a narrow window it wraps, and scrolls with the view. */
const roomy = useMediaQuery('(width >= 1000px)')
/** Its contents, and the dialogs opened from it, look like everywhere: the library has plain buttons in bars. */
const AS_EVERYWHERE = { VBtn: { variant: 'outlined' } }
</script>

<template>
  <component :is="roomy ? VAppBar : VToolbar" class="view-bar" :height="56" flat>
    <v-defaults-provider :defaults="AS_EVERYWHERE"><slot /></v-defaults-provider>
  </component>
</template>

<style scoped>
.view-bar {
  border-bottom: 1px solid var(--line);
  background: var(--paper);
  color: var(--ink);
}

.view-bar :deep(.v-toolbar__content) {
  overflow: visible;
  gap: 8px;
  padding: 0 16px 0 20px;
}

@media (width < 1000px) {
  .view-bar :deep(.v-toolbar__content) {
    height: auto !important;
    flex-wrap: wrap;
    padding-block: 8px;
  }
}
</style>

<script setup lang="ts">
import { announcement } from './announce'
</script>

<template>
  <!-- There from the start, for a live region that comes with its text is not read out. -->
  <div class="visually-hidden" aria-live="polite" data-announced>
    <span :key="announcement.number">{{ announcement.text }}</span>
  </div>
</template>

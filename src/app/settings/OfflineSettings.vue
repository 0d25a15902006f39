<script setup lang="ts">
import { computed } from 'vue'
import { useOfflineUse } from '../stores/offline'

/** Whether Unisera starts without a network here, and its installation where the browser offers that. */
const offline = useOfflineUse()
const STATES = {
  off: 'Not available: this page was not served as a finished build.',
  'getting ready': 'Getting ready… Stay online until this says “Ready”.',
  ready: 'Ready. Unisera starts, edits and writes without a network.',
  refused: 'Not available: this browser does not store pages, as in some private windows.',
}
const text = computed(() => STATES[offline.state])
</script>

<template>
  <p role="status" data-testid="offline-use">{{ text }}</p>
  <v-btn v-if="offline.canInstall" @click="offline.install()">Install Unisera…</v-btn>
</template>

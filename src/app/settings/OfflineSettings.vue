<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { useOfflineUse } from '../stores/offline'

/** Whether Unisera starts without a network, and its installation if the browser supports that. */
const offline = useOfflineUse()
const STATES = withTexts(
  {},
  {
    off: 'settings.notAvailableThisPageIsNotServed',
    'getting ready': 'settings.preparingStayOnlineUntilThisSays',
    ready: 'settings.readyUniseraStartsEditsAndWrites',
    refused: 'settings.notAvailableThisBrowserDoesNot',
  },
)
const text = computed(() => STATES[offline.state])
</script>

<template>
  <p role="status" data-testid="offline-use">{{ text }}</p>
  <v-btn v-if="offline.canInstall" @click="offline.install()">{{ t('settings.installUnisera') }}</v-btn>
</template>

<script setup lang="ts">
import { t } from '../messages/page'
import { mdiPause, mdiPlay } from '@mdi/js'

/** Moves or stops the lights of all drawings; the choice is remembered. */
const playing = defineModel<boolean>({ required: true })
</script>

<template>
  <v-btn size="small" :prepend-icon="playing ? mdiPause : mdiPlay" @click="playing = !playing">
    {{ playing ? t('look.pauseLights') : t('look.playLights') }}
  </v-btn>
</template>

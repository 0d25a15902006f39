<script setup lang="ts">
import { mdiPause, mdiPlay } from '@mdi/js'

/** Lets the lights of the drawings move, or rest; remembered, and the same for all of them. */
const playing = defineModel<boolean>({ required: true })
</script>

<template>
  <v-btn size="small" :prepend-icon="playing ? mdiPause : mdiPlay" @click="playing = !playing">
    {{ playing ? 'Pause the lights' : 'Let the lights move' }}
  </v-btn>
</template>

<script setup lang="ts">
import { t } from '../../messages/page'
/** Asks what to do with the inputs onto which empty cells were pasted. */
const emit = defineEmits<{ settle: [answer: 'skip' | 'clear' | 'cancel'] }>()
</script>

<template>
  <v-dialog
    model-value
    max-width="440"
    aria-labelledby="empty-title"
    @update:model-value="emit('settle', 'cancel')"
  >
    <v-card>
      <h2 id="empty-title">{{ t('buttons.pasteEmptyCells') }}</h2>
      <p>{{ t('buttons.thePastedBlockHasEmptyCellsSkip') }}</p>
      <div class="ends">
        <v-btn @click="emit('settle', 'cancel')">{{ t('buttons.cancel') }}</v-btn>
        <v-btn @click="emit('settle', 'clear')">{{ t('buttons.clearInputs') }}</v-btn>
        <v-btn variant="flat" color="ink" autofocus @click="emit('settle', 'skip')">{{
          t('buttons.skipEmptyCells')
        }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

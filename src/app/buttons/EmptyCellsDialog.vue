<script setup lang="ts">
/** Asks what becomes of the inputs onto which empty cells were pasted. */
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
      <h2 id="empty-title">Paste empty cells</h2>
      <p>The pasted block has empty cells. Skip them to leave those inputs unchanged, or clear the inputs.</p>
      <div class="ends">
        <v-btn @click="emit('settle', 'cancel')">Cancel</v-btn>
        <v-btn @click="emit('settle', 'clear')">Clear inputs</v-btn>
        <v-btn variant="flat" color="ink" autofocus @click="emit('settle', 'skip')">Skip empty cells</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

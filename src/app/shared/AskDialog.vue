<script setup lang="ts">
import { useId } from 'vue'

/** A dialog that asks whether something is done: what it is, a way out, perhaps other ways, and the one that does it. */
withDefaults(
  defineProps<{
    title: string
    /** What its last button says. */
    confirm: string
    disabled?: boolean
    maxWidth?: number
    colour?: string
  }>(),
  { disabled: false, maxWidth: 560, colour: 'ink' },
)
defineEmits<{ confirm: [] }>()
defineSlots<{ default(): unknown; ways?(): unknown }>()
const open = defineModel<boolean>({ required: true })
const id = useId()
</script>

<template>
  <v-dialog v-model="open" :max-width="maxWidth" :aria-labelledby="id">
    <v-card>
      <h2 :id="id">{{ title }}</h2>
      <slot />
      <div class="ends">
        <v-btn @click="open = false">Cancel</v-btn>
        <slot name="ways" />
        <v-btn variant="flat" :color="colour" :disabled="disabled" @click="$emit('confirm')">{{
          confirm
        }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

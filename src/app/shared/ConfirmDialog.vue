<script setup lang="ts">
import { t } from '../../messages/page'
import { useId } from 'vue'

/** A confirmation dialog: the question, a cancel button, optional alternatives, and the action. */
withDefaults(
  defineProps<{
    title: string
    /** Label of its last button. */
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
        <v-btn @click="open = false">{{ t('shared.cancel') }}</v-btn>
        <slot name="ways" />
        <v-btn variant="flat" :color="colour" :disabled="disabled" @click="$emit('confirm')">{{
          confirm
        }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

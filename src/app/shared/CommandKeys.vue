<script setup lang="ts">
import { hotkeysOf, KEY_SIGNS } from './command-keys'
import { type CommandId } from './command-list'

defineOptions({ inheritAttrs: false })
/** The keys of a command on this computer's keyboard. */
const props = withDefaults(
  defineProps<{
    of: CommandId
    /** All alternatives, not only the first. */
    all?: boolean
    variant?: 'outlined' | 'text'
  }>(),
  { variant: 'text' },
)
const ways = () => hotkeysOf(props.of).slice(0, props.all ? undefined : 1)
</script>

<template>
  <v-hotkey
    v-for="way in ways()"
    v-bind="$attrs"
    :key="way"
    :keys="way"
    :key-map="KEY_SIGNS"
    :variant="variant"
    display-mode="text"
  />
</template>

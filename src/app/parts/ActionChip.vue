<script setup lang="ts">
import { computed } from 'vue'
import { actionFamily, actionText } from '../../core/profile/action-text'
import type { Action } from '../../core/profile/schema'

/** An action as it is written everywhere: keys as key caps, the rest in the colour of its family. */
const props = defineProps<{ action: Action; quiet?: boolean; factory?: boolean }>()
const text = computed(() => actionText(props.action))
const keys = computed(() => (props.action.kind === 'key' ? text.value.split(/\+(?=.)/) : []))
</script>

<template>
  <span v-if="quiet" class="faint">{{ text }}</span>
  <span v-else-if="keys.length" class="keys">
    <kbd v-for="key in keys" :key="key" class="chip key">{{ key }}</kbd>
  </span>
  <span v-else class="chip" :class="factory ? 'factory' : actionFamily(action)">{{ text }}</span>
</template>

<style scoped>
.keys {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 3px;
}
</style>

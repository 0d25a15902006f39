<script setup lang="ts">
import { commandWords, keysShown, type CommandId } from '../shared/commands'

/** Commands with the keys of each. */
defineProps<{ commands: readonly CommandId[] }>()
</script>

<template>
  <dl>
    <div v-for="id in commands" :key="id">
      <dt>{{ commandWords(id).text }}</dt>
      <dd>
        <kbd v-for="way in keysShown(id)" :key="way">{{ way }}</kbd>
      </dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  margin: 0;
}

dl div {
  display: flex;
  justify-content: space-between;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
  gap: 12px;
}

dd {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  margin: 0;
  gap: 2px 5px;
}

kbd {
  padding: 0 6px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  white-space: nowrap;
}
</style>

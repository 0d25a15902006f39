<script setup lang="ts">
import { keysOf } from '../../core/base/tables'
import { computed, useTemplateRef, type ComponentPublicInstance } from 'vue'
import { useRoute } from 'vue-router'
import { keysShown } from '../shared/command-keys'
import { commandIds, commandWords, WHERE, type Where } from '../shared/command-list'
import CommandKeys from '../shared/CommandKeys.vue'
import KeyList from './KeyList.vue'

/** Every key there is, by where it works; where one is comes first. */
const emit = defineEmits<{ close: [] }>()
const route = useRoute()

const close = useTemplateRef<ComponentPublicInstance>('close')
const here = computed<Where[]>(() => {
  if (route.path.endsWith('/buttons')) return ['sheet']
  if (route.path.startsWith('/macros/')) return ['macro']
  return route.path === '/library' ? ['list'] : []
})
const groups = computed(() => {
  const order: Where[] = [...here.value, ...keysOf(WHERE)]
  return [...new Set(order)].flatMap((where) => {
    const commands = commandIds().filter((id) => commandWords(id).where === where && keysShown(id).length)
    return commands.length ? [{ where, commands }] : []
  })
})
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="760"
    aria-labelledby="keys-title"
    @update:model-value="emit('close')"
    @after-enter="close?.$el.focus()"
  >
    <v-card>
      <h2 id="keys-title">Keys</h2>
      <p class="soft">
        Everything else is found by <CommandKeys of="find" variant="outlined" />, by its name or by what you
        would call it.
      </p>
      <div class="groups">
        <section v-for="{ where, commands } in groups" :key="where">
          <h3
            class="mx-0 mt-0 mb-1 border-b-[1.5px] border-ink pb-0.75 text-14"
            :class="{ here: here.includes(where) }"
          >
            {{ WHERE[where].title }}
          </h3>
          <KeyList :commands />
        </section>
      </div>
      <div class="acts">
        <v-btn ref="close" variant="flat" color="ink" @click="emit('close')">Close</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.groups {
  columns: 2 300px;
  column-gap: 32px;
  overflow: auto;
}

section {
  margin-bottom: 16px;
  break-inside: avoid;
}

h3.here {
  border-color: var(--binding);
}
</style>

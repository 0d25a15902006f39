<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { keysOf } from '../../core/base/tables'
import { computed, useTemplateRef, type ComponentPublicInstance } from 'vue'
import { useRoute } from 'vue-router'
import { shortcutTexts } from '../shared/command-keys'
import { commandIds, commandTexts } from '../shared/command-list'
import { COMMAND_SCOPES, type CommandScope } from '../shared/command-scopes'
import CommandKeys from '../shared/CommandKeys.vue'
import ShortcutList from './ShortcutList.vue'

/** All shortcuts, by where they work; the current place first. */
const emit = defineEmits<{ close: [] }>()
const route = useRoute()

const close = useTemplateRef<ComponentPublicInstance>('close')
const here = computed<CommandScope[]>(() => {
  if (route.path.endsWith('/buttons')) return ['sheet']
  if (route.path.startsWith('/macros/')) return ['macro']
  return route.path === '/library' ? ['list'] : []
})
const groups = computed(() => {
  const order: CommandScope[] = [...here.value, ...keysOf(COMMAND_SCOPES)]
  return [...new Set(order)].flatMap((where) => {
    const commands = commandIds().filter((id) => commandTexts(id).where === where && shortcutTexts(id).length)
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
      <h2 id="keys-title">{{ t('shell.keys') }}</h2>
      <p class="soft">
        <RichMessage message="shell.pressToFindAnythingElseByIts">
          <template #keys><CommandKeys of="find" variant="outlined" /></template>
        </RichMessage>
      </p>
      <div class="groups">
        <section v-for="{ where, commands } in groups" :key="where">
          <h3
            class="mx-0 mt-0 mb-1 border-b-[1.5px] border-ink pb-0.75 text-14"
            :class="{ here: here.includes(where) }"
          >
            {{ t(COMMAND_SCOPES[where].title) }}
          </h3>
          <ShortcutList :commands />
        </section>
      </div>
      <div class="acts">
        <v-btn ref="close" variant="flat" color="ink" @click="emit('close')">{{ t('shell.close') }}</v-btn>
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

<script setup lang="ts">
import { computed } from 'vue'
import { usePending } from '../composables/pending'
import { useEditor } from '../stores/editor'

/** The slot the profile is written to, and what each slot holds. */
const editor = useEditor()
const { device, slot, held, setSlot } = usePending()
const count = computed(() => editor.model?.memory.slots ?? 0)

function holds(index: number): string {
  const content = device.value?.slots[index]
  if (!content) return 'not read yet'
  return content.problem ? 'cannot be read' : (content.profile?.name ?? 'empty')
}
</script>

<template>
  <span class="caption">Writes to</span>
  <v-menu>
    <template #activator="{ props: activator }">
      <button type="button" class="slot" v-bind="activator">
        Slot {{ slot + 1 }} of {{ count }} <span aria-hidden="true">▾</span>
      </button>
    </template>
    <div class="menu panel" role="menu">
      <button
        v-for="index in count"
        :key="index"
        type="button"
        role="menuitemradio"
        :aria-checked="index - 1 === slot"
        @click="setSlot(index - 1)"
      >
        Slot {{ index }}<span class="caption">{{ holds(index - 1) }}</span>
      </button>
    </div>
  </v-menu>
  <span class="caption">{{
    held?.profile ? `holds ${held.profile.name}` : held ? holds(slot) : 'not read yet'
  }}</span>
</template>

<style scoped>
.slot {
  padding: 1px 6px;
  border: 1px solid transparent;
  border-radius: 5px;
  margin-left: -7px;
  align-self: flex-start;
  background: transparent;
  color: inherit;
  font: inherit;
  font-size: 1.14rem;
  font-weight: 650;
  cursor: pointer;
}

.slot:hover {
  border-color: var(--line-strong);
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'
import MenuChoice from '../shared/MenuChoice.vue'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import SlotKeysDialog from './SlotKeysDialog.vue'

/** The slot the profile is written to, and what each slot holds. */
const editor = useEditor()
const { device, slot, held, setSlot } = usePending()
const keys = ref(false)
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
      <v-btn variant="text" class="slot" v-bind="activator">
        Slot {{ slot + 1 }} of {{ count }} <span aria-hidden="true">▾</span>
      </v-btn>
    </template>
    <v-list role="menu">
      <MenuChoice
        v-for="index in count"
        :key="index"
        :title="`Slot ${index}`"
        :about="holds(index - 1)"
        :chosen="index - 1 === slot"
        @click="setSlot(index - 1)"
      />
      <template v-if="count > 1">
        <v-divider />
        <v-list-item role="menuitem" title="Next slot by two inputs…" @click="keys = true" />
      </template>
    </v-list>
  </v-menu>
  <SlotKeysDialog v-if="keys && editor.profile && editor.model" v-model="keys" />
  <span class="caption">{{
    held?.profile ? `holds ${held.profile.name}` : held ? holds(slot) : 'not read yet'
  }}</span>
</template>

<style scoped>
.slot {
  --v-btn-height: 26px;

  align-self: flex-start;
  margin-left: -8px;
  font-size: 1.14rem;
  font-weight: 650;
}
</style>

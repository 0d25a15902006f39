<script setup lang="ts">
import { computed } from 'vue'
import { LAYOUTS, layoutName } from '../../core/hid/layouts'
import { setComputer } from '../../core/profile/edits'
import { OPERATING_SYSTEMS, SYSTEM_NAMES, type ComputerSetUp } from '../../core/profile/shortcuts'
import { useEditor } from '../stores/editor'

/** Which computer the profile is for: the device cannot know it, so what depends on it is decided here. */
const editor = useEditor()
const computer = computed<ComputerSetUp>(() => editor.profile?.computer ?? { layout: 'us' })
const words = computed(() => {
  const { system, layout } = computer.value
  return `${system ? SYSTEM_NAMES[system] : 'any system'} · ${layoutName(layout)}`
})
const set = (change: Partial<ComputerSetUp>) =>
  editor.edit('computer it is for', (profile) => setComputer(profile, { ...profile.computer, ...change }))
</script>

<template>
  <v-menu :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <button
        type="button"
        class="button plain"
        v-bind="activator"
        title="The system and keyboard layout of the computer it is used on"
      >
        {{ words }} ▾
      </button>
    </template>
    <div class="menu panel">
      <p class="caption about">
        The computer this profile is used on. Shortcuts, openings and typed texts become the keys of this
        system and layout.
      </p>
      <div role="group" aria-label="System">
        <button
          v-for="system in OPERATING_SYSTEMS"
          :key="system"
          type="button"
          :aria-pressed="computer.system === system"
          @click="set({ system })"
        >
          {{ SYSTEM_NAMES[system] }}<span v-if="computer.system === system" aria-hidden="true">✓</span>
        </button>
        <button type="button" :aria-pressed="!computer.system" @click="set({ system: undefined })">
          Any system<span v-if="!computer.system" aria-hidden="true">✓</span>
        </button>
      </div>
      <hr />
      <div role="group" aria-label="Keyboard layout">
        <button
          v-for="layout in LAYOUTS"
          :key="layout.id"
          type="button"
          :aria-pressed="computer.layout === layout.id"
          @click="set({ layout: layout.id })"
        >
          {{ layout.name }}<span v-if="computer.layout === layout.id" aria-hidden="true">✓</span>
        </button>
      </div>
    </div>
  </v-menu>
</template>

<style scoped>
.about {
  width: 260px;
  padding: 6px 10px;
}
</style>

<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { LAYOUTS, layoutName } from '../../core/computer/layouts'
import { setComputer } from '../../core/edits/edits'
import {
  OPERATING_SYSTEMS,
  SYSTEM_NAMES,
  type ComputerSetUp,
  type OperatingSystem,
} from '../../core/computer/shortcuts'
import { otherwiseOn } from '../../core/computer/typing'
import { typedCharacters } from '../../core/checks/typed-characters'
import { useCommands } from '../shared/commands'
import MenuChoice from '../shared/MenuChoice.vue'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'

/** Which computer the profile is for: the device cannot know it, so what depends on it is decided here. */
const editor = useEditor()
const macros = useMacros()
const computer = computed<ComputerSetUp>(() => editor.profile?.computer ?? { layout: 'us' })
const words = computed(() => {
  const { system, layout } = computer.value
  return `${system ? SYSTEM_NAMES[system] : 'any system'} · ${layoutName(layout)}`
})
const systems = [
  ...OPERATING_SYSTEMS.map((system) => ({ value: system, title: SYSTEM_NAMES[system] })),
  { value: undefined, title: 'Any system' },
]
/** What of all it types would come out otherwise on each system. */
const elsewhere = (system: OperatingSystem | undefined): string | undefined => {
  const { profile } = editor
  if (!profile || system === undefined || system === computer.value.system) return undefined
  const typed = typedCharacters(profile, macros.shelf)
  const others = otherwiseOn(typed, computer.value, system).length
  return others === 0 ? undefined : `${others} of its ${[...typed].length} characters differ there`
}
const about = useId()
const open = ref(false)
useCommands({ 'profile.computer': () => (open.value = true) })
const set = (change: Partial<ComputerSetUp>) =>
  editor.edit(['computer'], (profile) => setComputer(profile, { ...profile.computer, ...change }))
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <v-btn
        variant="text"
        v-bind="activator"
        title="The system and keyboard layout of the computer it is used on"
      >
        {{ words }} ▾
      </v-btn>
    </template>
    <v-list
      role="menu"
      aria-label="The computer this profile is used on"
      :aria-describedby="about"
      width="330"
      max-height="70vh"
    >
      <p :id="about" class="caption px-2.5 pt-0.5 pb-1.5" role="presentation">
        The computer this profile is used on. Shortcuts, openings and typed texts become the keys of this
        system and layout.
      </p>
      <div role="group" aria-label="System">
        <MenuChoice
          v-for="{ value, title } in systems"
          :key="title"
          :title="title"
          :chosen="computer.system === value"
          :about="elsewhere(value)"
          @click="set({ system: value })"
        />
      </div>
      <v-divider />
      <div role="group" aria-label="Keyboard layout">
        <MenuChoice
          v-for="layout in LAYOUTS"
          :key="layout.id"
          :title="layout.name"
          :chosen="computer.layout === layout.id"
          @click="set({ layout: layout.id })"
        />
      </div>
    </v-list>
  </v-menu>
</template>

<script setup lang="ts">
import { t, textOf, withTexts } from '../../messages/page'
import { computed, ref, useId } from 'vue'
import { LAYOUTS, layoutName } from '../../core/computer/layouts'
import { setComputer } from '../../core/edits/edits'
import {
  OPERATING_SYSTEMS,
  OPERATING_SYSTEM_NAMES,
  type TargetComputer,
  type OperatingSystem,
} from '../../core/computer/shortcuts'
import { differentlyTypedOn } from '../../core/computer/typing'
import { typedCharacters } from '../../core/checks/typed-characters'
import { useCommands } from '../shared/commands'
import MenuChoice from '../shared/MenuChoice.vue'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'

/** The computer of the profile. The device cannot know it, so everything that depends on it is decided here. */
const editor = useEditor()
const macros = useMacros()
const computer = computed<TargetComputer>(() => editor.profile?.computer ?? { layout: 'us' })
const words = computed(() => {
  const { system, layout } = computer.value
  return system
    ? t('buttons.systemAndLayout', { system: OPERATING_SYSTEM_NAMES[system], layout: layoutName(layout) })
    : t('buttons.anySystemAndLayout', { layout: layoutName(layout) })
})
const systems = [
  ...OPERATING_SYSTEMS.map((system) => ({ value: system, title: OPERATING_SYSTEM_NAMES[system] })),
  withTexts({ value: undefined }, { title: 'buttons.anySystem' }),
]
/** Typed characters that would differ on each system. */
const elsewhere = (system: OperatingSystem | undefined): string | undefined => {
  const { profile } = editor
  if (!profile || system === undefined || system === computer.value.system) return undefined
  const typed = typedCharacters(profile, macros.shelf)
  const others = differentlyTypedOn(typed, computer.value, system).length
  return others === 0
    ? undefined
    : t('buttons.ofCharactersWouldDiffer', { different: others, count: [...typed].length })
}
const about = useId()
const open = ref(false)
useCommands({ 'profile.computer': () => (open.value = true) })
const set = (change: Partial<TargetComputer>) =>
  editor.edit(['computer'], (profile) => setComputer(profile, { ...profile.computer, ...change }))
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <v-btn variant="text" v-bind="activator" :title="t('buttons.operatingSystemAndKeyboardLayoutOf')">
        {{ words }} ▾
      </v-btn>
    </template>
    <v-list
      role="menu"
      :aria-label="t('buttons.receivingComputer')"
      :aria-describedby="about"
      width="330"
      max-height="70vh"
    >
      <p :id="about" class="caption px-2.5 pt-0.5 pb-1.5" role="presentation">
        {{ t('buttons.shortcutsOpenedProgramsAndTyped') }}
      </p>
      <div role="group" :aria-label="t('buttons.operatingSystem')">
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
      <div role="group" :aria-label="t('buttons.keyboardLayout')">
        <MenuChoice
          v-for="layout in LAYOUTS"
          :key="layout.id"
          :title="textOf(layout.name)"
          :chosen="computer.layout === layout.id"
          @click="set({ layout: layout.id })"
        />
      </div>
    </v-list>
  </v-menu>
</template>

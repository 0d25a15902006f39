<script setup lang="ts">
import { computed } from 'vue'
import { shortcutKeys, type ActionContext } from '../../core/text/context'
import { setComputer } from '../../core/edits/edits'
import { keystrokeLines } from '../../core/computer/openings'
import { partsOf } from '../../core/terms/profile'
import type { Action } from '../../core/document/schema'
import { OPERATING_SYSTEMS, SYSTEM_NAMES, type OperatingSystem } from '../../core/computer/shortcuts'
import { layoutName } from '../../core/computer/layouts'
import { typeText, untypable } from '../../core/computer/typing'
import { useEditor } from '../stores/editor'

/** What the device really does for an action that is not just one key: the keys it sends, one after the other. */
const props = defineProps<{ action: Action; context: ActionContext; inputName: string }>()
const editor = useEditor()

const system = computed(() => props.context.computer.system)
const layout = computed(() => props.context.computer.layout)
const parts = computed(() => partsOf(props.action))
const needsSystem = computed(
  () => !system.value && parts.value.some(({ kind }) => kind === 'open' || kind === 'shortcut'),
)
const shortcut = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'shortcut')
  if (part?.kind !== 'shortcut' || !system.value) return undefined
  return { keys: shortcutKeys(part.shortcut, props.context), system: SYSTEM_NAMES[system.value] }
})
const opening = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'open')
  if (part?.kind !== 'open' || !system.value) return undefined
  return { system: SYSTEM_NAMES[system.value], lines: keystrokeLines(part, system.value, layout.value) }
})
const text = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'text')
  if (part?.kind !== 'text' || untypable(part.text, props.context.computer).length > 0) return undefined
  return { keys: typeText(part.text, props.context.computer).length, layout: layoutName(layout.value) }
})

const choose = (next: OperatingSystem) =>
  editor.edit(['system', { system: next }], (profile) =>
    setComputer(profile, { ...profile.computer, system: next }),
  )
</script>

<template>
  <div v-if="needsSystem" class="details ask">
    <span>The keys for this depend on the system of the computer it is for:</span>
    <v-btn v-for="each in OPERATING_SYSTEMS" :key="each" @click="choose(each)">
      {{ SYSTEM_NAMES[each] }}
    </v-btn>
  </div>
  <p v-else-if="shortcut" class="details">
    <template v-if="shortcut.keys">
      Sends <v-kbd class="keycap">{{ shortcut.keys }}</v-kbd> as {{ shortcut.system }} spells it.
    </template>
    <template v-else>{{ shortcut.system }} has no shortcut for this.</template>
  </p>
  <div v-else-if="opening" class="details">
    <p>
      A device cannot open anything by itself. It can type what you would type on {{ opening.system }}; these
      are the exact keystrokes:
    </p>
    <ol>
      <li v-for="(line, index) in opening.lines" :key="index" class="max-w-full">
        <v-kbd v-if="line.kind === 'keys'" class="keycap">{{ line.text }}</v-kbd>
        <span v-else-if="line.kind === 'wait'" class="soft">waits {{ line.text }}</span>
        <span v-else class="mono typed rounded-4 border border-line-strong px-1.5 py-px wrap-anywhere">{{
          line.text
        }}</span>
      </li>
    </ol>
  </div>
  <p v-else-if="text" class="details">
    Types {{ text.keys }} {{ text.keys === 1 ? 'key' : 'keys' }} of the {{ text.layout }} layout, each down as
    long as a press of the device’s own. On a computer with another layout it types something else.
  </p>
</template>

<style scoped>
.details {
  display: grid;
  gap: 6px;
  padding: 7px 10px;
  border-left: 3px solid var(--layer);
  background: var(--paper-high);
}

p.details {
  display: block;
}

.ask {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}

ol {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 0;
  margin: 0;
  counter-reset: key;
  list-style: none;
}
</style>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed } from 'vue'
import { shortcutKeys, type ActionContext } from '../../core/text/context'
import { setComputer } from '../../core/edits/edits'
import { keystrokeLines } from '../../core/computer/launches'
import { singleActions } from '../../core/terms/profile'
import type { Action } from '../../core/document/schema'
import {
  OPERATING_SYSTEMS,
  OPERATING_SYSTEM_NAMES,
  type OperatingSystem,
} from '../../core/computer/shortcuts'
import { layoutName } from '../../core/computer/layouts'
import { typeText, untypableCharacters } from '../../core/computer/typing'
import { useEditor } from '../stores/editor'

/** The actual behaviour of an action that is more than one key: the keys it sends, in sequence. */
const props = defineProps<{ action: Action; context: ActionContext; inputName: string }>()
const editor = useEditor()

const system = computed(() => props.context.computer.system)
const layout = computed(() => props.context.computer.layout)
const parts = computed(() => singleActions(props.action))
const needsSystem = computed(
  () => !system.value && parts.value.some(({ kind }) => kind === 'open' || kind === 'shortcut'),
)
const shortcut = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'shortcut')
  if (part?.kind !== 'shortcut' || !system.value) return undefined
  return { keys: shortcutKeys(part.shortcut, props.context), system: OPERATING_SYSTEM_NAMES[system.value] }
})
const opening = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'open')
  if (part?.kind !== 'open' || !system.value) return undefined
  return {
    system: OPERATING_SYSTEM_NAMES[system.value],
    lines: keystrokeLines(part, system.value, layout.value),
  }
})
const text = computed(() => {
  const part = parts.value.find(({ kind }) => kind === 'text')
  if (part?.kind !== 'text' || untypableCharacters(part.text, props.context.computer).length > 0)
    return undefined
  return { keys: typeText(part.text, props.context.computer).length, layout: layoutName(layout.value) }
})

const choose = (next: OperatingSystem) =>
  editor.edit(['system', { system: next }], (profile) =>
    setComputer(profile, { ...profile.computer, system: next }),
  )
</script>

<template>
  <div v-if="needsSystem" class="details ask">
    <span>{{ t('buttons.selectTheOperatingSystemOfThe') }}</span>
    <v-btn v-for="each in OPERATING_SYSTEMS" :key="each" @click="choose(each)">
      {{ OPERATING_SYSTEM_NAMES[each] }}
    </v-btn>
  </div>
  <p v-else-if="shortcut" class="details">
    <template v-if="shortcut.keys">
      <RichMessage message="buttons.sendsOn" :facts="{ system: shortcut.system }">
        <template #keys
          ><v-kbd class="keycap">{{ shortcut.keys }}</v-kbd></template
        >
      </RichMessage>
    </template>
    <template v-else>{{ t('buttons.hasNoShortcutForThis', { system: shortcut.system }) }}</template>
  </p>
  <div v-else-if="opening" class="details">
    <p>
      {{ t('buttons.aDeviceCannotOpenAProgramItself', { system: opening.system }) }}
    </p>
    <ol>
      <li v-for="(line, index) in opening.lines" :key="index" class="max-w-full">
        <v-kbd v-if="line.kind === 'keys'" class="keycap">{{ textOf(line.text) }}</v-kbd>
        <span v-else-if="line.kind === 'wait'" class="soft">{{
          t('buttons.delayOf', { text: line.text })
        }}</span>
        <span v-else class="mono typed rounded-4 border border-line-strong px-1.5 py-px wrap-anywhere">{{
          textOf(line.text)
        }}</span>
      </li>
    </ol>
  </div>
  <p v-else-if="text" class="details">
    {{ t('buttons.typesKeyOfTheLayoutHeldAs', { count: text.keys, layout: text.layout }) }}
  </p>
</template>

<style scoped>
.details {
  display: grid;
  gap: 6px;
  padding: 7px 10px;
  border-inline-start: 3px solid var(--layer);
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

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { actionFamily, actionMessage } from '../../core/text/action-text'
import { shortcutKeys, type ActionContext } from '../../core/text/context'
import type { Action } from '../../core/document/schema'

/** An action in its usual form: keys as key caps, everything else in the colour of its family. */
const props = defineProps<{ action: Action; context: ActionContext; quiet?: boolean; factory?: boolean }>()
const textOfAction = (action: Action) => textOf(actionMessage(action, props.context))
const text = computed(() => textOfAction(props.action))
const capsOf = (chord: string): string[] => chord.split(/\+(?=.)/)
const keys = computed(() => (props.action.kind === 'key' ? capsOf(text.value) : []))
const sends = computed(() => {
  const keys =
    props.action.kind === 'shortcut' ? shortcutKeys(props.action.shortcut, props.context) : undefined
  return keys === undefined ? undefined : textOf(keys)
})
const parts = computed(() =>
  props.action.kind === 'tap-hold'
    ? { tap: textOfAction(props.action.tap), hold: textOfAction(props.action.hold) }
    : undefined,
)
const family = computed(() =>
  props.action.kind === 'tap-hold' ? actionFamily(props.action.hold) : actionFamily(props.action),
)
</script>

<!-- Plain elements that look as the library's chips and keys: of the components themselves a sheet opens a third slower. -->
<template>
  <span v-if="quiet" class="faint">{{ text }}</span>
  <span v-else-if="parts" class="pair" :title="text">
    <span class="chip factory block truncate">{{ parts.tap }}</span>
    <span class="soft text-12">{{ t('buttons.hold') }}</span>
    <span class="chip block truncate" :class="family">{{ parts.hold }}</span>
  </span>
  <span v-else-if="keys.length" class="keys">
    <kbd v-for="key in keys" :key="key" class="keycap max-w-full">{{ key }}</kbd>
  </span>
  <span v-else class="chip" :class="factory ? 'factory' : family" :title="sends ?? text">
    <span class="truncate">{{ text }}</span><span v-if="sends" class="mono text-12 opacity-85">{{
      sends
    }}</span>
  </span>
</template>

<style scoped>
.keys,
.pair {
  max-width: 100%;
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 3px;
}

.pair {
  gap: 3px 5px;
}
</style>

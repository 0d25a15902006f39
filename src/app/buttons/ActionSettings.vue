<script setup lang="ts">
import { PLAY_ONCE } from '../../core/document/action-schema'
import type { ActionContext } from '../../core/text/context'
import type { Action } from '../../core/document/schema'
import MacroPartsSettings from './MacroPartsSettings.vue'
import MacroSettings from './MacroSettings.vue'
import TapHoldSettings from './TapHoldSettings.vue'

/** Additional settings of an action, for kinds that have any. */
defineProps<{ action: Action; context: ActionContext }>()
const emit = defineEmits<{ change: [action: Action] }>()
const change = (next: Action) => emit('change', next)
</script>

<template>
  <TapHoldSettings v-if="action.kind === 'tap-hold'" :action="action" :context="context" @change="change" />
  <MacroSettings
    v-else-if="action.kind === 'macro'"
    :action="action"
    :context="context"
    @change="change"
    @parts="change({ kind: 'macro-parts', held: action.macro })"
  />
  <MacroPartsSettings
    v-else-if="action.kind === 'macro-parts'"
    :action="action"
    :context="context"
    @change="change"
    @one="(macro) => change(PLAY_ONCE(macro))"
  />
</template>

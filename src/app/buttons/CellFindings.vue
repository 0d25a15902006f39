<script setup lang="ts">
import { computed } from 'vue'
import { findingText, fixText } from '../../core/checks/checks'
import type { Fix } from '../../core/checks/finding'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { usePending } from '../stores/pending'
import type { CellPlace } from './selection'

/** The errors and warnings of one cell, with their fixes, where the cell is edited. */
const props = defineProps<{ place: CellPlace }>()
const editor = useEditor()
const notices = useNotices()
const { compiled } = usePending()
const findings = computed(() =>
  (compiled.value?.findings ?? []).filter(
    ({ at }) => at?.input === props.place.input && at.layer === props.place.layer,
  ),
)

function apply(fix: Fix): void {
  const refusal = editor.edit(['fix', { key: fix.key, facts: fix.facts }], fix.apply)
  if (refusal) notices.refuse(refusal)
}
</script>

<template>
  <div v-if="findings.length" class="grid gap-1.5" role="status">
    <div
      v-for="finding in findings"
      :key="findingText(finding)"
      class="border-l-3 pl-2.5"
      :class="finding.severity"
    >
      <p class="text-13">
        <strong>{{ finding.severity === 'error' ? 'Error: ' : 'Warning: ' }}</strong>{{
          findingText(finding)
        }}
      </p>
      <div v-if="finding.fixes?.length" class="mt-1 flex flex-wrap gap-1.5">
        <v-btn v-for="fix in finding.fixes" :key="fixText(fix)" size="small" @click="apply(fix)">
          {{ fixText(fix) }}
        </v-btn>
      </div>
    </div>
  </div>
</template>

<style scoped>
.error {
  border-color: var(--pending);
}

.warning {
  border-color: var(--line-strong);
}

.error strong {
  color: var(--pending);
}
</style>

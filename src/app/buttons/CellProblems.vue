<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { findingMessage } from '../../core/checks/checks'
import FixButtons from '../shared/FixButtons.vue'
import { usePending } from '../stores/pending'
import type { CellPlace } from './selection'

/** The errors and warnings of one cell, with their fixes, where the cell is edited. */
const props = defineProps<{ place: CellPlace }>()
const { compiled } = usePending()
const findings = computed(() =>
  (compiled.value?.findings ?? []).filter(
    ({ at }) => at?.input === props.place.input && at.layer === props.place.layer,
  ),
)
</script>

<template>
  <div role="status" :class="{ 'grid gap-1.5': findings.length }">
    <div
      v-for="finding in findings"
      :key="textOf(findingMessage(finding))"
      class="border-s-3 ps-2.5"
      :class="finding.severity"
    >
      <p class="text-13">
        <strong>{{ finding.severity === 'error' ? t('buttons.error') : t('buttons.warning') }}</strong>
        {{ textOf(findingMessage(finding)) }}
      </p>
      <div v-if="finding.fixes?.length" class="mt-1 flex flex-wrap gap-1.5">
        <FixButtons :fixes="finding.fixes" />
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

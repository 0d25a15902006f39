<script setup lang="ts">
import { listText, t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import type { BudgetKind } from '../../core/compile/compile'

/** Bytes of an image by their purpose, to scale; the remaining part of the slot is hatched. */
const props = defineProps<{ parts: { kind: BudgetKind; bytes: number }[]; capacity: number }>()

const NAMES: Record<BudgetKind, string> = withTexts(
  {},
  {
    system: 'profile.partSystem',
    bindings: 'profile.partButtons',
    names: 'profile.partNames',
    macros: 'profile.partMacros',
    motion: 'profile.partMotion',
    light: 'profile.partLight',
  },
)
/** Names and macros are only in the legend if there are any. */
const shownParts = computed(() =>
  props.parts.filter(({ kind, bytes }) => bytes > 0 || (kind !== 'names' && kind !== 'macros')),
)
const used = computed(() => props.parts.reduce((sum, { bytes }) => sum + bytes, 0))
/** A small image would be a hairline in 4 KiB, so the strip shows the next power of two and says so. */
const shown = computed(() =>
  Math.min(props.capacity, 2 ** Math.ceil(Math.log2(Math.max(64, used.value * 1.3)))),
)
</script>

<template>
  <div>
    <div
      class="strip"
      role="img"
      :aria-label="
        listText(parts.map(({ kind, bytes }) => t('profile.bytes', { names: NAMES[kind], bytes })))
      "
    >
      <span
        v-for="{ kind, bytes } in parts"
        :key="kind"
        :class="kind"
        :style="{ width: `${(100 * bytes) / shown}%` }"
        :title="t('profile.partBytes', { part: NAMES[kind], bytes })"
      />
    </div>
    <div class="legend mt-0.75 flex flex-wrap gap-x-3.5 gap-y-0.5 text-12">
      <span v-for="{ kind, bytes } in shownParts" :key="kind" :class="`text-${kind}`">
        <i class="me-1.25 inline-block h-2 w-2" :class="kind" />{{ NAMES[kind] }}
        <span class="mono text-12">{{ bytes }}</span>
      </span>
      <span class="caption end ms-auto">{{ t('profile.theStripShowsTheFirstBytesOf', { shown }) }}</span>
    </div>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  height: 15px;
  border: 1px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
  background: repeating-linear-gradient(-45deg, transparent 0 5px, var(--line) 5px 6px);
}

/* A border between them, for people who cannot distinguish two of their colours. */
.strip span {
  border-inline-end: 1px solid var(--paper-high);
  transition: width 0.15s;
}

.system {
  background: var(--bar-system);
}

.bindings {
  background: var(--bar-binding);
}

.names {
  background: var(--bar-names);
}

.macros {
  background: var(--bar-macro);
}

.motion {
  background: var(--bar-motion);
}

.light {
  background: var(--bar-light);
}

.text-system {
  color: var(--system);
}

.text-names,
.text-bindings {
  color: var(--binding);
}

.text-macros {
  color: var(--macro);
}

.text-motion {
  color: var(--motion);
}

.text-light {
  color: var(--light);
}

@media (forced-colors: active) {
  .strip span,
  .legend i {
    forced-color-adjust: none;
  }
}
</style>

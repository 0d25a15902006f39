<script setup lang="ts">
import { computed } from 'vue'
import { slotCapacity } from '../../core/device/lookups'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import { bytesText, clockText } from '../shared/device-line'
import ChecksPanel from './ChecksPanel.vue'
import MemoryStrip from './MemoryStrip.vue'
import SlotMenu from './SlotMenu.vue'
import WriteBox from './WriteBox.vue'

/** Foot of the drawing sheet: which profile, which slot, what it takes, and whether the device has it. */
const editor = useEditor()
const { compiled } = usePending()

const used = computed(() => compiled.value?.bytes?.length)
const capacity = computed(() => (editor.model ? slotCapacity(editor.model.memory) : 0))
const findings = computed(() => compiled.value?.findings ?? [])
</script>

<template>
  <footer class="block" aria-label="Title block">
    <section class="cell">
      <span class="caption">Profile</span>
      <strong class="value">{{ editor.profile?.name }}</strong>
      <span class="caption" :class="{ trouble: editor.unsaved }">
        {{
          editor.unsaved
            ? 'not stored in this browser'
            : editor.savedAt
              ? `saved here at ${clockText(editor.savedAt)}`
              : ''
        }}
      </span>
    </section>
    <section class="cell"><SlotMenu /></section>
    <section class="cell memory">
      <div class="row">
        <span class="caption">Device memory this profile needs</span>
        <ChecksPanel :findings="findings" />
        <span class="stretch" />
        <span class="mono text-no-wrap">
          {{
            used === undefined
              ? 'does not compile'
              : `${bytesText(used).slice(0, -2)} of ${bytesText(capacity)}`
          }}
        </span>
      </div>
      <MemoryStrip :parts="compiled?.budget ?? []" :capacity="capacity" />
    </section>
    <WriteBox class="cell" />
  </footer>
</template>

<style scoped>
.block {
  display: grid;
  min-height: 88px;
  grid-template-columns: minmax(140px, 176px) minmax(150px, 180px) minmax(0, 1fr) minmax(236px, 268px);
  border-top: 2px solid var(--ink);
  background: var(--paper);
}

.cell {
  display: flex;
  min-width: 0;
  flex-direction: column;
  justify-content: center;
  padding: 8px 14px;
}

.cell + .cell {
  border-left: 1px solid var(--line-strong);
}

.value {
  overflow: hidden;
  font-size: 1.14rem;
  font-weight: 650;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
}

.memory {
  gap: 4px;
}

.trouble {
  color: var(--pending);
}

.stretch {
  flex: 1;
}

@media (width < 1000px) {
  .block {
    grid-template-columns: 1fr 1fr;
  }

  .memory {
    order: 1;
    grid-column: 1 / -1;
    border-top: 1px solid var(--line-strong);
  }

  .cell + .cell {
    border-left: 0;
  }
}
</style>

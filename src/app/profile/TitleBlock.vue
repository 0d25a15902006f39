<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import { slotCapacity } from '../../core/device/lookups'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import { bytesText, clockText } from '../shared/device-line'
import ChecksPanel from './ChecksPanel.vue'
import MemoryStrip from './MemoryStrip.vue'
import SlotMenu from './SlotMenu.vue'
import WriteBox from './WriteBox.vue'

/** The title block: the profile, its slot, the memory it uses, and whether the device has it. */
const editor = useEditor()
const { compiled } = usePending()

const used = computed(() => compiled.value?.bytes?.length)
const capacity = computed(() => (editor.model ? slotCapacity(editor.model.memory) : 0))
const findings = computed(() => compiled.value?.findings ?? [])
</script>

<template>
  <v-footer class="title-block" :aria-label="t('profile.titleBlock')">
    <section class="cell">
      <span class="caption">{{ t('profile.profile') }}</span>
      <strong class="truncate text-16 font-strong">{{ editor.profile?.name }}</strong>
      <span class="caption" :class="{ trouble: editor.unsaved }">
        {{
          editor.unsaved
            ? t('profile.notSavedInThisBrowser')
            : editor.savedAt
              ? t('profile.savedAt', { time: clockText(editor.savedAt) })
              : ''
        }}
      </span>
    </section>
    <section class="cell"><SlotMenu /></section>
    <section
      class="cell gap-1 max-[1000px]:order-1 max-[1000px]:col-span-full max-[1000px]:border-t max-[1000px]:border-line-strong"
    >
      <div class="flex flex-wrap items-baseline gap-x-3 gap-y-0">
        <span class="caption">{{ t('profile.deviceMemoryUsedByThisProfile') }}</span>
        <ChecksPanel :findings="findings" />
        <span class="flex-1" />
        <span class="mono text-no-wrap">
          {{
            used === undefined
              ? t('profile.hasErrors')
              : t('profile.of', { used: bytesText(used).slice(0, -2), total: bytesText(capacity) })
          }}
        </span>
      </div>
      <MemoryStrip :parts="compiled?.budget ?? []" :capacity="capacity" />
    </section>
    <WriteBox class="cell" />
  </v-footer>
</template>

<style scoped>
.title-block {
  display: grid;
  min-height: 88px;
  flex: none;
  align-items: stretch;
  padding: 0;
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
  border-inline-start: 1px solid var(--line-strong);
}

.trouble {
  color: var(--pending);
}

@media (width < 1000px) {
  .title-block {
    grid-template-columns: 1fr 1fr;
  }

  .cell + .cell {
    border-inline-start: 0;
  }
}
</style>

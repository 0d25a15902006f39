<script setup lang="ts">
import { t } from '../../messages/page'
import { shallowRef, watch } from 'vue'
import { modelById } from '../../core/device/models'
import { ProfileError } from '../../core/base/errors'
import { parseProfile } from '../../core/document/schema'
import { BIN_DAYS } from '../database/library'
import type { BinnedProfile } from '../database/library-database'
import { useLibrary } from '../stores/library'

/** Deleted profiles that can still be restored. */
const library = useLibrary()
const binned = shallowRef<readonly (BinnedProfile & ReturnType<typeof said>)[]>([])
watch(
  () => library.binChanged,
  async () => {
    const items = (await library.attempt(library.binned)) ?? []
    binned.value = items.map((item) => ({ ...item, ...said(item) }))
  },
  { immediate: true },
)

const DAY_MS = 24 * 3600 * 1000
const daysLeft = ({ deletedAt }: BinnedProfile) =>
  Math.max(1, Math.ceil(BIN_DAYS - (Date.now() - deletedAt) / DAY_MS))

function said({ row }: BinnedProfile): { name: string; model: string } {
  try {
    const { name, model } = parseProfile(row.document)
    return { name, model: modelById(model)?.name ?? model }
  } catch (error) {
    if (error instanceof ProfileError) return { name: t('library.unreadableProfile'), model: '' }
    throw error
  }
}
</script>

<template>
  <v-expansion-panels v-if="binned.length" class="mt-4 flex-none">
    <v-expansion-panel :title="t('library.deleted', { count: binned.length })">
      <template #text>
        <ul class="m-0 list-none p-0">
          <li v-for="item in binned" :key="item.id" class="flex items-center gap-3 border-t border-line">
            <strong>{{ item.name }}</strong>
            <span class="soft">{{ item.model }}</span>
            <span class="caption soft flex-1">
              {{
                daysLeft(item) === 1
                  ? t('library.keptForOneMoreDay')
                  : t('library.keptForMoreDays', { daysLeft: daysLeft(item) })
              }}
            </span>
            <v-btn
              :aria-label="t('library.restore', { name: item.name })"
              @click="library.bringBack(item.row)"
              >{{ t('library.restore2') }}</v-btn
            >
            <v-btn
              variant="text"
              :aria-label="t('library.deletePermanently', { name: item.name })"
              @click="library.discard(item.id)"
            >
              {{ t('library.deletePermanently2') }}
            </v-btn>
          </li>
        </ul>
      </template>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

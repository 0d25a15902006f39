<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { modelById } from '../../core/device/models'
import { ProfileError } from '../../core/base/refusal'
import { parseProfile } from '../../core/document/schema'
import { DAYS_IN_BIN } from '../database/library'
import type { BinnedProfile } from '../database/library-database'
import { useLibrary } from '../stores/library'

/** Profiles that were deleted, for as long as they can be brought back. */
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
  Math.max(1, Math.ceil(DAYS_IN_BIN - (Date.now() - deletedAt) / DAY_MS))

function said({ row }: BinnedProfile): { name: string; model: string } {
  try {
    const { name, model } = parseProfile(row.document)
    return { name, model: modelById(model)?.name ?? model }
  } catch (error) {
    if (error instanceof ProfileError) return { name: 'a profile that cannot be read', model: '' }
    throw error
  }
}
</script>

<template>
  <v-expansion-panels v-if="binned.length" class="mt-4 flex-none">
    <v-expansion-panel :title="`Deleted, ${binned.length}`">
      <template #text>
        <ul class="m-0 list-none p-0">
          <li v-for="item in binned" :key="item.id" class="flex items-center gap-3 border-t border-line">
            <strong>{{ item.name }}</strong>
            <span class="soft">{{ item.model }}</span>
            <span class="caption soft flex-1">
              {{ daysLeft(item) === 1 ? 'one more day' : `${daysLeft(item)} more days` }}
            </span>
            <v-btn :aria-label="`Bring back ${item.name}`" @click="library.bringBack(item.row)"
              >Bring back</v-btn
            >
            <v-btn
              variant="text"
              :aria-label="`Delete for good: ${item.name}`"
              @click="library.discard(item.id)"
            >
              Delete for good
            </v-btn>
          </li>
        </ul>
      </template>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../core/device/models'
import TwoLineButton from '../shared/TwoLineButton.vue'
import { useLibrary } from '../stores/library'
import ProfileClash from './ProfileClash.vue'
import ProfilePreview from './ProfilePreview.vue'
import { useProfileFiles } from './profile-files'
import { useShelf, type ShelfProfile } from './shelf'
import { useFoundCount } from '../shared/found-count'
import SearchField from '../../look/SearchField.vue'

/** Profiles that others shared: preview, search and import them, or add your own to a folder. */
const library = useLibrary()
const router = useRouter()
const { shown, wanted, folder, canChoose, choose, open, leave, put } = useShelf()
useFoundCount(
  () => wanted.value,
  () => shown.value.length,
)
const { clash, bring, settle } = useProfileFiles((id) => void router.push(`/profile/${id}/buttons`))
const selectedFile = ref<string>()
const keyOf = ({ from, file }: ShelfProfile) => `${from} ${file}`
const aboutOf = ({ found, problem }: ShelfProfile) =>
  found ? [modelById(found.profile.model)?.name, ...found.profile.tags].join(' · ') : (problem ?? '')
const chosen = computed(
  () =>
    shown.value.find((each) => keyOf(each) === selectedFile.value) ?? shown.value.find(({ found }) => found),
)
</script>

<template>
  <div class="grid grid-cols-[270px_minmax(0,1fr)] max-[900px]:grid-cols-1">
    <nav
      class="flex flex-col gap-1.5 overflow-auto border-e border-line p-4"
      :aria-label="t('library.sharedProfiles')"
    >
      <h1>{{ t('library.shelf') }}</h1>
      <p class="caption soft">{{ t('library.profilesThatOthersSharedAsFiles') }}</p>
      <SearchField
        v-model="wanted"
        :placeholder="t('library.nameTagAction')"
        :label="t('library.searchTheShelf')"
      />
      <div v-if="canChoose" class="flex flex-wrap items-center gap-x-2 gap-y-1">
        <template v-if="folder">
          <span class="caption soft text-truncate">{{ t('library.folder', { name: folder.name }) }}</span>
          <v-btn v-if="!folder.open" size="small" @click="open">{{ t('library.grantAccessAgain') }}</v-btn>
          <v-menu v-else>
            <template #activator="{ props: activator }">
              <v-btn size="small" v-bind="activator"
                >{{ t('library.addToThisFolder') }} <span aria-hidden="true">▾</span></v-btn
              >
            </template>
            <v-list role="menu" max-height="360">
              <v-list-item
                v-for="entry in library.entries"
                :key="entry.id"
                role="menuitem"
                :title="entry.profile.name"
                @click="put(entry)"
              />
            </v-list>
          </v-menu>
          <v-btn size="small" variant="text" @click="leave">{{ t('library.skip') }}</v-btn>
        </template>
        <v-btn v-else size="small" @click="choose">{{ t('library.openAFolder') }}</v-btn>
      </div>
      <TwoLineButton
        v-for="item in shown"
        :key="keyOf(item)"
        :title="item.found?.profile.name ?? item.file"
        :about="aboutOf(item)"
        :trouble="!item.found"
        :disabled="!item.found"
        :chosen="item === chosen"
        @click="selectedFile = keyOf(item)"
      />
    </nav>
    <ProfilePreview
      v-if="chosen?.found"
      :key="keyOf(chosen)"
      :file="chosen.found"
      :about="t('library.from', { file: chosen.file })"
      heading="h2"
    >
      <template #asked>
        <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
      </template>
      <template #ends>
        <v-btn variant="flat" color="ink" @click="chosen.found && bring(chosen.file, chosen.found)">
          {{ t('library.importIntoLibrary') }}
        </v-btn>
      </template>
    </ProfilePreview>
    <v-empty-state
      v-else
      class="sheet"
      :title="t('library.noMatchingProfilesOnTheShelf')"
      :text="t('library.tryAnotherNameTagOrAction')"
    />
  </div>
</template>

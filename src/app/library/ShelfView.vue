<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../core/device/models'
import FileRefusal from '../shared/FileRefusal.vue'
import TwoLineButton from '../shared/TwoLineButton.vue'
import { useLibrary } from '../stores/library'
import ProfileClash from './ProfileClash.vue'
import ProfilePreview from './ProfilePreview.vue'
import { useProfileFiles } from './profile-files'
import { useShelf, type Shelved } from './shelf'
import { useFoundCount } from '../shared/found-count'

/** Profiles that others shared: looked at, searched and taken; one's own put into a folder of one's choice. */
const library = useLibrary()
const router = useRouter()
const { shown, wanted, folder, canChoose, choose, open, leave, put } = useShelf()
useFoundCount(
  () => wanted.value,
  () => shown.value.length,
)
const { refusal, clash, bring, settle } = useProfileFiles((id) => void router.push(`/profile/${id}/buttons`))
const chosenFile = ref<string>()
const keyOf = ({ from, file }: Shelved) => `${from} ${file}`
const aboutOf = ({ found, problem }: Shelved) =>
  found ? [modelById(found.profile.model)?.name, ...found.profile.tags].join(' · ') : (problem ?? '')
const chosen = computed(
  () =>
    shown.value.find((each) => keyOf(each) === chosenFile.value) ?? shown.value.find(({ found }) => found),
)
</script>

<template>
  <div class="grid grid-cols-[270px_minmax(0,1fr)] max-[900px]:grid-cols-1">
    <nav class="flex flex-col gap-1.5 overflow-auto border-r border-line p-4" aria-label="Shared profiles">
      <h1>Shelf</h1>
      <p class="caption soft">Profiles that others shared, as plain files. Nothing here is sent anywhere.</p>
      <v-text-field
        v-model="wanted"
        type="search"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Name, tag, action"
        aria-label="Search the shelf"
      />
      <div v-if="canChoose" class="flex flex-wrap items-center gap-x-2 gap-y-1">
        <template v-if="folder">
          <span class="caption soft text-truncate">folder {{ folder.name }}</span>
          <v-btn v-if="!folder.open" size="small" @click="open">Open it again</v-btn>
          <v-menu v-else>
            <template #activator="{ props: activator }">
              <v-btn size="small" v-bind="activator">Put one there <span aria-hidden="true">▾</span></v-btn>
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
          <v-btn size="small" variant="text" @click="leave">Leave it</v-btn>
        </template>
        <v-btn v-else size="small" @click="choose">A folder of my own…</v-btn>
      </div>
      <TwoLineButton
        v-for="item in shown"
        :key="keyOf(item)"
        :title="item.found?.profile.name ?? item.file"
        :about="aboutOf(item)"
        :trouble="!item.found"
        :disabled="!item.found"
        :chosen="item === chosen"
        @click="chosenFile = keyOf(item)"
      />
    </nav>
    <ProfilePreview
      v-if="chosen?.found"
      :key="keyOf(chosen)"
      :file="chosen.found"
      :about="`from ${chosen.file}`"
      heading="h2"
    >
      <template #asked>
        <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
        <FileRefusal v-if="refusal" v-bind="refusal" />
      </template>
      <template #ends>
        <v-btn variant="flat" color="ink" @click="chosen.found && bring(chosen.file, chosen.found)">
          Take it into the library
        </v-btn>
      </template>
    </ProfilePreview>
    <v-empty-state
      v-else
      class="sheet"
      title="Nothing of that on the shelf"
      text="Search for another name, tag or action."
    />
  </div>
</template>

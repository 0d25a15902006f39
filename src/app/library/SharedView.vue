<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ProfileError } from '../../core/base/errors'
import type { ProfileFile } from '../../core/files/profile-file'
import { readShared, extractShared } from '../../core/share/link'
import ProfileClash from './ProfileClash.vue'
import ProfilePreview from './ProfilePreview.vue'
import { useProfileFiles } from './profile-files'

/** An opened link to a profile. Nothing is saved without asking. */
const route = useRoute()
const router = useRouter()
const { clash, bring, settle } = useProfileFiles((id) => void router.push(`/profile/${id}/buttons`))

const problems = shallowRef<readonly string[]>()
const found = shallowRef<ProfileFile>()
watch(
  () => route.hash,
  (hash) => {
    found.value = problems.value = undefined
    try {
      found.value = readShared(extractShared(hash))
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.value = error.problems.map(textOf)
    }
  },
  { immediate: true },
)
</script>

<template>
  <ProfilePreview v-if="found" :file="found" :about="t('library.fromALink')">
    <template #asked>
      <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
    </template>
    <template #ends>
      <v-btn to="/library">{{ t('library.skip') }}</v-btn>
      <v-btn variant="flat" color="ink" @click="found && bring(t('library.theLink'), found)">{{
        t('library.addToLibrary')
      }}</v-btn>
    </template>
  </ProfilePreview>
  <v-empty-state
    v-else
    class="sheet"
    :title="t('library.thisLinkCannotBeOpened')"
    :text="problems?.join('; ')"
  >
    <p class="soft">{{ t('library.nothingWasChangedAskTheSenderFor') }}</p>
    <template #actions>
      <v-btn variant="flat" color="ink" to="/library">{{ t('library.openTheLibrary') }}</v-btn>
    </template>
  </v-empty-state>
</template>

<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ProfileError } from '../../core/base/refusal'
import type { ProfileFile } from '../../core/files/profile-file'
import { readShared, sharedIn } from '../../core/share/link'
import FileRefusal from '../shared/FileRefusal.vue'
import ProfileClash from './ProfileClash.vue'
import ProfilePreview from './ProfilePreview.vue'
import { useProfileFiles } from './profile-files'

/** A link that is a profile, opened. Nothing is kept unasked. */
const route = useRoute()
const router = useRouter()
const { refusal, clash, bring, settle } = useProfileFiles((id) => void router.push(`/profile/${id}/buttons`))

const problems = shallowRef<readonly string[]>()
const found = shallowRef<ProfileFile>()
watch(
  () => route.hash,
  (hash) => {
    found.value = problems.value = undefined
    try {
      found.value = readShared(sharedIn(hash))
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.value = error.problems
    }
  },
  { immediate: true },
)
</script>

<template>
  <ProfilePreview v-if="found" :file="found" about="by a link">
    <template #asked>
      <ProfileClash v-if="clash" :clash="clash" @settle="settle" />
      <FileRefusal v-if="refusal" v-bind="refusal" />
    </template>
    <template #ends>
      <v-btn to="/library">Leave it</v-btn>
      <v-btn variant="flat" color="ink" @click="found && bring('the link', found)"
        >Keep it in the library</v-btn
      >
    </template>
  </ProfilePreview>
  <v-empty-state v-else class="sheet" title="This link cannot be opened" :text="problems?.join('; ')">
    <p class="soft">Nothing was changed. Ask for the link again, or for the profile as a file.</p>
    <template #actions>
      <v-btn variant="flat" color="ink" to="/library">Open the library</v-btn>
    </template>
  </v-empty-state>
</template>

<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { onMounted, useTemplateRef } from 'vue'
import type { ClashAnswer, ProfileClash } from './profile-files'

/** A different profile with the same name exists: the differences, and the options. */
defineProps<{ clash: ProfileClash }>()
defineEmits<{ settle: [answer: ClashAnswer] }>()
const heading = useTemplateRef<HTMLElement>('heading')
onMounted(() => heading.value?.focus())
</script>

<template>
  <section
    class="mb-4 grid gap-2.5 rounded-6 border border-s-3 border-line-strong border-s-pending px-4 py-3.5"
    role="alertdialog"
    aria-labelledby="clash-title"
  >
    <h2 id="clash-title" ref="heading" class="outline-none" tabindex="-1">
      {{ t('library.theLibraryHasADifferent', { name: clash.here.profile.name }) }}
    </h2>
    <v-table density="compact" class="max-h-[260px] overflow-auto">
      <thead>
        <tr>
          <th scope="col">{{ t('library.setting') }}</th>
          <th scope="col">{{ t('library.library') }}</th>
          <th scope="col">{{ t('library.file') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(edit, index) in clash.edits" :key="index">
          <th scope="row">{{ textOf(edit.what) }}</th>
          <td>{{ textOf(edit.from) }}</td>
          <td>{{ textOf(edit.to) }}</td>
        </tr>
        <tr v-if="clash.edits.length === 0">
          <td colspan="3">{{ t('library.onlyTheNotesDifferTheyStayIn') }}</td>
        </tr>
      </tbody>
    </v-table>
    <div class="flex gap-2">
      <v-btn @click="$emit('settle', 'both')">{{ t('library.keepBoth') }}</v-btn>
      <v-btn @click="$emit('settle', 'replace')">{{ t('library.replaceTheExistingOne') }}</v-btn>
      <v-btn variant="text" @click="$emit('settle', 'skip')">{{ t('library.cancelTheImport') }}</v-btn>
    </div>
  </section>
</template>

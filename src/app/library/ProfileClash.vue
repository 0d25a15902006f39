<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue'
import type { ClashAnswer, ProfileClash } from './profile-files'

/** A profile of this name is here and differs: what differs, and what is to be done. */
defineProps<{ clash: ProfileClash }>()
defineEmits<{ settle: [answer: ClashAnswer] }>()
const heading = useTemplateRef<HTMLElement>('heading')
onMounted(() => heading.value?.focus())
</script>

<template>
  <section
    class="mb-4 grid gap-2.5 rounded-6 border border-l-3 border-line-strong border-l-pending px-4 py-3.5"
    role="alertdialog"
    aria-labelledby="clash-title"
  >
    <h2 id="clash-title" ref="heading" class="outline-none" tabindex="-1">
      “{{ clash.here.profile.name }}” is in the library, and differs
    </h2>
    <v-table density="compact" class="max-h-[260px] overflow-auto">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">Here</th>
          <th scope="col">In the file</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(edit, index) in clash.edits" :key="index">
          <th scope="row">{{ edit.what }}</th>
          <td>{{ edit.from }}</td>
          <td>{{ edit.to }}</td>
        </tr>
        <tr v-if="clash.edits.length === 0">
          <td colspan="3">Only notes, which stay in the library</td>
        </tr>
      </tbody>
    </v-table>
    <div class="flex gap-2">
      <v-btn @click="$emit('settle', 'both')">Keep both</v-btn>
      <v-btn @click="$emit('settle', 'replace')">Replace what is here</v-btn>
      <v-btn variant="text" @click="$emit('settle', 'skip')">Leave the file</v-btn>
    </div>
  </section>
</template>

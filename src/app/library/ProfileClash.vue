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
  <section class="clash" role="alertdialog" aria-labelledby="clash-title">
    <h2 id="clash-title" ref="heading" tabindex="-1">
      “{{ clash.here.profile.name }}” is in the library, and differs
    </h2>
    <v-table density="compact" class="differences">
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
    <div class="answers">
      <v-btn @click="$emit('settle', 'both')">Keep both</v-btn>
      <v-btn @click="$emit('settle', 'replace')">Replace what is here</v-btn>
      <v-btn variant="text" @click="$emit('settle', 'skip')">Leave the file</v-btn>
    </div>
  </section>
</template>

<style scoped>
.clash {
  display: grid;
  gap: 10px;
  padding: 14px 16px;
  border: 1px solid var(--line-strong);
  border-left: 3px solid var(--pending);
  border-radius: 6px;
  margin-bottom: 16px;
}

h2 {
  outline: none;
}

.differences {
  max-height: 260px;
  overflow: auto;
}

.answers {
  display: flex;
  gap: 8px;
}
</style>

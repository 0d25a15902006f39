<script setup lang="ts">
import { onMounted, ref, useTemplateRef, watch } from 'vue'
import { useNotices, type Notice } from '../stores/notices'

/** What was said last, at the foot of the window. Plain notices go by themselves, trouble stays. */
const notices = useNotices()
const PLAIN_MS = 12_000
/** A notice takes no part in which overlay is the top one: Escape goes to the menu or the dialog that is open. */
const BESIDE = { _disableGlobalStack: true }
const shown = useTemplateRef<{ clear: () => void }>('shown')
const next = ref<{ id: string; class: string; timeout: number; onDismiss: () => void }[]>([])
const idOf = ({ id }: Notice) => `notice-${id}`
const noticeOf = (id: unknown) => notices.said.find((each) => idOf(each) === id)

function show(notice: Notice): void {
  next.value = [
    {
      id: idOf(notice),
      class: notice.tone,
      timeout: notice.tone === 'plain' ? PLAIN_MS : -1,
      onDismiss: () => notices.current === notice && notices.dismiss(),
    },
  ]
}

watch(
  () => notices.current,
  (notice) => (notice ? show(notice) : shown.value?.clear()),
)
/** What was said while this was on its way. */
onMounted(() => notices.current && show(notices.current))

function act(id: unknown): void {
  const notice = noticeOf(id)
  notice?.action?.act()
  if (notices.current === notice) notices.dismiss()
}
</script>

<template>
  <!-- It is there before what is said in it, which screen readers want. -->
  <div id="notices" aria-live="polite">
    <v-snackbar-queue
      ref="shown"
      v-model="next"
      v-bind="BESIDE"
      attach="#notices"
      display-strategy="overflow"
    >
      <template #header="{ item }">{{ noticeOf(item.id)?.text }}</template>
      <template #actions="{ item, props }">
        <v-btn v-if="noticeOf(item.id)?.action" variant="outlined" @click="act(item.id)">
          {{ noticeOf(item.id)?.action?.label }}
        </v-btn>
        <v-btn variant="text" text="Dismiss" v-bind="props" />
      </template>
    </v-snackbar-queue>
  </div>
</template>

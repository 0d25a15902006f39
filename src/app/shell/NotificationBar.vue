<script setup lang="ts">
import { t } from '../../messages/page'
import { onMounted, ref, useTemplateRef, watch } from 'vue'
import { yieldThread } from '../database/yield-thread'
import { useNotifications, type AppNotification } from '../stores/notifications'

/** The latest notification. Plain ones disappear by themselves, problems stay. */
const notices = useNotifications()
const PLAIN_MS = 12_000
/** A notification is never the topmost overlay: Escape closes the open menu or dialog. */
const BESIDE = { _disableGlobalStack: true }
const shown = useTemplateRef<{ clear: () => void }>('shown')
const next = ref<{ id: string; class: string; timeout: number; onDismiss: () => void }[]>([])
const idOf = ({ id }: AppNotification) => `notice-${id}`
const noticeOf = (id: unknown) => notices.said.find((each) => idOf(each) === id)

function show(notice: AppNotification): void {
  next.value = [
    {
      id: idOf(notice),
      class: notice.tone,
      timeout: notice.tone === 'plain' ? PLAIN_MS : -1,
      onDismiss: () => notices.current === notice && notices.dismiss(),
    },
  ]
}

/** The notification that is shown: several changes within one task lead to one. */
let last: AppNotification | undefined

// In a separate task, because the reported change has updated a view already.
watch(
  () => notices.current,
  async () => {
    await yieldThread()
    const notice = notices.current
    if (notice === last) return
    last = notice
    if (notice) show(notice)
    else shown.value?.clear()
  },
)
/** Notifications that arrived meanwhile. */
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
        <v-btn variant="text" :text="t('shell.dismiss')" v-bind="props" />
      </template>
    </v-snackbar-queue>
  </div>
</template>

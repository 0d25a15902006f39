<script setup lang="ts">
import { t } from '../../messages/page'
import { entriesOf } from '../../core/base/tables'
import { computed, ref } from 'vue'
import { NOTIFICATION_KINDS, usePreferences, type NotificationKind } from '../stores/preferences'

/** Selects which notifications appear, and whether the system shows them too. */
const preferences = usePreferences()
const KINDS = entriesOf<NotificationKind, string>(NOTIFICATION_KINDS)

const canTell = typeof Notification !== 'undefined'
const refused = ref(false)
const toSystem = computed(() => preferences.now.toSystem && canTell && Notification.permission === 'granted')
async function setToSystem(wanted: boolean): Promise<void> {
  const granted = wanted && (await Notification.requestPermission()) === 'granted'
  refused.value = wanted && !granted
  preferences.set('toSystem', granted)
}
</script>

<template>
  <div role="group" :aria-label="t('settings.notifications')">
    <v-checkbox
      v-for="[kind, text] in KINDS"
      :key="kind"
      :label="text"
      :model-value="preferences.now.notices[kind]"
      @update:model-value="
        (now: unknown) => preferences.set('notices', { ...preferences.now.notices, [kind]: now === true })
      "
    />
  </div>
  <v-switch
    v-if="canTell"
    :label="t('settings.alsoShowSystemNotificationsWhile')"
    :model-value="toSystem"
    @update:model-value="(now: unknown) => setToSystem(now === true)"
  />
  <div class="contents" role="status">
    <p v-if="refused" class="caption pending">
      {{ t('settings.thisBrowserBlocksNotificationsFrom') }}
    </p>
  </div>
</template>

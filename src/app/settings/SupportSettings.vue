<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, onMounted, ref } from 'vue'
import { checkProfile } from '../../core/checks/checks'
import { modelById } from '../../core/device/models'
import { saveFile } from '../files/save-file'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { useStorageCare } from '../stores/storage-care'
import { supportText } from './support-text'

/** Version, licences, and a text for support. */
const devices = useDevices()
const library = useLibrary()
const macros = useMacros()
const notices = useNotifications()
const care = useStorageCare()
onMounted(() => void care.look())
const version = __UNISERA_VERSION__
const withNames = ref(false)
const shown = ref(false)

/** Findings counted by kind, without their subjects. */
const findings = computed(() => {
  const counts = new Map<string, number>()
  for (const { profile } of library.entries) {
    const model = modelById(profile.model)
    if (!model) continue
    for (const { severity, rule } of checkProfile(profile, model, macros.shelf)) {
      const what = `${severity}: ${rule}`
      counts.set(what, (counts.get(what) ?? 0) + 1)
    }
  }
  return [...counts].map(([what, count]) => `${what} × ${count}`)
})

const text = computed(() => {
  const { room, keptForGood } = care
  const mebibytes = (bytes: number) => t('settings.mib2', { ceil: Math.ceil(bytes / (1 << 20)) })
  return supportText({
    version,
    browser: navigator.userAgent,
    storage: room
      ? keptForGood
        ? t('settings.usedLeftPermanentStorage', {
            mebibytes: mebibytes(room.usedBytes),
            mebibytes2: mebibytes(room.leftBytes),
          })
        : t('settings.usedLeftKeptUntilSpaceIsNeeded', {
            mebibytes: mebibytes(room.usedBytes),
            mebibytes2: mebibytes(room.leftBytes),
          })
      : keptForGood
        ? t('settings.spaceUnknownPermanentStorage')
        : t('settings.spaceUnknownKeptUntilSpaceIsNeeded'),
    library: t('settings.profilesMacrosUnreadable', {
      count: library.entries.length,
      count2: macros.list.length,
      count3: library.quarantined.length,
    }),
    devices: devices.list.map((device) => ({
      device,
      counts: devices.linkCounts.get(device.id),
    })),
    findings: findings.value,
    said: notices.said
      .filter(({ tone }) => tone === 'trouble')
      .map((notice) => (withNames.value ? notice.text : nameless(notice.text))),
    names: withNames.value
      ? library.entries.map(({ profile }) => `${profile.name} (${profile.model})`)
      : undefined,
  })
})

/** Quoted text belongs to the person. */
const nameless = (said: string): string => said.replace(/“[^”]*”/g, '“…”')

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(text.value)
    notices.say(t('settings.theSupportTextWasCopied'))
  } catch {
    shown.value = true
    notices.refuse(t('settings.thisBrowserDoesNotLetPagesCopy'))
  }
}
</script>

<template>
  <p>
    <RichMessage message="settings.unisera">
      <template #version
        ><span class="mono">{{ version }}</span></template
      >
      <template #licences
        ><a class="text-inherit" href="/licences.txt" target="_blank" rel="noopener">{{
          t('settings.openSourceLicences')
        }}</a></template
      >
    </RichMessage>
  </p>
  <p class="soft">
    {{ t('settings.theSupportTextListsTheVersion') }}
  </p>
  <div class="flex flex-wrap items-center gap-2.5">
    <v-btn class="text-inherit" @click="copy">{{ t('settings.copySupportText') }}</v-btn>
    <v-btn class="text-inherit" @click="saveFile({ name: 'unisera-support.txt', content: text })">{{
      t('settings.saveSupportText')
    }}</v-btn>
    <v-btn class="text-inherit" variant="text" :aria-expanded="shown" @click="shown = !shown">{{
      t('settings.showSupportText')
    }}</v-btn>
    <v-checkbox v-model="withNames" :label="t('settings.includeProfileNames')" />
  </div>
  <pre
    v-if="shown"
    tabindex="0"
    class="mono m-0 max-h-[300px] w-full overflow-auto rounded-5 border border-line bg-paper-low px-3 py-2.5 whitespace-pre-wrap"
    :aria-label="t('settings.supportText')"
    >{{ text }}</pre>
</template>

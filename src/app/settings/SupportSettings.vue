<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { checkProfile } from '../../core/checks/checks'
import { modelById } from '../../core/device/models'
import { saveFile } from '../shared/save-file'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { useStorageCare } from '../stores/storage-care'
import { supportText } from './support-text'

/** What this is, what is inside it, and one text for who helps. */
const devices = useDevices()
const library = useLibrary()
const macros = useMacros()
const notices = useNotices()
const care = useStorageCare()
onMounted(() => void care.look())
const version = __UNISERA_VERSION__
const withNames = ref(false)
const shown = ref(false)

/** Findings by what they are, counted: what they are about stays out. */
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
  const mebibytes = (bytes: number) => `${Math.ceil(bytes / (1 << 20))} MiB`
  return supportText({
    version,
    browser: navigator.userAgent,
    storage: `${room ? `${mebibytes(room.usedBytes)} taken, ${mebibytes(room.leftBytes)} left` : 'room not told'}, ${
      keptForGood ? 'kept for good' : 'kept until room is needed'
    }`,
    library: `${library.entries.length} profiles, ${macros.list.length} macros, ${library.setAside.length} set aside`,
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

/** What stands between quotation marks is somebody's. */
const nameless = (said: string): string => said.replace(/“[^”]*”/g, '“…”')

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(text.value)
    notices.say('The text for support was copied')
  } catch {
    shown.value = true
    notices.refuse('This browser lets no page copy here. The text is shown: mark it and copy it by hand.')
  }
}
</script>

<template>
  <p>
    Unisera <span class="mono">{{ version }}</span> ·
    <a class="text-inherit" href="/licences.txt" target="_blank" rel="noopener">licences of what is inside</a>
  </p>
  <p class="soft">
    One text says what version, browser, storage and devices there are, how the links to them went, and what
    the checks found. It holds nothing of a profile unless that is ticked.
  </p>
  <div class="flex flex-wrap items-center gap-2.5">
    <v-btn class="text-inherit" @click="copy">Copy the text</v-btn>
    <v-btn class="text-inherit" @click="saveFile({ name: 'unisera-support.txt', content: text })"
      >Save it</v-btn
    >
    <v-btn class="text-inherit" variant="text" :aria-expanded="shown" @click="shown = !shown"
      >Look at it</v-btn
    >
    <v-checkbox v-model="withNames" label="with the names of profiles" />
  </div>
  <pre
    v-if="shown"
    tabindex="0"
    class="mono m-0 max-h-[300px] w-full overflow-auto rounded-5 border border-line bg-paper-low px-3 py-2.5 whitespace-pre-wrap"
    aria-label="The text for support"
    >{{ text }}</pre>
</template>

<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { computed, ref } from 'vue'
import { versionText } from '../../core/base/versions'
import { findingText } from '../../core/checks/checks'
import { passedOverBy } from '../../core/compile/needs'
import { contextOf } from '../../core/text/context'
import { useMacros } from '../stores/macros'
import { usePending } from '../stores/pending'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useCommands } from '../shared/commands'
import { deviceNoun, noChanges } from '../shared/device-line'

/** Whether the device has this profile, and the one button that writes it. */
const editor = useEditor()
const devices = useDevices()
const { device, slot, held, compiled, onDevice, edits, sameProfile, write } = usePending()

const noun = computed(() => (editor.model ? deviceNoun(editor.model) : 'device'))
const writing = computed(() => device.value?.writing)
const outcome = computed(() => {
  const last = device.value?.outcome
  return last?.profileId === editor.openId && last?.slot === slot.value ? last : undefined
})
const connection = computed(() => {
  const { info, model } = device.value ?? {}
  return info && model?.connections[info.connection]
})

/** The device has not been asked yet, or its slots have not been read. */
const looking = computed(() => {
  const { connected, info, slots } = device.value ?? {}
  if (!info) return !devices.ready || connected === true
  return connected === true && slots?.length === 0 && connection.value?.configurable === true
})

const state = computed(() => {
  if (writing.value) return 'writing'
  if (compiled.value?.errors.length) return 'broken'
  if (looking.value) return 'looking'
  if (!device.value || noChanges(device.value)) return 'away'
  if (outcome.value?.kind === 'failed' && !onDevice.value) return 'failed'
  if (onDevice.value) return devices.memoryTrouble === undefined ? 'there' : 'unstored'
  return 'pending'
})

/** Where the button stands there is something it can write, but for a slot that is up to date. */
const writable = computed(() => state.value === 'pending' || state.value === 'failed')
useCommands({
  'profile.write': { run: write, can: () => writable.value, about: () => `slot ${slot.value + 1}` },
})

const headline = computed(() => {
  const count = edits.value.length
  if (state.value === 'there') return `On the ${noun.value}, read back`
  if (state.value === 'unstored') return 'Written, but not stored yet'
  if (state.value === 'broken') return 'Cannot be written yet'
  if (state.value === 'failed') return 'Not written'
  if (state.value === 'looking') return `Looking for ${editor.model?.name}…`
  if (state.value === 'away') {
    return device.value?.connected
      ? `${connection.value?.name} carries no configuration`
      : `${editor.model?.name} is not connected`
  }
  if (!held.value?.bytes) return `Not on the ${noun.value} yet`
  if (!sameProfile.value) return `Slot ${slot.value + 1} holds another profile`
  if (count === 0) return `Slot ${slot.value + 1} is from another version`
  return `${count} ${count === 1 ? 'edit' : 'edits'} not on the ${noun.value}`
})

const PAGE_BYTES = computed(() => editor.model?.memory.pageBytes ?? 256)
const progress = computed(() => {
  const now = writing.value?.progress
  if (!now) return undefined
  const pages = Math.ceil(now.totalBytes / PAGE_BYTES.value)
  const page = Math.min(pages, Math.floor(now.doneBytes / PAGE_BYTES.value) + 1)
  const share = now.doneBytes / now.totalBytes
  const part = now.phase === 'sending' ? share * 0.45 : now.phase === 'committing' ? 0.5 : 0.55 + share * 0.45
  const what = { sending: 'Sending', committing: 'Programming', 'reading back': 'Reading back' }[now.phase]
  return { text: `${what} page ${page} of ${pages}`, percent: Math.round(part * 100) }
})

/** What only newer firmware than that of the device does. */
const macros = useMacros()
const passedOver = computed(() => {
  const { info } = device.value ?? {}
  const { profile, model } = editor
  return profile && model && info
    ? passedOverBy(profile, contextOf(profile, model, macros.wholeShelf), info.firmware)
    : []
})
/** The slot that plays in place of the one that holds this profile, counted from 0. */
const otherActive = computed(() => {
  const active = device.value?.info?.activeSlot
  return state.value === 'there' && active !== undefined && active !== slot.value ? active : undefined
})
const activating = ref(false)
async function activate(): Promise<void> {
  if (!device.value) return
  activating.value = true
  await devices.select(device.value.id, slot.value)
  activating.value = false
}

const devicePath = computed(() => ({ path: '/devices', query: { device: device.value?.id } }))

/** Of what the write would replace, where that is another profile. */
const overWhat = computed(() => (sameProfile.value ? undefined : held.value?.profile?.name))

const explanation = computed(() => {
  if (state.value === 'broken') return compiled.value?.errors.slice(0, 1).map(findingText)[0]
  if (state.value === 'failed') return outcome.value?.message
  if (state.value === 'unstored')
    return (
      `This browser has not stored the memory of the simulated ${noun.value}: ${devices.memoryTrouble}. ` +
      `If the browser closes now, slot ${slot.value + 1} returns to what it held before. ` +
      'Storing is tried again every few seconds.'
    )
  if (state.value !== 'away') return undefined
  return device.value?.connected
    ? 'Edits are kept here. Use the cable or the receiver to write them.'
    : outcome.value?.kind === 'failed'
      ? outcome.value.message
      : 'Edits are kept here. Connect it by cable or receiver to write. Some cables only charge.'
})
</script>

<template>
  <section class="box gap-1.5" :class="state" :data-state="state">
    <p class="headline font-strong" role="status">
      <template v-if="progress">{{ progress.text }}</template>
      <template v-else>
        <span v-if="state === 'there'" class="mr-1.5" aria-hidden="true">✓</span>{{ headline }}
        <v-menu v-if="state === 'pending' && edits.length" :activator-props="{ 'aria-haspopup': 'dialog' }">
          <template #activator="{ props: activator }">
            <v-btn variant="plain" class="ml-1" v-bind="activator">list</v-btn>
          </template>
          <v-card
            class="max-h-[50vh] max-w-[420px] overflow-auto px-4 py-3"
            role="dialog"
            aria-label="Unwritten changes"
            tabindex="0"
          >
            <ul class="m-0 grid list-none gap-1.5 p-0">
              <li v-for="edit in edits" :key="edit.what" class="grid grid-cols-[130px_1fr] gap-2.5">
                <strong>{{ edit.what }}</strong>
                <span
                  ><s class="text-ink-faint">{{ edit.from }}</s> → {{ edit.to }}</span
                >
              </li>
            </ul>
          </v-card>
        </v-menu>
      </template>
    </p>
    <p v-if="passedOver.length" class="text-12 leading-[1.3]" data-testid="passed-over">
      {{ passedOver.map(({ what }) => what).join(', ') }} needs firmware
      {{ versionText(itemAt(passedOver, 0).since) }}; this {{ noun }} passes over it.
      <RouterLink :to="devicePath">Update it</RouterLink>
    </p>
    <div class="contents" role="status">
      <p v-if="otherActive !== undefined" class="text-12 leading-[1.3]">
        Slot {{ otherActive + 1 }} is active, so this profile does not play yet.
      </p>
    </div>
    <v-alert v-if="explanation" variant="text" class="text-12 leading-[1.3] text-ink" :text="explanation" />
    <v-progress-linear
      v-if="progress"
      :model-value="progress.percent"
      color="pending"
      height="10"
      :aria-label="progress.text"
    />
    <v-btn
      v-else-if="otherActive !== undefined"
      variant="flat"
      color="ink"
      :loading="activating"
      @click="activate"
    >
      Make slot {{ slot + 1 }} active
    </v-btn>
    <v-btn
      v-else-if="writable || state === 'there'"
      variant="flat"
      color="ink"
      :disabled="!writable"
      @click="write"
    >
      {{
        state === 'there'
          ? `Slot ${slot + 1} is up to date`
          : state === 'failed'
            ? `Write slot ${slot + 1} again`
            : overWhat
              ? `Write to slot ${slot + 1}, over “${overWhat}”`
              : `Write to slot ${slot + 1}`
      }}
    </v-btn>
  </section>
</template>

<style scoped>
.pending,
.unstored,
.failed {
  background: var(--pending-wash);
}

.pending .headline,
.unstored .headline,
.failed .headline,
.broken .headline {
  color: var(--pending);
}
</style>

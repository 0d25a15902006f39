<script setup lang="ts">
import { listText, t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { itemAt } from '../../core/base/items'
import { computed, ref } from 'vue'
import { versionText } from '../../core/base/versions'
import { findingMessage } from '../../core/checks/checks'
import { unsupportedParts } from '../../core/compile/firmware-needs'
import { contextOf } from '../../core/text/context'
import { useMacros } from '../stores/macros'
import { usePending } from '../stores/pending'
import { useDevices } from '../stores/devices'
import { useEditor } from '../stores/editor'
import { useCommands } from '../shared/commands'
import { whyReadOnly } from '../shared/device-line'

/** Whether the device has this profile, and the button that writes it. */
const editor = useEditor()
const devices = useDevices()
const { device, slot, held, compiled, onDevice, edits, sameProfile, write } = usePending()

const writing = computed(() => device.value?.writing)
const outcome = computed(() => {
  const last = device.value?.outcome
  return last?.profileId === editor.openId && last?.slot === slot.value ? last : undefined
})
const connection = computed(() => {
  const { info, model } = device.value ?? {}
  return info && model?.connections[info.connection]
})

/** The device has not been queried yet, or its slots have not been read. */
const looking = computed(() => {
  const { connected, info, slots } = device.value ?? {}
  if (!info) return !devices.ready || connected === true
  return connected === true && slots?.length === 0 && connection.value?.configurable === true
})

const state = computed(() => {
  if (writing.value) return 'writing'
  if (compiled.value?.errors.length) return 'broken'
  if (looking.value) return 'looking'
  if (!device.value || whyReadOnly(device.value)) return 'away'
  if (outcome.value?.kind === 'failed' && !onDevice.value) return 'failed'
  if (onDevice.value) return devices.memoryTrouble === undefined ? 'there' : 'unstored'
  return 'pending'
})

/** If the button is shown, it can write, except to a slot that is up to date. */
const writable = computed(() => state.value === 'pending' || state.value === 'failed')
useCommands({
  'profile.write': {
    run: write,
    can: () => writable.value,
    about: () => t('profile.slotOfWrite', { slot: slot.value + 1 }),
  },
})

const headline = computed(() => {
  const count = edits.value.length
  if (state.value === 'there') return t('profile.onTheDeviceReadBack')
  if (state.value === 'unstored') return t('profile.writtenButNotSavedYet')
  if (state.value === 'broken') return t('profile.fixTheErrorsBeforeWriting')
  if (state.value === 'failed') return t('profile.notWritten')
  if (state.value === 'looking') return t('profile.lookingFor', { name: editor.model?.name })
  if (state.value === 'away') {
    return device.value?.connected
      ? t('profile.cannotChangeSettings', { name: connection.value?.name })
      : t('profile.isNotConnected', { name: editor.model?.name })
  }
  if (!held.value?.bytes) return t('profile.notOnTheDeviceYet')
  if (!sameProfile.value) return t('profile.slotHoldsAnotherProfile', { slot: slot.value + 1 })
  if (count === 0) return t('profile.slotHasAnotherVersionOfThisProfile', { slot: slot.value + 1 })
  return t('profile.unwrittenEdit', { count })
})

const PAGE_BYTES = computed(() => editor.model?.memory.pageBytes ?? 256)
const progress = computed(() => {
  const now = writing.value?.progress
  if (!now) return undefined
  const pages = Math.ceil(now.totalBytes / PAGE_BYTES.value)
  const page = Math.min(pages, Math.floor(now.doneBytes / PAGE_BYTES.value) + 1)
  const share = now.doneBytes / now.totalBytes
  const part = now.phase === 'sending' ? share * 0.45 : now.phase === 'committing' ? 0.5 : 0.55 + share * 0.45
  const what = {
    sending: t('profile.sending'),
    committing: t('profile.programming'),
    'reading back': t('profile.readingBack'),
  }[now.phase]
  return { text: t('profile.pageOf', { task: what, page, pages }), percent: Math.round(part * 100) }
})

/** Features that require newer firmware. */
const macros = useMacros()
const passedOver = computed(() => {
  const { info } = device.value ?? {}
  const { profile, model } = editor
  return profile && model && info
    ? unsupportedParts(profile, contextOf(profile, model, macros.wholeShelf), info.firmware)
    : []
})
/** The active slot, if it is not the one with this profile, counted from 0. */
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

/** Name of the profile that a write would replace, if it is another one. */
const overWhat = computed(() => (sameProfile.value ? undefined : held.value?.profile?.name))

const explanation = computed(() => {
  if (state.value === 'broken')
    return compiled.value?.errors.slice(0, 1).map((finding) => textOf(findingMessage(finding)))[0]
  if (state.value === 'failed') return outcome.value?.message
  if (state.value === 'unstored')
    return t('profile.thisBrowserCouldNotSaveTheMemory', {
      problem: devices.memoryTrouble,
      slot: slot.value + 1,
    })
  if (state.value !== 'away') return undefined
  return device.value?.connected
    ? t('profile.yourEditsAreSavedHereUseThe')
    : outcome.value?.kind === 'failed'
      ? outcome.value.message
      : t('profile.yourEditsAreSavedHereConnectThe')
})
</script>

<template>
  <section class="box gap-1.5" :class="state" :data-state="state">
    <p class="headline font-strong" role="status">
      <template v-if="progress">{{ progress.text }}</template>
      <template v-else>
        <span v-if="state === 'there'" class="me-1.5" aria-hidden="true">✓</span>{{ headline }}
        <v-menu v-if="state === 'pending' && edits.length" :activator-props="{ 'aria-haspopup': 'dialog' }">
          <template #activator="{ props: activator }">
            <v-btn variant="plain" class="ms-1" v-bind="activator">{{ t('profile.showList') }}</v-btn>
          </template>
          <v-card
            class="max-h-[50vh] max-w-[420px] overflow-auto px-4 py-3"
            role="dialog"
            :aria-label="t('profile.unwrittenChanges')"
            tabindex="0"
          >
            <ul class="m-0 grid list-none gap-1.5 p-0">
              <li v-for="edit in edits" :key="edit.key" class="grid grid-cols-[130px_1fr] gap-2.5">
                <strong>{{ textOf(edit.what) }}</strong>
                <span
                  ><s class="text-ink-faint">{{ textOf(edit.from) }}</s> → {{ textOf(edit.to) }}</span
                >
              </li>
            </ul>
          </v-card>
        </v-menu>
      </template>
    </p>
    <p v-if="passedOver.length" class="text-12 leading-[1.3]" data-testid="passed-over">
      <RichMessage
        message="profile.requiresFirmwareThisDeviceIgnores"
        :facts="{
          features: listText(passedOver.map(({ what }) => textOf(what))),
          version: versionText(itemAt(passedOver, 0).since),
        }"
      >
        <template #update
          ><RouterLink :to="devicePath">{{ t('profile.updateFirmware') }}</RouterLink></template
        >
      </RichMessage>
    </p>
    <div class="contents" role="status">
      <p v-if="otherActive !== undefined" class="text-12 leading-[1.3]">
        {{ t('profile.slotIsActiveSoThisProfileIs', { number: otherActive + 1 }) }}
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
      {{ t('profile.makeSlotActive', { slot: slot + 1 }) }}
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
          ? t('profile.slotIsUpToDate', { slot: slot + 1 })
          : state === 'failed'
            ? t('profile.writeSlotAgain', { slot: slot + 1 })
            : overWhat
              ? t('profile.writeToSlotReplacing', { slot: slot + 1, name: overWhat })
              : t('profile.writeToSlot', { slot: slot + 1 })
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

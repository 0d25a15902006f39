<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import CommandItem from '../shared/CommandItem.vue'
import { useCommands } from '../shared/commands'
import MenuChoice from '../shared/MenuChoice.vue'
import { deviceLine } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import SlotKeysDialog from './SlotKeysDialog.vue'

/** The slot of the profile, and the contents of each slot. */
const editor = useEditor()
const { device, slot, held, setSlot } = usePending()
const devices = useDevices()
/** Devices of this model: if there are several, one is selected here. */
const alike = computed(() => (editor.model ? devices.ofModel(editor.model.id) : []))
const keys = ref(false)
useCommands({ 'profile.slot-keys': { run: () => (keys.value = true), can: () => count.value > 1 } })
const count = computed(() => editor.model?.memory.slots ?? 0)

/** The active slot, counted from 0; undefined while unknown. */
const active = computed(() => device.value?.info?.activeSlot)

function holds(index: number): string {
  const content = device.value?.slots[index]
  if (!content) return t('profile.notReadYet')
  return content.problem ? t('profile.unreadable') : (content.profile?.name ?? t('profile.empty'))
}
const listed = (index: number): string =>
  active.value === index ? t('profile.active', { contents: holds(index) }) : holds(index)

const standing = computed(() => {
  const what = held.value?.profile
    ? t('profile.holds', { profile: held.value.profile.name })
    : held.value
      ? holds(slot.value)
      : ''
  if (active.value === undefined || count.value < 2) return what || t('profile.notReadYet')
  const which =
    active.value === slot.value
      ? t('profile.active2')
      : t('profile.slotIsActive', { number: active.value + 1 })
  return what ? t('profile.contentsAndSlot', { contents: what, slot: which }) : which
})
</script>

<template>
  <span class="caption">{{
    alike.length > 1 && device
      ? t('profile.writesTo', { title: devices.title(device) })
      : t('profile.writesTo2')
  }}</span>
  <v-menu>
    <template #activator="{ props: activator }">
      <v-btn variant="text" class="slot" v-bind="activator">
        {{ t('profile.slotOf', { number: slot + 1, count }) }} <span aria-hidden="true">▾</span>
      </v-btn>
    </template>
    <v-list role="menu">
      <template v-if="alike.length > 1">
        <MenuChoice
          v-for="each in alike"
          :key="each.id"
          :title="devices.title(each)"
          :about="deviceLine(each)"
          :chosen="each.id === device?.id"
          @click="devices.choose(each)"
        />
        <v-divider />
      </template>
      <MenuChoice
        v-for="index in count"
        :key="index"
        :title="t('profile.slot', { index })"
        :about="listed(index - 1)"
        :chosen="index - 1 === slot"
        @click="setSlot(index - 1)"
      />
      <template v-if="count > 1">
        <v-divider />
        <CommandItem of="profile.slot-keys" @click="keys = true" />
      </template>
    </v-list>
  </v-menu>
  <SlotKeysDialog v-if="keys && editor.profile && editor.model" v-model="keys" />
  <span class="caption" data-testid="slot-standing">{{ standing }}</span>
</template>

<style scoped>
.slot {
  --v-btn-height: 26px;

  align-self: flex-start;
  margin-inline-start: -8px;
  font-size: 1.14rem;
  font-weight: 650;
}
</style>

<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiPlus } from '@mdi/js'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS } from '../../core/device/models'
import { useDevices } from '../stores/devices'
import NewProfileDialog from '../shared/NewProfileDialog.vue'

/** A button per model that creates a profile. A separate component, so that a search does not render it. */
const router = useRouter()
const devices = useDevices()
const starting = shallowRef<DeviceModel>()
/** A new profile gets the first empty slot. */
const freeSlot = (model: DeviceModel) =>
  Math.max(0, devices.forModel(model.id)?.slots.findIndex(({ bytes }) => !bytes) ?? 0)
const openProfile = (id: string) => void router.push(`/profile/${id}/buttons`)
</script>

<template>
  <div class="contents" role="group" :aria-label="t('library.newProfile')">
    <v-icon :icon="mdiPlus" />{{ t('library.newProfileFor') }}
    <v-btn
      v-for="model in DEVICE_MODELS"
      :key="model.id"
      :aria-label="t('library.newProfileFor2', { name: model.name })"
      @click="starting = model"
    >
      {{ model.name }}
    </v-btn>
    <NewProfileDialog
      v-if="starting"
      :model-value="starting !== undefined"
      :model="starting"
      :slot-index="freeSlot(starting)"
      @update:model-value="starting = undefined"
      @made="openProfile"
    />
  </div>
</template>

<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS } from '../../core/device/models'
import { useDevices } from '../stores/devices'
import NewProfileDialog from '../shared/NewProfileDialog.vue'

/** A button a model, which begins a new profile. Of its own, so that a search renders none of it. */
const router = useRouter()
const devices = useDevices()
const starting = shallowRef<DeviceModel>()
/** A new profile goes to the first slot that is empty. */
const freeSlot = (model: DeviceModel) =>
  Math.max(0, devices.forModel(model.id)?.slots.findIndex(({ bytes }) => !bytes) ?? 0)
const openProfile = (id: string) => void router.push(`/profile/${id}/buttons`)
</script>

<template>
  <div class="contents" role="group" aria-label="New profile">
    <v-icon :icon="mdiPlus" />New profile for
    <v-btn
      v-for="model in DEVICE_MODELS"
      :key="model.id"
      :aria-label="`New for ${model.name}`"
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

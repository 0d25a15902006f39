<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import AddDevice from './AddDevice.vue'

/** No device was found: possible reasons, and what is possible without one. */
const LOOK_AT = [
  withTexts({}, { what: 'devices.cable', why: 'devices.someCablesOnlyChargeAndCarryNo' }),
  withTexts({}, { what: 'devices.bluetooth', why: 'devices.theDeviceWorksOverBluetoothButIts' }),
  withTexts({}, { what: 'devices.receiver', why: 'devices.itMayBePluggedIntoAnotherComputer' }),
  withTexts({}, { what: 'devices.powerSwitch', why: 'devices.itMayBeOffOrSetTo' }),
]
</script>

<template>
  <section
    class="grid gap-3.5 rounded-8 border border-dashed border-line-strong bg-paper-low px-12 py-9"
    aria-labelledby="none-title"
  >
    <h2 id="none-title">{{ t('devices.noDeviceFound') }}</h2>
    <p class="soft">{{ t('devices.aDeviceAppearsHereAsSoonAs') }}</p>
    <dl
      class="m-0 grid grid-cols-[repeat(auto-fit,minmax(240px,1fr))] gap-x-7 gap-y-0 border-t-[1.5px] border-ink"
    >
      <div v-for="{ what, why } in LOOK_AT" :key="what" class="border-b border-line px-0 py-2.5">
        <dt class="font-strong">{{ what }}</dt>
        <dd class="soft mx-0 mt-0.5 mb-0">{{ why }}</dd>
      </div>
    </dl>
    <p class="soft">
      {{ t('devices.youCanCreateEditAndCheckProfiles') }}
    </p>
    <div class="flex flex-wrap items-center gap-2.5">
      <v-btn variant="flat" color="ink" to="/library">{{ t('devices.openTheLibrary') }}</v-btn>
      <AddDevice />
    </div>
  </section>
</template>

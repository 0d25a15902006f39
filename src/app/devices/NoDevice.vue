<script setup lang="ts">
import AddDevice from './AddDevice.vue'

/** No device is here: what it may be, and that work goes on. */
const LOOK_AT = [
  {
    what: 'The cable',
    why: 'Some cables only charge: they have no wires for data. Take the one that came with the device.',
  },
  {
    what: 'Bluetooth',
    why: 'Everything on the device works over it, but nothing can be changed. Use the cable or the receiver.',
  },
  {
    what: 'The receiver',
    why: 'It may be in another computer. A device talks to the receiver it is paired with, and to no other.',
  },
  {
    what: 'Its switch',
    why: 'Off, or on the other way of wireless: under the device, or on its back edge.',
  },
]
</script>

<template>
  <section
    class="grid gap-3.5 rounded-8 border border-dashed border-line-strong bg-paper-low px-12 py-9"
    aria-labelledby="none-title"
  >
    <h2 id="none-title">No device is here</h2>
    <p class="soft">One that is plugged in shows up by itself. If it does not, look at</p>
    <dl
      class="m-0 grid grid-cols-[repeat(auto-fit,minmax(240px,1fr))] gap-x-7 gap-y-0 border-t-[1.5px] border-ink"
    >
      <div v-for="{ what, why } in LOOK_AT" :key="what" class="border-b border-line px-0 py-2.5">
        <dt class="font-strong">{{ what }}</dt>
        <dd class="soft mx-0 mt-0.5 mb-0">{{ why }}</dd>
      </div>
    </dl>
    <p class="soft">
      Profiles can be made, changed and checked all the same: they are kept in this browser, and written when
      the device is there.
    </p>
    <div class="flex flex-wrap items-center gap-2.5">
      <v-btn variant="flat" color="ink" to="/library">Work on profiles</v-btn>
      <AddDevice />
    </div>
  </section>
</template>

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
  <section class="none" aria-labelledby="none-title">
    <h2 id="none-title">No device is here</h2>
    <p class="soft">One that is plugged in shows up by itself. If it does not, look at</p>
    <dl>
      <div v-for="{ what, why } in LOOK_AT" :key="what">
        <dt>{{ what }}</dt>
        <dd class="soft">{{ why }}</dd>
      </div>
    </dl>
    <p class="soft">
      Profiles can be made, changed and checked all the same: they are kept in this browser, and written when
      the device is there.
    </p>
    <div class="ways">
      <v-btn variant="flat" color="ink" to="/library">Work on profiles</v-btn>
      <AddDevice />
    </div>
  </section>
</template>

<style scoped>
.none {
  display: grid;
  padding: 36px 48px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  background: var(--paper-low);
  gap: 14px;
}

dl {
  display: grid;
  border-top: 1.5px solid var(--ink);
  margin: 0;
  gap: 0 28px;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
}

dl div {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}

dt {
  font-weight: 650;
}

dd {
  margin: 2px 0 0;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
</style>

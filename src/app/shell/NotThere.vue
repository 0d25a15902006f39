<script setup lang="ts">
import CommandKeys from '../shared/CommandKeys.vue'

/** An address that has no view: said, with the ways on; nothing is guessed from it. */
</script>

<template>
  <div class="m-auto grid max-w-[620px] content-center gap-3 p-7">
    <h1>There is nothing at this address</h1>
    <p class="soft">
      <span class="mono wrap-anywhere">{{ $route.path }}</span> is no view of Unisera. What it was about may
      have another address by now; <CommandKeys of="find" variant="outlined" /> finds any profile, input or
      setting. Nothing was changed.
    </p>
    <div class="flex gap-2">
      <v-btn variant="flat" color="ink" to="/devices">Devices</v-btn>
      <v-btn to="/library">Library</v-btn>
    </div>
  </div>
</template>

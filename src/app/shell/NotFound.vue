<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import CommandKeys from '../shared/CommandKeys.vue'

/** An unknown address, with links to other views. */
</script>

<template>
  <div class="m-auto grid max-w-[620px] content-center gap-3 p-7">
    <h1>{{ t('shell.thisPageDoesNotExist') }}</h1>
    <p class="soft">
      <RichMessage message="shell.isNotAPageOfUniseraIt">
        <template #address
          ><span class="mono wrap-anywhere">{{ $route.path }}</span></template
        >
        <template #keys><CommandKeys of="find" variant="outlined" /></template>
      </RichMessage>
    </p>
    <div class="flex gap-2">
      <v-btn variant="flat" color="ink" to="/devices">{{ t('shell.devices') }}</v-btn>
      <v-btn to="/library">{{ t('shell.library') }}</v-btn>
    </div>
  </div>
</template>

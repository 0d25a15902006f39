<script setup lang="ts">
import { SETTINGS, type SettingId } from './settings'

/** One setting: its name and its control. Its address ends with its id. */
defineProps<{ of: SettingId; wide?: boolean }>()
</script>

<template>
  <section
    :id="of"
    class="setting grid scroll-mt-4 grid-cols-[minmax(180px,260px)_minmax(0,1fr)] items-start gap-x-7 gap-y-1.5 border-b border-line px-0 py-3.5 max-[900px]:grid-cols-1"
    :class="{ wide }"
    :aria-labelledby="`${of}-title`"
    tabindex="-1"
  >
    <div class="what">
      <h2 :id="`${of}-title`" class="text-15">{{ SETTINGS[of].title }}</h2>
      <p class="caption soft">{{ SETTINGS[of].about }}</p>
    </div>
    <div class="set flex min-w-0 flex-wrap items-center gap-x-3.5 gap-y-2"><slot /></div>
  </section>
</template>

<style scoped>
.setting:focus {
  outline: none;
}

.setting:target,
.setting:focus-visible {
  box-shadow: inset 3px 0 0 var(--ink);
  padding-inline-start: 14px;
}

.wide .set {
  display: grid;
  justify-items: start;
}
</style>

<script setup lang="ts">
import { SETTINGS, type SettingId } from './settings'

/** One setting: what it is, and what sets it. Its address ends in its id. */
defineProps<{ of: SettingId; wide?: boolean }>()
</script>

<template>
  <section :id="of" class="setting" :class="{ wide }" :aria-labelledby="`${of}-title`" tabindex="-1">
    <div class="what">
      <h2 :id="`${of}-title`">{{ SETTINGS[of].title }}</h2>
      <p class="caption soft">{{ SETTINGS[of].about }}</p>
    </div>
    <div class="set"><slot /></div>
  </section>
</template>

<style scoped>
.setting {
  display: grid;
  align-items: start;
  padding: 14px 0;
  border-bottom: 1px solid var(--line);
  gap: 6px 28px;
  grid-template-columns: minmax(180px, 260px) minmax(0, 1fr);
  scroll-margin-top: 16px;
}

.setting:focus {
  outline: none;
}

.setting:target,
.setting:focus-visible {
  box-shadow: inset 3px 0 0 var(--ink);
  padding-left: 14px;
}

h2 {
  font-size: 1.07rem;
}

.set {
  display: flex;
  min-width: 0;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}

.wide .set {
  display: grid;
  justify-items: start;
}

@media (width < 900px) {
  .setting {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import {
  mdiBookshelf,
  mdiMagnify,
  mdiMouse,
  mdiPowerPlugOffOutline,
  mdiRuler,
  mdiThemeLightDark,
  mdiTimelineOutline,
  mdiTuneVariant,
} from '@mdi/js'
import { useRoute } from 'vue-router'
import CommandKeys from '../shared/CommandKeys.vue'
import { keysShown } from '../shared/command-keys'

/** The navigation between the places of the application. */
defineProps<{
  /** In a narrow window, the places have icons without labels. */
  narrow: boolean
  nextTheme: 'dark' | 'light'
}>()
const emit = defineEmits<{ find: []; theme: [] }>()
const route = useRoute()

/** Views that belong to a place but have addresses of their own. */
const WITHIN: Record<string, string[]> = {
  '/library': ['/profile', '/open', '/shelf'],
  '/devices': ['/devices/'],
}
const isHere = (to: string) => (WITHIN[to] ?? []).some((path) => route.path.startsWith(path))

const PLACES_TO_GO = [
  { to: '/devices', name: 'Devices', icon: mdiMouse },
  { to: '/library', name: 'Library', icon: mdiBookshelf },
  { to: '/macros', name: 'Macros', icon: mdiTimelineOutline },
  { to: '/measure', name: 'Measure', icon: mdiRuler },
]
</script>

<template>
  <v-navigation-drawer rail :rail-width="narrow ? 52 : 76" :class="{ narrow }" tag="nav" aria-label="Places">
    <img
      class="mb-3 rounded-8 border border-rail-line"
      src="/mark.svg"
      alt="Unisera"
      width="34"
      height="34"
    />
    <v-btn
      v-for="{ to, name, icon } in PLACES_TO_GO"
      :key="to"
      stacked
      variant="text"
      :to="to"
      :prepend-icon="icon"
      :aria-label="name"
      :class="{ here: isHere(to) }"
    >
      {{ name }}
    </v-btn>
    <v-btn
      stacked
      variant="text"
      href="/unplugged.html"
      target="unplugged"
      aria-label="Unplugged"
      :prepend-icon="mdiPowerPlugOffOutline"
    >
      Unplugged
    </v-btn>
    <v-btn
      stacked
      variant="text"
      :title="`Find anything (${keysShown('find')[0]})`"
      :aria-label="narrow ? 'Find' : undefined"
      aria-keyshortcuts="Control+K Meta+K"
      :prepend-icon="mdiMagnify"
      @click="emit('find')"
    >
      Find
      <CommandKeys of="find" aria-hidden="true" />
    </v-btn>
    <v-spacer />
    <v-btn stacked variant="text" to="/settings" :prepend-icon="mdiTuneVariant" aria-label="Settings">
      Settings
    </v-btn>
    <v-btn
      stacked
      variant="text"
      :aria-label="`Use the ${nextTheme} theme`"
      :prepend-icon="mdiThemeLightDark"
      @click="emit('theme')"
    >
      {{ nextTheme === 'dark' ? 'Dark' : 'Light' }}
    </v-btn>
  </v-navigation-drawer>
</template>

<style scoped>
.v-navigation-drawer :deep(.v-navigation-drawer__content) {
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 13px 0;
  gap: 4px;
}

.v-navigation-drawer .v-btn {
  --v-btn-height: 3.72rem;
  --v-btn-size: 0.858rem;

  width: 68px;
  height: auto;
  min-height: var(--v-btn-height);
  flex: none;
  padding: 0 2px;
  color: var(--rail-ink);
  font-weight: 500;
}

.v-navigation-drawer .v-btn :deep(.v-btn__content) {
  max-width: 64px;
  flex-direction: column;
  gap: 2px;
  overflow-wrap: anywhere;
  white-space: normal;
}

.narrow .v-btn {
  --v-btn-height: 40px;

  width: 44px;
}

.narrow .v-btn :deep(.v-btn__content) {
  display: none;
}

.v-navigation-drawer .v-btn--active,
.v-navigation-drawer .here {
  background: rgb(255 255 255 / 14%);
  color: var(--bright);
}

.v-navigation-drawer :focus-visible {
  outline-color: var(--bright);
}
</style>

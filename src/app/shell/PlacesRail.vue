<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
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
import { shortcutTexts } from '../shared/command-keys'

/** The navigation between the main views. */
defineProps<{
  /** In a narrow window, the places have icons without labels. */
  narrow: boolean
  nextTheme: 'dark' | 'light'
}>()
const emit = defineEmits<{ find: []; theme: [] }>()
const route = useRoute()

/** Views that belong to a main view but have their own addresses. */
const WITHIN: Record<string, string[]> = {
  '/library': ['/profile', '/open', '/shelf'],
  '/devices': ['/devices/'],
}
const isHere = (to: string) => (WITHIN[to] ?? []).some((path) => route.path.startsWith(path))

const PLACES_TO_GO = [
  withTexts({ to: '/devices', icon: mdiMouse }, { name: 'shell.devices' }),
  withTexts({ to: '/library', icon: mdiBookshelf }, { name: 'shell.library' }),
  withTexts({ to: '/macros', icon: mdiTimelineOutline }, { name: 'shell.macros' }),
  withTexts({ to: '/measure', icon: mdiRuler }, { name: 'shell.measure' }),
]
</script>

<template>
  <v-navigation-drawer
    rail
    :rail-width="narrow ? 52 : 76"
    :class="{ narrow }"
    tag="nav"
    :aria-label="t('shell.mainViews')"
  >
    <img
      class="mb-3 rounded-8 border border-rail-line"
      src="/mark.svg"
      :alt="t('shell.unisera')"
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
      :aria-label="t('shell.unplugged')"
      :prepend-icon="mdiPowerPlugOffOutline"
    >
      {{ t('shell.unplugged') }}
    </v-btn>
    <v-btn
      stacked
      variant="text"
      :title="t('shell.findAnything', { keys: shortcutTexts('find')[0] })"
      :aria-label="narrow ? t('shell.find') : undefined"
      aria-keyshortcuts="Control+K Meta+K"
      :prepend-icon="mdiMagnify"
      @click="emit('find')"
    >
      {{ t('shell.find') }}
      <CommandKeys of="find" class="flex-wrap justify-center" aria-hidden="true" />
    </v-btn>
    <v-spacer />
    <v-btn
      stacked
      variant="text"
      to="/settings"
      :prepend-icon="mdiTuneVariant"
      :aria-label="t('shell.settings')"
    >
      {{ t('shell.settings') }}
    </v-btn>
    <v-btn
      stacked
      variant="text"
      :aria-label="nextTheme === 'dark' ? t('shell.useTheDarkTheme') : t('shell.useTheLightTheme')"
      :prepend-icon="mdiThemeLightDark"
      @click="emit('theme')"
    >
      {{ nextTheme === 'dark' ? t('shell.dark') : t('shell.light') }}
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

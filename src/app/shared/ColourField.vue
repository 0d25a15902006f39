<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref, watch } from 'vue'
import { HEX_COLOUR } from '../../core/base/colour'
import { parseColour } from '../../core/base/colour-text'
import { coloursOfProfile } from '../../core/document/colours'
import { useEditor } from '../stores/editor'
import { usePalettes } from '../stores/palettes'
import { useRecentColours } from './recent-colours'

/** A colour: picked, typed as CSS or by its name, or reused. */
const props = defineProps<{ colour: string; label: string }>()
const emit = defineEmits<{ change: [colour: string] }>()
const editor = useEditor()
const palettes = usePalettes()
const { recent, use } = useRecentColours()
const draft = ref(props.colour)
const problem = ref<string>()
watch(
  () => props.colour,
  (colour) => {
    draft.value = colour
    problem.value = undefined
  },
)

function take(): void {
  const typed = parseColour(draft.value)
  if (typed === undefined) {
    problem.value = t('shared.isNotAColourEnterOneSuch', { text: draft.value })
    draft.value = props.colour
    return
  }
  problem.value = undefined
  draft.value = typed
  choose(typed)
}

function choose(colour: string): void {
  use(colour)
  if (colour !== props.colour) emit('change', colour)
}

function pick(colour: unknown): void {
  if (typeof colour === 'string' && HEX_COLOUR.test(colour)) emit('change', colour.toLowerCase())
}

/** Colours to reuse, by their source. */
const groups = computed(() =>
  [
    { name: t('shared.recent'), colours: recent() },
    { name: t('shared.inThisProfile'), colours: editor.profile ? coloursOfProfile(editor.profile) : [] },
    ...palettes.kept,
  ].filter(({ colours }) => colours.length > 0),
)
</script>

<template>
  <v-text-field
    v-model="draft"
    class="in-row mono"
    width="100"
    maxlength="60"
    :aria-label="t('shared.asRrggbb', { label })"
    spellcheck="false"
    :error-messages="problem"
    @change="take"
    @keydown.enter="take"
    @keydown.esc.stop="draft = colour"
  >
    <template #loader />
    <template #prepend-inner>
      <v-menu
        :close-on-content-click="false"
        :activator-props="{ 'aria-haspopup': 'dialog' }"
        @update:model-value="(open) => open || use(colour)"
      >
        <template #activator="{ props: activator }">
          <v-btn
            icon
            variant="flat"
            size="small"
            class="swatch"
            v-bind="activator"
            :color="colour"
            :aria-label="label"
          />
        </template>
        <v-card class="max-h-[80vh] overflow-auto" role="dialog" :aria-label="label">
          <v-color-picker mode="hex" hide-inputs :model-value="colour" @update:model-value="pick" />
          <div
            v-for="{ name, colours } in groups"
            :key="name"
            class="group flex max-w-[300px] flex-wrap items-center gap-1 px-3 pt-1 pb-2"
            role="group"
            :aria-label="name"
          >
            <span class="caption w-full">{{ name }}</span>
            <v-btn
              v-for="each in colours"
              :key="each"
              icon
              variant="flat"
              size="small"
              class="swatch"
              :color="each"
              :aria-label="`${each}, ${name.toLowerCase()}`"
              :title="each"
              @click="choose(each)"
            />
          </div>
        </v-card>
      </v-menu>
    </template>
  </v-text-field>
</template>

<style scoped>
.swatch {
  --v-btn-height: 24px;

  margin-inline-end: 4px;
  margin-inline-start: -5px;

  border: 1px solid var(--ink);
}

.group .swatch {
  margin: 0;
}
</style>

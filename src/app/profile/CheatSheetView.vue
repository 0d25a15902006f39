<script setup lang="ts">
import { computed } from 'vue'
import { cheatSheet, MOST_MODULES } from '../../core/cheat-sheet/cheat-sheet'
import { pngWith, svgWith } from '../../core/share/picture'
import { fileStem } from '../../core/base/names'
import { profileFile } from '../stores/library'
import { saveBlob } from '../shared/save-file'
import { useShareLink } from './share-link'
import { printPage, rasterised } from './sheet-output'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { messageOf, useNotices } from '../stores/notices'

/** One page to print or to keep beside the screen: the device, and what each of its inputs does. */
const editor = useEditor()
const macros = useMacros()
const notices = useNotices()
/** Printed, it carries the profile as well, while its link is one that a camera can read from paper. */
const { code } = useShareLink(() => true)
const svg = computed(() =>
  editor.profile && editor.model
    ? cheatSheet(editor.profile, editor.model, macros.shelf, code.value)
    : undefined,
)
const source = computed(() => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg.value ?? '')}`)
const stem = computed(() => `${fileStem(editor.profile?.name ?? '', 'profile')}-cheat-sheet`)

/** Saved, the picture carries the profile: dropped onto a library it opens. */
const carried = computed(() => (editor.profile ? profileFile(editor.profile, macros.shelf).content : ''))

const saveSvg = () =>
  saveBlob(
    `${stem.value}.svg`,
    new Blob([svgWith(svg.value ?? '', carried.value)], { type: 'image/svg+xml' }),
  )

async function savePng(): Promise<void> {
  try {
    const picture = new Uint8Array(await (await rasterised(source.value)).arrayBuffer())
    saveBlob(`${stem.value}.png`, new Blob([pngWith(picture, carried.value)], { type: 'image/png' }))
  } catch (error) {
    notices.refuse(`The picture could not be made: ${messageOf(error)}. The SVG can be saved instead.`)
  }
}
</script>

<template>
  <div
    v-if="svg && editor.model"
    class="sheet grid h-full grid-rows-[auto_minmax(0,1fr)] overflow-auto px-6 py-3.5"
  >
    <header class="mb-3 flex items-center gap-2">
      <div class="flex-1">
        <h2>Cheat sheet</h2>
        <p class="soft">
          One page, legible in black and white. It follows every edit. Saved as a picture it carries the
          profile and opens in a library;
          {{
            code && code.size <= MOST_MODULES
              ? 'printed, its code opens as the profile’s link does.'
              : 'its link is too long for a code on paper.'
          }}
        </p>
      </div>
      <v-btn @click="saveSvg">Save as SVG</v-btn>
      <v-btn @click="savePng">Save as PNG</v-btn>
      <v-btn variant="flat" color="ink" @click="printPage(source)">Print</v-btn>
    </header>
    <div class="relative min-h-[480px]">
      <img
        class="absolute inset-0 m-auto max-h-full max-w-full border border-line-strong bg-bright"
        :src="source"
        :alt="`Cheat sheet of ${editor.profile?.name} on ${editor.model.name}`"
      />
    </div>
  </div>
</template>

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
  <div v-if="svg && editor.model" class="cheat-sheet sheet">
    <header>
      <div>
        <h1>Cheat sheet</h1>
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
    <div class="frame">
      <img :src="source" :alt="`Cheat sheet of ${editor.profile?.name} on ${editor.model.name}`" />
    </div>
  </div>
</template>

<style scoped>
.cheat-sheet {
  display: grid;
  height: 100%;
  padding: 14px 24px;
  overflow: auto;
  grid-template-rows: auto minmax(0, 1fr);
}

header {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 12px;
}

header div {
  flex: 1;
}

.frame {
  position: relative;
  min-height: 480px;
}

img {
  position: absolute;
  margin: auto;
  inset: 0;
  max-width: 100%;
  max-height: 100%;
  border: 1px solid var(--line-strong);
  background: #fff;
}
</style>

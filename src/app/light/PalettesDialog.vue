<script setup lang="ts">
import { mdiDeleteOutline, mdiDownload } from '@mdi/js'
import { ref } from 'vue'
import { coloursOfProfile } from '../../core/document/colours'
import { coloursOfPicture, newPalette, paletteFromGpl, paletteToGpl } from '../../core/document/palette'
import FileButton from '../shared/FileButton.vue'
import { useFileDrop } from '../shared/file-drop'
import { saveBlob } from '../shared/save-file'
import { useEditor } from '../stores/editor'
import { pictureSize, SIZE_WITHIN_BYTES } from '../../core/share/picture-size'
import { messageOf } from '../stores/notices'
import { usePalettes, type KeptPalette } from '../stores/palettes'

/** The palettes of the library: kept from this profile, from a file or from a picture, and saved again. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const palettes = usePalettes()
const problem = ref<string>()

/** A picture is looked at this large; its colours are the same. */
const PICTURE_PX = 96
const PICTURE_COLOURS = 8
const MOST_BYTES = 20 << 20
const nameOf = ({ name }: File): string => name.replace(/\.[^.]*$/, '')

async function bringIn(files: readonly File[]): Promise<void> {
  problem.value = undefined
  for (const file of files) {
    try {
      if (file.size > MOST_BYTES) throw new Error('it has more than 20 MiB')
      const palette = file.type.startsWith('image/')
        ? newPalette(nameOf(file), await coloursIn(file))
        : paletteFromGpl(await file.text(), nameOf(file))
      if (palette.colours.length === 0) throw new Error('there is no colour in it')
      void palettes.add(palette)
    } catch (error) {
      problem.value = `${file.name}: ${messageOf(error)}. Palettes are .gpl files, and any picture will do.`
    }
  }
}

/** Decoding a larger picture may make the browser end the page. */
const MOST_MEGAPIXELS = 60

async function coloursIn(file: File): Promise<string[]> {
  const size = pictureSize(new Uint8Array(await file.slice(0, SIZE_WITHIN_BYTES).arrayBuffer()))
  const megapixels = size ? (size.width * size.height) / 1e6 : 0
  if (megapixels > MOST_MEGAPIXELS)
    throw new Error(
      `it has ${Math.round(megapixels)} megapixels; use a picture with up to ${MOST_MEGAPIXELS}`,
    )
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, PICTURE_PX / Math.max(picture.width, picture.height))
  const scaled = (px: number) => Math.max(1, Math.round(px * scale))
  const [width, height] = [scaled(picture.width), scaled(picture.height)]
  const context = new OffscreenCanvas(width, height).getContext('2d')
  context?.drawImage(picture, 0, 0, width, height)
  return context ? coloursOfPicture(context.getImageData(0, 0, width, height).data, PICTURE_COLOURS) : []
}

function keepProfile(): void {
  const { profile } = editor
  if (profile) void palettes.add(newPalette(profile.name, coloursOfProfile(profile)))
}
const save = (palette: KeptPalette) =>
  saveBlob(`${palette.name}.gpl`, new Blob([paletteToGpl(palette)], { type: 'text/plain' }))
const { over, dropping } = useFileDrop((files) => void bringIn(files))
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-labelledby="palettes-title">
    <v-card :class="{ over }" v-on="dropping">
      <h2 id="palettes-title">Palettes</h2>
      <p class="soft">
        Their colours are offered wherever a colour is chosen. Drop a picture or a <code>.gpl</code> file
        here.
      </p>
      <ul
        v-if="palettes.kept.length"
        class="m-0 max-h-[44vh] list-none overflow-auto border-t-[1.5px] border-ink p-0"
        aria-label="Palettes"
      >
        <li
          v-for="palette in palettes.kept"
          :key="palette.id"
          class="grid grid-cols-[150px_minmax(0,1fr)_auto_auto] items-center gap-2 border-b border-line px-0 py-1.5"
        >
          <span class="name truncate font-semi">{{ palette.name }}</span>
          <span
            class="flex h-6 overflow-hidden rounded-4 border border-line-strong"
            role="img"
            :aria-label="palette.colours.join(', ')"
          >
            <i
              v-for="colour in palette.colours.slice(0, 24)"
              :key="colour"
              class="flex-1"
              :style="{ background: colour }"
              :title="colour"
            />
          </span>
          <v-btn
            icon
            size="small"
            variant="text"
            :aria-label="`Save ${palette.name} as a file`"
            @click="save(palette)"
          >
            <v-icon :icon="mdiDownload" />
          </v-btn>
          <v-btn
            icon
            size="small"
            variant="text"
            :aria-label="`Delete ${palette.name}`"
            @click="palettes.remove(palette)"
          >
            <v-icon :icon="mdiDeleteOutline" />
          </v-btn>
        </li>
      </ul>
      <p v-else class="px-0 py-3">None is kept yet.</p>
      <v-alert v-if="problem" :text="problem" />
      <div class="ends">
        <v-btn @click="keepProfile">Keep this profile’s colours</v-btn>
        <FileButton label="From a file or a picture…" accept=".gpl,image/*" multiple @files="bringIn" />
        <v-btn variant="flat" color="ink" @click="open = false">Done</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.over {
  outline: 2px dashed var(--light);
}
</style>

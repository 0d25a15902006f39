<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { mdiDeleteOutline, mdiDownload } from '@mdi/js'
import { ref, useTemplateRef } from 'vue'
import { coloursOfProfile } from '../../core/document/colours'
import { mainColours, newPalette, paletteFromGpl, paletteToGpl } from '../../core/document/palette'
import FileButton from '../files/FileButton.vue'
import { useFilesDroppedOn } from '../files/from-outside'
import { saveBlob } from '../files/save-file'
import { useEditor } from '../stores/editor'
import { pictureSize, SIZE_WITHIN_BYTES } from '../../core/share/picture-size'
import { errorMessage } from '../stores/notifications'
import { usePalettes, type StoredPalette } from '../stores/palettes'

/** The palettes of the library: saved from this profile, imported from a file or picture, and exported. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const palettes = usePalettes()
const problem = ref<string>()

/** Pictures are reduced to this size, which does not change their colours. */
const PICTURE_PX = 96
const PICTURE_COLOURS = 8
const MAX_BYTES = 20 << 20
const nameOf = ({ name }: File): string => name.replace(/\.[^.]*$/, '')

async function bringIn(files: readonly File[]): Promise<void> {
  problem.value = undefined
  for (const file of files) {
    try {
      if (file.size > MAX_BYTES) throw new Error(t('light.itIsLargerThan20Mib'))
      const palette = file.type.startsWith('image/')
        ? newPalette(nameOf(file), await coloursIn(file))
        : paletteFromGpl(await file.text(), nameOf(file))
      if (palette.colours.length === 0) throw new Error(t('light.itContainsNoColours'))
      void palettes.add(palette)
    } catch (error) {
      problem.value = t('light.selectAGplFileOrAnyPicture', {
        name: file.name,
        message: errorMessage(error),
      })
    }
  }
}

/** Decoding a larger picture could make the browser close the page. */
const MAX_MEGAPIXELS = 60

async function coloursIn(file: File): Promise<string[]> {
  const size = pictureSize(new Uint8Array(await file.slice(0, SIZE_WITHIN_BYTES).arrayBuffer()))
  const megapixels = size ? (size.width * size.height) / 1e6 : 0
  if (megapixels > MAX_MEGAPIXELS)
    throw new Error(
      t('light.itHasMegapixelsUseAPictureWith', {
        size: Math.round(megapixels),
        max: MAX_MEGAPIXELS,
      }),
    )
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, PICTURE_PX / Math.max(picture.width, picture.height))
  const scaled = (px: number) => Math.max(1, Math.round(px * scale))
  const [width, height] = [scaled(picture.width), scaled(picture.height)]
  const context = new OffscreenCanvas(width, height).getContext('2d')
  context?.drawImage(picture, 0, 0, width, height)
  return context ? mainColours(context.getImageData(0, 0, width, height).data, PICTURE_COLOURS) : []
}

function keepProfile(): void {
  const { profile } = editor
  if (profile) void palettes.add(newPalette(profile.name, coloursOfProfile(profile)))
}
const save = (palette: StoredPalette) =>
  saveBlob(`${palette.name}.gpl`, new Blob([paletteToGpl(palette)], { type: 'text/plain' }))
const content = useTemplateRef<HTMLElement>('content')
const over = useFilesDroppedOn(content, (files) => void bringIn(files))
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-labelledby="palettes-title">
    <v-card>
      <div ref="content" :class="{ over }" data-takes-files>
        <h2 id="palettes-title">{{ t('light.palettes2') }}</h2>
        <p class="soft">
          <RichMessage message="light.colourFieldsOfferTheColoursOfThese">
            <template #extension><code>.gpl</code></template>
          </RichMessage>
        </p>
        <ul
          v-if="palettes.kept.length"
          class="m-0 max-h-[44vh] list-none overflow-auto border-t-[1.5px] border-ink p-0"
          :aria-label="t('light.palettes2')"
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
              :aria-label="t('light.export', { name: palette.name })"
              @click="save(palette)"
            >
              <v-icon :icon="mdiDownload" />
            </v-btn>
            <v-btn
              icon
              size="small"
              variant="text"
              :aria-label="t('light.delete', { name: palette.name })"
              @click="palettes.remove(palette)"
            >
              <v-icon :icon="mdiDeleteOutline" />
            </v-btn>
          </li>
        </ul>
        <p v-else class="px-0 py-3">{{ t('light.noPalettesYet') }}</p>
        <v-alert v-if="problem" :text="problem" />
        <div class="ends">
          <v-btn @click="keepProfile">{{ t('light.saveThisProfilesColours') }}</v-btn>
          <FileButton
            :label="t('light.importAFileOrAPicture')"
            accept=".gpl,image/*"
            multiple
            @files="bringIn"
          />
          <v-btn variant="flat" color="ink" @click="open = false">{{ t('light.done') }}</v-btn>
        </div>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.over {
  outline: 2px dashed var(--light);
}
</style>

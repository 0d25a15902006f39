<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { cheatSheet, MAX_QR_MODULES } from '../../core/cheat-sheet/cheat-sheet'
import { embedInPng, embedInSvg } from '../../core/share/picture'
import { fileStem } from '../../core/base/names'
import { profileFile } from '../stores/library'
import { saveBlob } from '../files/save-file'
import { useShareLink } from './share-link'
import { printPage, rasterise } from './sheet-output'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { errorMessage, useNotifications } from '../stores/notifications'

/** One page to print or keep next to the screen: the device with the actions of its inputs. */
const editor = useEditor()
const macros = useMacros()
const notices = useNotifications()
/** A printed page contains the profile too, if its link is short enough for cameras to read from paper. */
const { code } = useShareLink(() => true)
const svg = computed(() =>
  editor.profile && editor.model
    ? cheatSheet(editor.profile, editor.model, macros.shelf, textOf, code.value)
    : undefined,
)
const source = computed(() => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg.value ?? '')}`)
const stem = computed(() => `${fileStem(editor.profile?.name ?? '', 'profile')}-cheat-sheet`)

/** The saved picture contains the profile: dropped onto a library, it opens. */
const carried = computed(() => (editor.profile ? profileFile(editor.profile, macros.shelf).content : ''))

const saveSvg = () =>
  saveBlob(
    `${stem.value}.svg`,
    new Blob([embedInSvg(svg.value ?? '', carried.value)], { type: 'image/svg+xml' }),
  )

async function savePng(): Promise<void> {
  try {
    const picture = new Uint8Array(await (await rasterise(source.value)).arrayBuffer())
    saveBlob(`${stem.value}.png`, new Blob([embedInPng(picture, carried.value)], { type: 'image/png' }))
  } catch (error) {
    notices.refuse(t('profile.thePictureCouldNotBeCreatedYou', { message: errorMessage(error) }))
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
        <h2>{{ t('profile.cheatSheet') }}</h2>
        <p class="soft">
          {{
            code && code.size <= MAX_QR_MODULES
              ? t('profile.onePageReadableInBlackAndWhite')
              : t('profile.onePageReadableInBlackAndWhite2')
          }}
        </p>
      </div>
      <v-btn @click="saveSvg">{{ t('profile.saveAsSvg') }}</v-btn>
      <v-btn @click="savePng">{{ t('profile.saveAsPng') }}</v-btn>
      <v-btn variant="flat" color="ink" @click="printPage(source)">{{ t('profile.print') }}</v-btn>
    </header>
    <div class="relative min-h-[480px]">
      <img
        class="absolute inset-0 m-auto max-h-full max-w-full border border-line-strong bg-bright"
        :src="source"
        :alt="t('profile.cheatSheetOfOn', { name: editor.profile?.name, device: editor.model.name })"
      />
    </div>
  </div>
</template>

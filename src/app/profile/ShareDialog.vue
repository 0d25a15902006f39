<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import { MAX_LINK_CHARACTERS } from '../../core/share/link'
import { saveFile } from '../files/save-file'
import { profileFile } from '../stores/library'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { useShareLink } from './share-link'

/** Shares the profile directly: a link, a picture or a file that contains it. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotifications()

const { link, fits, code } = useShareLink(() => open.value)
const notes = computed(
  () =>
    editor.profile?.layers.some(({ bindings }) => Object.values(bindings).some(({ note }) => note)) ?? false,
)

async function copy(): Promise<void> {
  const address = link.value?.address
  if (address === undefined) return
  try {
    await navigator.clipboard.writeText(address)
    notices.say(t('profile.linkCopied'))
  } catch {
    notices.refuse(t('profile.thisBrowserBlocksTheClipboard'))
  }
}

const download = () => editor.profile && saveFile(profileFile(editor.profile, macros.shelf))
/** White modules around a code that readers need (ISO/IEC 18004). */
const QUIET = 4
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-labelledby="share-title">
    <v-card>
      <h2 id="share-title">{{ t('profile.share', { name: editor.profile?.name }) }}</h2>
      <p class="soft">
        {{
          notes
            ? t('profile.theLinkContainsTheWholeProfileThe')
            : t('profile.theLinkContainsTheWholeProfileThe2')
        }}
      </p>
      <v-alert v-if="link?.problem" :text="link.problem" />
      <template v-else-if="link?.address">
        <div v-if="fits" class="link flex items-end gap-2">
          <v-text-field
            :model-value="link.address"
            readonly
            :label="t('profile.link')"
            @focus="($event.target as HTMLInputElement).select()"
          />
          <v-btn variant="flat" color="ink" @click="copy">{{ t('profile.copyLink') }}</v-btn>
        </div>
        <p v-else class="pending">
          {{
            t('profile.theLinkWouldHaveCharactersMany', {
              count: link.address.length,
              max: MAX_LINK_CHARACTERS,
            })
          }}
        </p>
        <figure v-if="code" class="m-0 grid grid-cols-[240px_minmax(0,1fr)] items-center gap-4">
          <svg
            :viewBox="`${-QUIET} ${-QUIET} ${code.size + 2 * QUIET} ${code.size + 2 * QUIET}`"
            role="img"
            :aria-label="t('profile.theLinkAsAQrCode')"
            shape-rendering="crispEdges"
          >
            <rect
              :x="-QUIET"
              :y="-QUIET"
              :width="code.size + 2 * QUIET"
              :height="code.size + 2 * QUIET"
              fill="#fff"
            />
            <path :d="code.path" fill="black" />
          </svg>
          <figcaption class="caption soft">
            {{ t('profile.charactersThePictureOfTheCheat', { count: link.address.length }) }}
          </figcaption>
        </figure>
      </template>
      <div class="ends">
        <v-btn @click="download">{{ t('profile.exportAsAFile') }}</v-btn>
        <v-btn :to="`/profile/${editor.openId}/cheat-sheet`" @click="open = false">{{
          t('profile.cheatSheet')
        }}</v-btn>
        <v-btn @click="open = false">{{ t('profile.close') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.link > :first-child {
  flex: 1;
}
</style>

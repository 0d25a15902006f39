<script setup lang="ts">
import { computed } from 'vue'
import { MOST_LINK } from '../../core/share/link'
import { saveFile } from '../shared/save-file'
import { profileFile } from '../stores/library'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { useShareLink } from './share-link'

/** The profile for somebody else, with nobody in between: a link, a picture or a file that is the profile itself. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const macros = useMacros()
const notices = useNotices()

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
    notices.say('The link is on the clipboard')
  } catch {
    notices.refuse('The browser does not let the link be copied: choose it and copy it by hand.')
  }
}

const download = () => editor.profile && saveFile(profileFile(editor.profile, macros.shelf))
/** Modules of white around a code, as readers need them (ISO/IEC 18004). */
const QUIET = 4
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-labelledby="share-title">
    <v-card>
      <h2 id="share-title">Share “{{ editor.profile?.name }}”</h2>
      <p class="soft">
        The link is the profile: all of it stands behind the #, which no browser sends to a server. Whoever
        opens it sees what it is and what it would change before anything is kept.{{
          notes ? ' Your notes stay here.' : ''
        }}
      </p>
      <v-alert v-if="link?.problem" :text="link.problem" />
      <template v-else-if="link?.address">
        <div v-if="fits" class="link flex items-end gap-2">
          <v-text-field
            :model-value="link.address"
            readonly
            label="Link"
            @focus="($event.target as HTMLInputElement).select()"
          />
          <v-btn variant="flat" color="ink" @click="copy">Copy</v-btn>
        </div>
        <p v-else class="pending">
          The link would have {{ link.address.length }} characters; more than {{ MOST_LINK }} do not go
          through every messenger. Send the file instead.
        </p>
        <figure v-if="code" class="m-0 grid grid-cols-[240px_minmax(0,1fr)] items-center gap-4">
          <svg
            :viewBox="`${-QUIET} ${-QUIET} ${code.size + 2 * QUIET} ${code.size + 2 * QUIET}`"
            role="img"
            aria-label="The link as a QR code"
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
            {{ link.address.length }} characters. The cheat sheet, saved as a picture, carries the profile as
            well: dropping it onto a library opens it.
          </figcaption>
        </figure>
      </template>
      <div class="ends">
        <v-btn @click="download">Save as a file</v-btn>
        <v-btn :to="`/profile/${editor.openId}/cheat-sheet`" @click="open = false">Cheat sheet</v-btn>
        <v-btn @click="open = false">Close</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.link > :first-child {
  flex: 1;
}
</style>

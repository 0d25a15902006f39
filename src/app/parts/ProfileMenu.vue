<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { mirrorBindings, rename } from '../../core/profile/edits'
import type { Profile } from '../../core/profile/schema'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useLibrary } from '../stores/library'
import { saveFile } from './save-file'
import { useMacros } from '../stores/macros'
import { profileFile } from '../stores/library'
import MoveDialog from './MoveDialog.vue'
import NameDialog from './NameDialog.vue'

/** The name of the open profile, and everything that is done to profiles as a whole. */
const editor = useEditor()
const library = useLibrary()
const macros = useMacros()
const notices = useNotices()
const router = useRouter()
const renaming = ref(false)

async function goTo(id: string | undefined, view = 'buttons'): Promise<void> {
  if (id) await router.push(`/profile/${id}/${view}`)
}

const moving = ref(false)
async function move(profile: Profile): Promise<void> {
  const name = editor.profile?.name
  await goTo(await library.addFromFile(profile))
  notices.say(
    `This is the copy of “${name}” for ${editor.model?.name}; the first is in the library as it was`,
  )
}

async function duplicate(): Promise<void> {
  if (editor.entry) await goTo(await library.duplicate(editor.entry))
}

async function create(): Promise<void> {
  if (editor.model) await goTo(await library.create(editor.model, editor.entry?.slot ?? 0))
}

async function remove(): Promise<void> {
  const { entry } = editor
  if (!entry) return
  await router.push('/library')
  await library.remove({ id: entry.id, name: entry.profile.name })
}

const mirrors = computed(() => editor.model?.inputs.some((input) => input.mirror !== undefined) ?? false)

function mirror(): void {
  const { model } = editor
  const refusal =
    model && editor.edit('mirror for the other hand', (profile) => mirrorBindings(profile, model))
  if (refusal) notices.trouble(refusal)
  else notices.say('Left and right have changed places in this profile', { label: 'Undo', act: editor.undo })
}

function download(): void {
  if (editor.profile) saveFile(profileFile(editor.profile, macros.shelf))
}
</script>

<template>
  <v-menu>
    <template #activator="{ props: activator }">
      <button type="button" class="name" v-bind="activator" :title="editor.profile?.name">
        <span>{{ editor.profile?.name }}</span><span class="mark" aria-hidden="true">▾</span>
      </button>
    </template>
    <div class="menu panel" role="menu">
      <button
        v-for="entry in library.entries"
        :key="entry.id"
        type="button"
        role="menuitemradio"
        :aria-checked="entry.id === editor.openId"
        @click="goTo(entry.id)"
      >
        {{ entry.profile.name }}
        <span v-if="entry.id === editor.openId" class="caption">open</span>
      </button>
      <hr />
      <button type="button" role="menuitem" @click="renaming = true">Rename…</button>
      <button type="button" role="menuitem" @click="duplicate">Duplicate</button>
      <button type="button" role="menuitem" @click="create">New profile</button>
      <button v-if="mirrors" type="button" role="menuitem" @click="mirror">Mirror for the other hand</button>
      <button type="button" role="menuitem" @click="moving = true">Copy to another model…</button>
      <button type="button" role="menuitem" @click="goTo(editor.openId, 'cheat-sheet')">Cheat sheet</button>
      <button type="button" role="menuitem" @click="download">Save as a file</button>
      <button type="button" role="menuitem" @click="remove">Delete</button>
    </div>
  </v-menu>
  <MoveDialog
    v-if="editor.profile && editor.model"
    v-model="moving"
    :profile="editor.profile"
    :model="editor.model"
    @move="move"
  />
  <NameDialog
    v-if="editor.profile"
    v-model="renaming"
    :name="editor.profile.name"
    :taken="library.isTaken"
    :apply="(name) => editor.edit('rename', (profile) => rename(profile, name))"
  />
</template>

<style scoped>
.name {
  display: flex;
  max-width: 240px;
  align-items: baseline;
  gap: 6px;
  padding: 4px 8px;
  border: 1px solid transparent;
  border-radius: 6px;
  margin-left: -8px;
  background: transparent;
  color: inherit;
  font: inherit;
  font-size: 1.2rem;
  font-weight: 650;
  cursor: pointer;
}

.name:hover {
  border-color: var(--line-strong);
}

.name span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}

.mark {
  font-size: 1rem;
}
</style>

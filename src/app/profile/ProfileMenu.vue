<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { modelById } from '../../core/device/models'
import { renameProfile, setPlayRule, setProfileTags } from '../../core/edits/edits'
import { PLAY_RULES, type PlayRule, type Profile } from '../../core/document/schema'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'
import { useLibrary } from '../stores/library'
import CommandItem from '../shared/CommandItem.vue'
import { canRun, runCommand, useCommands } from '../shared/commands'
import MenuChoice from '../shared/MenuChoice.vue'
import { matchesFilter } from '../../core/base/matching'
import { saveFile } from '../files/save-file'
import { useMacros } from '../stores/macros'
import { profileFile } from '../stores/library'
import FactoryDialog from './FactoryDialog.vue'
import MirrorDialog from './MirrorDialog.vue'
import MoveDialog from './MoveDialog.vue'
import ShareDialog from './ShareDialog.vue'
import NewProfileDialog from '../shared/NewProfileDialog.vue'
import NameDialog from '../shared/NameDialog.vue'
import TagsDialog from '../shared/TagsDialog.vue'

/** The name of the open profile, and all actions for whole profiles. */
const editor = useEditor()
const library = useLibrary()
const macros = useMacros()
const notices = useNotifications()
const router = useRouter()
const renaming = ref(false)
const sharing = ref(false)
const resetting = ref(false)
const tagging = ref(false)
const setTagsAndRules = (tags: string[], rules: readonly PlayRule[]) =>
  editor.edit(['tags-and-rules'], (profile) =>
    PLAY_RULES.reduce(
      (next, rule) => setPlayRule(next, rule, rules.includes(rule)),
      setProfileTags(profile, tags),
    ),
  )
const open = ref(false)

/** A long list has a search. */
const MAX_WITHOUT_SEARCH = 8
const wanted = ref('')
const others = computed(() =>
  library.entries.filter(({ profile }) => matchesFilter(wanted.value, [profile.name])),
)
watch(open, () => (wanted.value = ''))

async function goTo(id: string | undefined, view = 'buttons'): Promise<void> {
  if (id) await router.push(`/profile/${id}/${view}`)
}

const moving = ref(false)
async function move(profile: Profile): Promise<void> {
  const name = editor.profile?.name
  const model = modelById(profile.model)?.name
  const id = await library.addFromFile(profile)
  if (id === undefined) return
  await goTo(id)
  notices.say(t('profile.thisCopyOfIsForTheOriginal', { name, model }))
}

async function duplicate(): Promise<void> {
  if (editor.entry) await goTo(await library.duplicate(editor.entry))
}

const creating = ref(false)

async function remove(): Promise<void> {
  const { entry } = editor
  if (!entry) return
  await router.push('/library')
  await library.remove({ id: entry.id, name: entry.profile.name })
}

const mirrors = computed(() => editor.model?.inputs.some((input) => input.mirror !== undefined) ?? false)

const mirroring = ref(false)

function download(): void {
  if (editor.profile) saveFile(profileFile(editor.profile, macros.shelf))
}

useCommands({
  'profile.rename': () => (renaming.value = true),
  'profile.tags': () => (tagging.value = true),
  'profile.duplicate': duplicate,
  'profile.new': () => (creating.value = true),
  'profile.mirror': { run: () => (mirroring.value = true), can: () => mirrors.value },
  'profile.move': () => (moving.value = true),
  'profile.sheet': () => goTo(editor.openId, 'cheat-sheet'),
  'profile.compare': () => goTo(editor.openId, 'compare'),
  'profile.share': () => (sharing.value = true),
  'profile.save': download,
  'profile.factory': () => (resetting.value = true),
  'profile.delete': remove,
})
const MENU = [
  'profile.rename',
  'profile.tags',
  'profile.duplicate',
  'profile.new',
  'profile.mirror',
  'profile.move',
  'profile.sheet',
  'profile.share',
  'profile.save',
  'profile.factory',
  'profile.delete',
] as const
const menu = computed(() => MENU.filter(canRun))
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" :activator-props="{ 'aria-haspopup': 'dialog' }">
    <template #activator="{ props: activator }">
      <v-btn
        variant="text"
        class="name -ms-2 max-w-[240px] text-[1.2rem] font-strong"
        v-bind="activator"
        :title="editor.profile?.name"
      >
        <span class="overflow-hidden text-ellipsis">{{ editor.profile?.name }}</span><span aria-hidden="true"
          >▾</span
        >
      </v-btn>
    </template>
    <v-card
      class="overflow-auto"
      width="280"
      max-height="70vh"
      role="dialog"
      :aria-label="t('profile.profiles')"
    >
      <v-list role="menu" :aria-label="t('profile.thisProfile')" @click="open = false">
        <CommandItem v-for="id in menu" :key="id" :of="id" @click="runCommand(id)" />
      </v-list>
      <v-divider />
      <v-text-field
        v-if="library.entries.length > MAX_WITHOUT_SEARCH"
        v-model="wanted"
        class="mx-2 my-1"
        :placeholder="t('profile.searchProfiles')"
        :aria-label="t('profile.searchProfiles')"
      />
      <v-list role="menu" :aria-label="t('profile.otherProfiles')" @click="open = false">
        <v-virtual-scroll :items="others" max-height="280" item-height="32">
          <template #default="{ item }">
            <MenuChoice
              :title="item.profile.name"
              :about="item.id === editor.openId ? t('profile.open2') : undefined"
              :chosen="item.id === editor.openId"
              @click="goTo(item.id)"
            />
          </template>
        </v-virtual-scroll>
      </v-list>
    </v-card>
  </v-menu>
  <TagsDialog
    v-if="tagging && editor.profile"
    v-model="tagging"
    :title="t('profile.tagsAndRules')"
    :tags="editor.profile.tags"
    :rules="editor.profile.rules"
    :known="library.tags"
    :apply="setTagsAndRules"
  />
  <NewProfileDialog
    v-if="creating && editor.model"
    v-model="creating"
    :model="editor.model"
    :slot-index="editor.entry?.slot ?? 0"
    @made="goTo"
  />
  <MirrorDialog v-if="mirroring" v-model="mirroring" />
  <ShareDialog v-model="sharing" />
  <FactoryDialog v-if="resetting" v-model="resetting" />
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
    :taken="(name) => library.isTaken(name, editor.profile?.model ?? '')"
    :apply="(name) => editor.edit(['rename'], (profile) => renameProfile(profile, name))"
  />
</template>

<style scoped>
.name :deep(.v-btn__content) {
  min-width: 0;
  max-width: 100%;
}
</style>

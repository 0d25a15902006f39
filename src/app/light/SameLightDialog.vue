<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { matchInputs } from '../../core/compile/move'
import { moveStack } from '../../core/compile/move-light'
import type { Moved } from '../../core/compile/moved'
import { modelById } from '../../core/device/models'
import { setStack } from '../../core/edits/light-edits'
import type { Profile } from '../../core/document/schema'
import AskDialog from '../shared/AskDialog.vue'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import type { LightWork } from './work'
import CheckList from '../shared/CheckList.vue'

/** Puts this light on other profiles in one action: by place, with what could not come along said before. */
const props = defineProps<{ work: LightWork }>()
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const library = useLibrary()
const chosen = shallowRef<string[]>([])

const others = computed(() => {
  const from = props.work.model.value
  if (!from) return []
  return library.entries
    .filter(({ id }) => id !== editor.entry?.id)
    .flatMap(({ id, profile }) => {
      const to = modelById(profile.model)
      if (!to) return []
      const places = matchInputs(from, to)
      const moved = moveStack(props.work.stack.value, from, to, {
        like: (input) => places.get(input)?.input.id,
        layers: profile.layers.length,
      })
      return [{ id, name: profile.name, model: to.name, ...moved }]
    })
})
const asked = computed(() => others.value.filter(({ id }) => chosen.value.includes(id)))
/** Those that something comes along to; the rest stay as they are. */
const changed = computed(() => asked.value.filter(({ stack }) => stack.length > 0))
const FATE_WORDS: Record<Moved['fate'], string> = {
  fits: 'as it is',
  changed: 'scaled to',
  'left out': 'left out',
}

function put(): void {
  const stacks = new Map(changed.value.map(({ id, stack }) => [id, stack]))
  const count = stacks.size
  library.changeMany(
    `The light of “${editor.profile?.name ?? ''}” was put on ${count} ${count === 1 ? 'profile' : 'profiles'}`,
    [...stacks.keys()],
    (profile: Profile, id: string) => setStack(profile, stacks.get(id) ?? []),
  )
  open.value = false
}
</script>

<template>
  <AskDialog
    v-model="open"
    :max-width="640"
    title="The same light elsewhere"
    :confirm="`Put it on ${changed.length === 1 ? 'one profile' : `${changed.length} profiles`}`"
    :disabled="changed.length === 0"
    @confirm="put"
  >
    <p class="soft">
      Zones go by their names, single lights by where they lie, lengths in proportion. What those profiles
      show now is replaced, and can be taken back.
    </p>
    <p v-if="others.length === 0">There is no other profile in the library.</p>
    <CheckList
      v-model="chosen"
      class="max-h-[28vh] overflow-auto border-t-[1.5px] border-ink"
      tabindex="0"
      label="Other profiles"
      :choices="others.map(({ id, name, model }) => ({ value: id, text: `${name}, ${model}` }))"
    />
    <ul
      v-if="asked.length"
      class="report m-0 max-h-[28vh] list-none overflow-auto border-t border-line-strong p-0"
      aria-label="What comes along"
    >
      <li v-for="{ id, name, report, stack } in asked" :key="id">
        <h3 class="pt-2 text-14">{{ name }}</h3>
        <p v-if="stack.length === 0" class="m-0 text-ink-soft">
          Nothing of it can come along: this profile stays as it is.
        </p>
        <p
          v-for="({ what, fate, how }, index) in report"
          :key="index"
          class="m-0 text-ink-soft"
          :class="{ out: fate === 'left out' }"
        >
          {{ what.replace(/^Light, /, '') }}: {{ FATE_WORDS[fate]
          }}{{ fate === 'fits' ? '' : fate === 'changed' ? ` ${how}` : `, ${how}` }}
        </p>
      </li>
    </ul>
  </AskDialog>
</template>

<style scoped>
.report .out {
  color: var(--pending);
}
</style>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS } from '../../core/device/models'
import { moveProfile } from '../../core/compile/move'
import type { Moved } from '../../core/compile/moved'
import type { Profile } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useMacros } from '../stores/macros'
import AskDialog from '../shared/AskDialog.vue'

/** What a profile would be on another model, before anything is saved: what fits, what changes, what stays behind. */
const props = defineProps<{ profile: Profile; model: DeviceModel }>()
const emit = defineEmits<{ move: [profile: Profile] }>()
const open = defineModel<boolean>({ required: true })
const macros = useMacros()

const others = computed(() => DEVICE_MODELS.filter(({ id }) => id !== props.model.id))
const target = ref<string>()
watch(open, () => (target.value = others.value[0]?.id), { immediate: true })
const to = computed(() => others.value.find(({ id }) => id === target.value))
const moved = computed(() => to.value && moveProfile(props.profile, props.model, to.value, macros.shelf))

const FATES: { fate: Moved['fate']; title: string }[] = [
  { fate: 'left out', title: 'Left out' },
  { fate: 'changed', title: 'Changed' },
  { fate: 'fits', title: 'Fits as it is' },
]
const groups = computed(() =>
  FATES.map(({ fate, title }) => ({
    title,
    fate,
    entries: moved.value?.report.filter((each) => each.fate === fate) ?? [],
  })).filter(({ entries }) => entries.length > 0),
)

function confirm(): void {
  open.value = false
  if (moved.value) emit('move', moved.value.profile)
}
</script>

<template>
  <AskDialog
    v-model="open"
    :max-width="640"
    :title="`A copy of “${profile.name}” for another model`"
    :confirm="`Make the copy for ${to?.name}`"
    @confirm="confirm"
  >
    <ChoiceRow
      v-model="target"
      label="Model"
      :choices="others.map(({ id, name }) => ({ value: id, text: name }))"
    />
    <p class="soft">Inputs go by what they are for. Nothing is saved yet, and this profile stays as it is.</p>
    <div
      class="max-h-[46vh] overflow-auto border-t-[1.5px] border-b border-t-ink border-b-line-strong"
      tabindex="0"
      aria-label="What becomes of it"
    >
      <div v-for="{ title, entries, fate } in groups" :key="title" :class="fate.replace(' ', '-')">
        <h3 class="px-0 pt-2.5 pb-1 text-14">
          {{ title }} <span class="caption">{{ entries.length }}</span>
        </h3>
        <ul class="m-0 list-none p-0">
          <li
            v-for="entry in entries"
            :key="entry.what"
            class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3 border-t border-line px-0 py-1"
          >
            <span>{{ entry.what }}</span>
            <span class="soft">{{ entry.how }}</span>
          </li>
        </ul>
      </div>
      <p v-if="groups.length === 0" class="soft">
        Everything is as the factory set it: nothing to carry over.
      </p>
    </div>
  </AskDialog>
</template>

<style scoped>
.left-out h3 {
  color: var(--pending);
}
</style>

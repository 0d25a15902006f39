<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { computed, ref, watch } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS } from '../../core/device/models'
import { moveProfile } from '../../core/compile/move'
import type { MoveChange } from '../../core/compile/move-change'
import type { Profile } from '../../core/document/schema'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useMacros } from '../stores/macros'
import ConfirmDialog from '../shared/ConfirmDialog.vue'

/** Preview of a profile on another model: what fits, what changes, what is left out. */
const props = defineProps<{ profile: Profile; model: DeviceModel }>()
const emit = defineEmits<{ move: [profile: Profile] }>()
const open = defineModel<boolean>({ required: true })
const macros = useMacros()

const others = computed(() => DEVICE_MODELS.filter(({ id }) => id !== props.model.id))
const target = ref<string>()
watch(open, () => (target.value = others.value[0]?.id), { immediate: true })
const to = computed(() => others.value.find(({ id }) => id === target.value))
const moved = computed(() => to.value && moveProfile(props.profile, props.model, to.value, macros.shelf))

const FATES: { fate: MoveChange['fate']; title: string }[] = [
  withTexts({ fate: 'left out' }, { title: 'profile.leftOut' }),
  withTexts({ fate: 'changed' }, { title: 'profile.changed' }),
  withTexts({ fate: 'fits' }, { title: 'profile.unchanged' }),
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
  <ConfirmDialog
    v-model="open"
    :max-width="640"
    :title="t('profile.copyToAnotherModel', { name: profile.name })"
    :confirm="t('profile.createCopyFor', { name: to?.name })"
    @confirm="confirm"
  >
    <ChoiceRow
      v-model="target"
      :label="t('profile.model')"
      :choices="others.map(({ id, name }) => ({ value: id, text: name }))"
    />
    <p class="soft">{{ t('profile.inputsAreMatchedByTheirPurpose') }}</p>
    <div
      class="max-h-[46vh] overflow-auto border-t-[1.5px] border-b border-t-ink border-b-line-strong"
      tabindex="0"
      :aria-label="t('profile.changesInTheCopy')"
    >
      <div v-for="{ title, entries, fate } in groups" :key="title" :class="fate.replace(' ', '-')">
        <h3 class="px-0 pt-2.5 pb-1 text-14">
          {{ title }} <span class="caption">{{ entries.length }}</span>
        </h3>
        <ul class="m-0 list-none p-0">
          <li
            v-for="(entry, index) in entries"
            :key="index"
            class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-3 border-t border-line px-0 py-1"
          >
            <span>{{ textOf(entry.what) }}</span>
            <span class="soft">{{ textOf(entry.how) }}</span>
          </li>
        </ul>
      </div>
      <p v-if="groups.length === 0" class="soft">
        {{ t('profile.thisProfileHasFactorySettingsOnly') }}
      </p>
    </div>
  </ConfirmDialog>
</template>

<style scoped>
.left-out h3 {
  color: var(--pending);
}
</style>

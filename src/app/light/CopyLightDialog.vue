<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed, shallowRef } from 'vue'
import { matchInputs } from '../../core/compile/move'
import { moveStack } from '../../core/compile/move-light'
import { modelById } from '../../core/device/models'
import { setStack } from '../../core/edits/light-edits'
import type { Profile } from '../../core/document/schema'
import ConfirmDialog from '../shared/ConfirmDialog.vue'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import type { LightView } from './light-view'
import CheckList from '../shared/CheckList.vue'

/** Copies this light to other profiles in one action, by position; it first lists what does not fit. */
const props = defineProps<{ work: LightView }>()
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
/** Profiles that receive something; the others stay unchanged. */
const changed = computed(() => asked.value.filter(({ stack }) => stack.length > 0))
function put(): void {
  const stacks = new Map(changed.value.map(({ id, stack }) => [id, stack]))
  const count = stacks.size
  library.changeMany(
    t('light.theLightOfWasCopiedToProfile', { count, name: editor.profile?.name ?? '' }),
    [...stacks.keys()],
    (profile: Profile, id: string) => setStack(profile, stacks.get(id) ?? []),
  )
  open.value = false
}
</script>

<template>
  <ConfirmDialog
    v-model="open"
    :max-width="640"
    :title="t('light.copyLightToOtherProfiles')"
    :confirm="t('light.copyToOneProfile', { count: changed.length })"
    :disabled="changed.length === 0"
    @confirm="put"
  >
    <p class="soft">
      {{ t('light.zonesAreMatchedByNameSingleLights') }}
    </p>
    <p v-if="others.length === 0">{{ t('light.theLibraryHasNoOtherProfiles') }}</p>
    <CheckList
      v-model="chosen"
      class="max-h-[28vh] overflow-auto border-t-[1.5px] border-ink"
      tabindex="0"
      :label="t('light.otherProfiles')"
      :choices="others.map(({ id, name, model }) => ({ value: id, text: `${name}, ${model}` }))"
    />
    <ul
      v-if="asked.length"
      class="report m-0 max-h-[28vh] list-none overflow-auto border-t border-line-strong p-0"
      :aria-label="t('light.copiedEffects')"
    >
      <li v-for="{ id, name, report, stack } in asked" :key="id">
        <h3 class="pt-2 text-14">{{ name }}</h3>
        <p v-if="stack.length === 0" class="m-0 text-ink-soft">
          {{ t('light.noEffectFitsThisDeviceThisProfile') }}
        </p>
        <p
          v-for="({ what, fate, how }, index) in report"
          :key="index"
          class="m-0 text-ink-soft"
          :class="{ out: fate === 'left out' }"
        >
          {{
            fate === 'fits'
              ? t('light.copiedUnchanged', { effect: textOf(what) })
              : fate === 'changed'
                ? t('light.copiedChanged', { effect: textOf(what), how: textOf(how) })
                : t('light.notCopied', { effect: textOf(what), reason: textOf(how) })
          }}
        </p>
      </li>
    </ul>
  </ConfirmDialog>
</template>

<style scoped>
.report .out {
  color: var(--pending);
}
</style>

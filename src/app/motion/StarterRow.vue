<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed, ref } from 'vue'
import { STARTERS } from '../../core/motion/starters'
import { applyStarter } from '../../core/edits/starter-edits'
import { editsBetween } from '../../core/compile/pending'
import type { MotionView } from './motion-view'

/** Starters by kind of play or work, with a preview of their changes. */
const props = defineProps<{ work: MotionView }>()
const chosen = ref<string>()
const starter = computed(() => STARTERS.find(({ id }) => id === chosen.value))
const changes = computed(() => {
  const [profile, model] = [props.work.profile.value, props.work.model.value]
  if (!profile || !model || !starter.value) return []
  return editsBetween(profile, applyStarter(profile, model, starter.value), model)
})

function apply(): void {
  const [model, take] = [props.work.model.value, starter.value]
  if (model && take)
    props.work.edit(['motion-starter', { starter: take.name }], (now) => applyStarter(now, model, take))
  chosen.value = undefined
}
</script>

<template>
  <section class="ruled" :aria-label="t('motion.starters')">
    <div class="flow">
      <span class="caption">{{ t('motion.startFrom') }}</span>
      <v-btn-toggle v-model="chosen">
        <v-btn
          v-for="{ id, name, about } in STARTERS"
          :key="id"
          :value="id"
          :title="textOf(about)"
          :aria-pressed="chosen === id"
          :text="textOf(name)"
        />
      </v-btn-toggle>
    </div>
    <div v-if="starter" class="opened mt-2">
      <p>{{ textOf(starter.about) }}.</p>
      <ul v-if="changes.length > 0" class="mx-0 mt-1.5 mb-2 ps-4.5">
        <li v-for="{ key, what, from, to } in changes" :key="key">
          {{ textOf(what) }}: <span class="soft">{{ textOf(from) }}</span> → <b>{{ textOf(to) }}</b>
        </li>
      </ul>
      <p v-else class="soft">{{ t('motion.theProfileAlreadyHasTheseSettings') }}</p>
      <v-btn v-if="changes.length > 0" variant="flat" color="ink" @click="apply">
        {{ t('motion.applyChange', { count: changes.length }) }}
      </v-btn>
      <span class="caption ms-2.5">{{ t('motion.youCanUndoThis') }}</span>
    </div>
  </section>
</template>

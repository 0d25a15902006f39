<script setup lang="ts">
import { computed, ref } from 'vue'
import { STARTERS } from '../../core/motion/starters'
import { applyStarter } from '../../core/edits/starter-edits'
import { editsBetween } from '../../core/compile/pending'
import type { MotionWork } from './work'

/** Where to begin by kind of play or work: what each would change is shown before it does. */
const props = defineProps<{ work: MotionWork }>()
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
  <section class="ruled" aria-label="Starters">
    <div class="flow">
      <span class="caption">Start from</span>
      <v-btn-toggle v-model="chosen">
        <v-btn
          v-for="{ id, name, about } in STARTERS"
          :key="id"
          :value="id"
          :title="about"
          :aria-pressed="chosen === id"
          :text="name"
        />
      </v-btn-toggle>
    </div>
    <div v-if="starter" class="opened mt-2">
      <p>{{ starter.about }}.</p>
      <ul v-if="changes.length > 0" class="mx-0 mt-1.5 mb-2 pl-4.5">
        <li v-for="{ what, from, to } in changes" :key="what">
          {{ what }}: <span class="soft">{{ from }}</span> → <b>{{ to }}</b>
        </li>
      </ul>
      <p v-else class="soft">The profile is already as it says.</p>
      <v-btn v-if="changes.length > 0" variant="flat" color="ink" @click="apply">
        Change these {{ changes.length }}
      </v-btn>
      <span class="caption ml-2.5">Undo takes all of it back.</span>
    </div>
  </section>
</template>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { RULE_WORDS } from '../../core/compile/take-over'
import { PLAY_RULES, type PlayRule } from '../../core/document/schema'
import CheckList from './CheckList.vue'

/** Tags of a profile, or of several, and the rules for play it is held to. */
const props = defineProps<{
  title: string
  tags: readonly string[]
  /** Left out where only tags are asked for. */
  rules?: readonly PlayRule[]
  /** Tags that are in use already. */
  known: readonly string[]
  apply: (tags: string[], rules: readonly PlayRule[]) => string | undefined
}>()
const open = defineModel<boolean>({ required: true })
const wantedTags = ref<string[]>([])
const wantedRules = ref<PlayRule[]>([])
const problem = ref<string>()
const unused = computed(() => props.known.filter((tag) => !wantedTags.value.includes(tag)))
watch(
  open,
  () => {
    wantedTags.value = [...props.tags]
    wantedRules.value = [...(props.rules ?? [])]
    problem.value = undefined
  },
  { immediate: true },
)

/** What was typed and not yet made a tag. */
const typed = ref('')
function submit(): void {
  const tag = typed.value.trim()
  if (tag !== '' && !wantedTags.value.includes(tag)) wantedTags.value = [...wantedTags.value, tag]
  typed.value = ''
  problem.value = props.apply(wantedTags.value, wantedRules.value)
  if (problem.value === undefined) open.value = false
}
</script>

<template>
  <v-dialog v-model="open" aria-labelledby="tags-title">
    <v-card tag="form" @submit.prevent="submit">
      <h2 id="tags-title">{{ title }}</h2>
      <v-combobox
        v-model="wantedTags"
        v-model:search="typed"
        label="Tags: a game, a season, a person"
        autofocus
        multiple
        chips
        hide-no-data
        menu-icon=""
        closable-chips
        :error-messages="problem"
      />
      <p v-if="unused.length" class="caption soft">
        Existing tags:
        <v-btn
          v-for="tag in unused"
          :key="tag"
          size="small"
          class="mr-1"
          @click="wantedTags = [...wantedTags, tag]"
        >
          {{ tag }}
        </v-btn>
      </p>
      <template v-if="props.rules">
        <h3>Rules for play</h3>
        <p class="soft">
          Some games and tournaments forbid these. The checks report what breaks the selected rules.
        </p>
        <CheckList
          v-model="wantedRules"
          label="Rules for play"
          :choices="PLAY_RULES.map((rule) => ({ value: rule, text: RULE_WORDS[rule] }))"
        />
      </template>
      <div class="ends">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn variant="flat" color="ink" type="submit">Save tags</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

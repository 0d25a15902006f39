<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed, ref, watch } from 'vue'
import { PLAY_RULE_NAMES } from '../../core/compile/apply-differences'
import { PLAY_RULES, type PlayRule } from '../../core/document/schema'
import CheckList from './CheckList.vue'

/** Tags of one or several profiles, and the rules for play of a profile. */
const props = defineProps<{
  title: string
  tags: readonly string[]
  /** Missing if only tags are edited. */
  rules?: readonly PlayRule[]
  /** Existing tags. */
  known: readonly string[]
  apply: (tags: string[], rules: readonly PlayRule[]) => string | undefined
}>()
const open = defineModel<boolean>({ required: true })
const requestedTags = ref<string[]>([])
const requestedRules = ref<PlayRule[]>([])
const problem = ref<string>()
const unused = computed(() => props.known.filter((tag) => !requestedTags.value.includes(tag)))
watch(
  open,
  () => {
    requestedTags.value = [...props.tags]
    requestedRules.value = [...(props.rules ?? [])]
    problem.value = undefined
  },
  { immediate: true },
)

/** Typed text that is not a tag yet. */
const typed = ref('')
function submit(): void {
  const tag = typed.value.trim()
  if (tag !== '' && !requestedTags.value.includes(tag)) requestedTags.value = [...requestedTags.value, tag]
  typed.value = ''
  problem.value = props.apply(requestedTags.value, requestedRules.value)
  if (problem.value === undefined) open.value = false
}
</script>

<template>
  <v-dialog v-model="open" aria-labelledby="tags-title">
    <v-card tag="form" @submit.prevent="submit">
      <h2 id="tags-title">{{ title }}</h2>
      <v-combobox
        v-model="requestedTags"
        v-model:search="typed"
        :label="t('shared.tagsSuchAsAGameOrA')"
        autofocus
        multiple
        chips
        hide-no-data
        menu-icon=""
        closable-chips
        :error-messages="problem"
      />
      <p v-if="unused.length" class="caption soft">
        {{ t('shared.existingTags') }}
        <v-btn
          v-for="tag in unused"
          :key="tag"
          size="small"
          class="me-1"
          @click="requestedTags = [...requestedTags, tag]"
        >
          {{ tag }}
        </v-btn>
      </p>
      <template v-if="props.rules">
        <h3>{{ t('shared.rulesToFollow') }}</h3>
        <p class="soft">
          {{ t('shared.someGamesAndTournamentsForbidThese') }}
        </p>
        <CheckList
          v-model="requestedRules"
          :label="t('shared.rulesToFollow')"
          :choices="PLAY_RULES.map((rule) => ({ value: rule, text: textOf(PLAY_RULE_NAMES[rule]) }))"
        />
      </template>
      <div class="ends">
        <v-btn @click="open = false">{{ t('shared.cancel') }}</v-btn>
        <v-btn variant="flat" color="ink" type="submit">{{ t('shared.saveTags') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { modelById } from '../../core/device/models'
import { sameValue } from '../../core/base/same-value'
import { useAppRules } from '../stores/app-rules'
import type { BringChoice, BringPlan, BroughtProfile } from './backup'
import { SelectField } from '../../look/SelectField'

/** What is in a backup: what is new, the same, different or broken, with a choice for each, before anything is done. */
const props = defineProps<{ plan: BringPlan }>()
const emit = defineEmits<{ bring: [choices: BringChoice[], withRules: boolean]; leave: [] }>()
const heading = useTemplateRef<HTMLElement>('heading')
onMounted(() => heading.value?.focus())

const FIRST: Record<BroughtProfile['standing'], BringChoice> = {
  new: 'take',
  different: 'both',
  same: 'leave',
}
const choices = ref<BringChoice[]>(props.plan.profiles.map(({ standing }) => FIRST[standing]))

type Items = readonly { value: BringChoice; title: string }[]
const FOR_DIFFERENT: Items = [
  { value: 'both', title: 'Keep both' },
  { value: 'replace', title: 'Replace what is here' },
  { value: 'leave', title: 'Leave the file’s' },
]
const FOR_NEW: Items = [
  { value: 'take', title: 'Bring in' },
  { value: 'leave', title: 'Leave it' },
]
const groups = computed(() =>
  (
    [
      { standing: 'different', title: 'Here, and different', items: FOR_DIFFERENT },
      { standing: 'new', title: 'New here', items: FOR_NEW },
    ] as const
  )
    .map((group) => ({
      ...group,
      profiles: props.plan.profiles.flatMap((profile, index) =>
        profile.standing === group.standing ? [{ ...profile, index }] : [],
      ),
    }))
    .filter(({ profiles }) => profiles.length > 0),
)
const same = computed(() => props.plan.profiles.filter(({ standing }) => standing === 'same').length)
const beside = computed(() => {
  const { macros, sessions, palettes } = props.plan.file
  return [
    [macros.length, 'macros'],
    [sessions.length, 'sessions'],
    [palettes.length, 'palettes'],
    [props.plan.states.length, 'earlier states'],
  ]
    .filter(([count]) => Number(count) > 0)
    .map(([count, noun]) => `${count} ${noun}`)
    .join(', ')
})
/** The app rules of the file, where they are not those that are here. */
const appRules = useAppRules()
const rules = computed(() => {
  const { rules: brought } = props.plan.file
  return brought && !sameValue(brought, appRules.rules) ? brought : undefined
})
const here = computed(() => (appRules.rules?.rules.length ?? 0) > 0)
const ticked = ref<boolean>()
/** Until somebody says otherwise: rules come in where there are none. */
const withRules = computed({
  get: () => rules.value !== undefined && (ticked.value ?? !here.value),
  set: (on) => (ticked.value = on),
})
/** A choice for all is made, and made again: it is none of its own. */
const undecided = ref<BringChoice | null>(null)
const taken = computed(() => choices.value.filter((choice) => choice !== 'leave').length)

const titleOf = (items: Items, index: number) =>
  items.find(({ value }) => value === choices.value[index])?.title ?? ''

/** A button that goes from choice to choice: of a thousand rows each with a menu the page would be held. */
function nextOf(items: Items, index: number): BringChoice {
  const at = items.findIndex(({ value }) => value === choices.value[index])
  return itemAt(items, (at + 1) % items.length).value
}

function forAll(indices: readonly { index: number }[], choice: BringChoice): void {
  for (const { index } of indices) choices.value[index] = choice
}
</script>

<template>
  <div
    class="grid gap-2.5 rounded-6 border border-line-strong px-4 py-3.5"
    role="region"
    aria-labelledby="bring-title"
  >
    <h3 id="bring-title" ref="heading" tabindex="-1">What is in {{ plan.name }}</h3>
    <p class="soft">
      {{
        same === 0
          ? ''
          : `${same} ${same === 1 ? 'profile is' : 'profiles are'} here already, the same in everything. `
      }}{{ beside ? `${beside} are with it; what is missing of them comes along.` : '' }}
    </p>
    <div
      v-for="{ standing, title, items, profiles } in groups"
      :key="standing"
      class="border-t-[1.5px] border-ink"
      :data-standing="standing"
    >
      <h4 class="m-0 flex items-center justify-between">
        {{ title }}, {{ profiles.length }}
        <SelectField
          class="inner-label"
          label="For all"
          :items="items"
          :model-value="undecided"
          @update:model-value="(choice) => choice && forAll(profiles, choice)"
        />
      </h4>
      <v-virtual-scroll :items="profiles" :item-height="38" max-height="230">
        <template #default="{ item }">
          <div
            class="grid h-9.5 grid-cols-[minmax(0,1fr)_90px_190px] items-center gap-3 border-t border-line"
          >
            <span>{{ item.name }}</span>
            <span class="soft">{{ modelById(item.model)?.name ?? item.model }}</span>
            <v-btn
              size="small"
              :aria-label="`What becomes of ${item.name}: ${titleOf(items, item.index)}`"
              title="The next choice"
              @click="choices[item.index] = nextOf(items, item.index)"
            >
              {{ titleOf(items, item.index) }}
            </v-btn>
          </div>
        </template>
      </v-virtual-scroll>
    </div>
    <div v-if="plan.broken.length" class="border-t-[1.5px] border-ink" data-standing="broken">
      <h4 class="m-0 flex items-center justify-between">Cannot be read, {{ plan.broken.length }}</h4>
      <p v-for="{ name, problems } in plan.broken.slice(0, 20)" :key="name" class="pending">
        {{ name }}: {{ problems[0] }}
      </p>
    </div>
    <v-checkbox
      v-if="rules"
      v-model="withRules"
      :label="`App rules, ${rules.rules.length}: ${here ? 'in place of the ones that are here' : 'bring them in'}`"
    />
    <div class="flex justify-end gap-2">
      <v-btn @click="emit('leave')">Leave the file</v-btn>
      <v-btn variant="flat" color="ink" @click="emit('bring', choices, withRules)">
        {{
          taken === 0
            ? 'Bring in what is missing'
            : `Bring in ${taken === 1 ? 'one profile' : `${taken} profiles`}`
        }}
      </v-btn>
    </div>
  </div>
</template>

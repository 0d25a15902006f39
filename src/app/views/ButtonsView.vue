<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { actionFamily, actionText } from '../../core/profile/action-text'
import { bind, bindAll, sameAction } from '../../core/profile/edits'
import { actionOf, factoryAction } from '../../core/profile/profile'
import type { Action } from '../../core/profile/schema'
import { useFrames } from '../composables/frames'
import { usePending } from '../composables/pending'
import BindingSheet from '../parts/BindingSheet.vue'
import FindByPressing from '../parts/FindByPressing.vue'
import LabelledDrawing from '../parts/LabelledDrawing.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

/** Where every input is, and what it does. */
const editor = useEditor()
const notices = useNotices()
const { edits, device } = usePending()
const route = useRoute()
const chosen = ref<string>()
/** An address may name the input it is about. */
watch(
  () => route.query.input,
  (input) => {
    if (typeof input === 'string') chosen.value = input
  },
  { immediate: true },
)
const hovered = ref<string>()
const { colours } = useFrames(
  computed(() => editor.profile),
  computed(() => editor.model),
)

const pending = computed(() => {
  const names = new Set(edits.value.filter(({ view }) => view === 'buttons').map(({ what }) => what))
  return new Set(editor.model?.inputs.filter(({ name }) => names.has(name)).map(({ id }) => id))
})

const labels = computed(() =>
  Object.fromEntries(
    (editor.model?.inputs ?? []).map((input) => {
      const action: Action = editor.profile ? actionOf(editor.profile.layers[0], input) : { kind: 'off' }
      return [
        input.id,
        {
          text: actionText(action),
          family: sameAction(action, factoryAction(input)) ? 'factory' : actionFamily(action),
          pending: pending.value.has(input.id),
        },
      ]
    }),
  ),
)

function apply(inputId: string, action: Action): string | undefined {
  const { model } = editor
  const name = model?.inputs.find(({ id }) => id === inputId)?.name ?? inputId
  return (
    model &&
    editor.edit(`${name} to ${actionText(action)}`, (profile) => bind(profile, model, 0, inputId, action))
  )
}

function applyAll(entries: [inputId: string, action: Action][]): string | undefined {
  const { model } = editor
  const label = entries.length === 1 ? 'paste' : `paste ${entries.length} bindings`
  return model && editor.edit(label, (profile) => bindAll(profile, model, 0, entries))
}
</script>

<template>
  <div v-if="editor.model && editor.profile" class="buttons">
    <LabelledDrawing
      v-model:chosen="chosen"
      v-model:hovered="hovered"
      :model="editor.model"
      :colours="colours"
      :labels="labels"
    >
      <FindByPressing :device="device" @found="(id) => (chosen = id)" />
    </LabelledDrawing>
    <section class="side" aria-label="Binding sheet">
      <div class="intro">
        <h1>Buttons</h1>
        <p class="soft">
          Choose an input on the drawing or in the sheet, then type what it does or press the key.
        </p>
      </div>
      <BindingSheet
        v-model:chosen="chosen"
        v-model:hovered="hovered"
        :model="editor.model"
        :profile="editor.profile"
        :pending="pending"
        :apply="apply"
        :apply-all="applyAll"
        @refused="(reason) => notices.trouble(reason)"
      />
    </section>
  </div>
</template>

<style scoped>
.buttons {
  display: grid;
  height: 100%;
  grid-template-columns: minmax(500px, 1.1fr) minmax(440px, 1fr);
}

.side {
  min-width: 0;
  padding: 18px 20px;
  border-left: 1px solid var(--line);
  overflow: auto;
  background: var(--paper-low);
}

.intro {
  display: grid;
  gap: 2px;
  margin-bottom: 14px;
}

@media (width < 1000px) {
  .buttons {
    height: auto;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 560px auto;
  }

  .side {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>

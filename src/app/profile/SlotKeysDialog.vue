<script setup lang="ts">
import { computed } from 'vue'
import { SETTINGS } from '../../core/document/device-settings'
import type { SettingKey } from '../../core/onboard/settings'
import { setSettings } from '../../core/edits/motion-edits'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { SelectField } from '../../look/SelectField'

/** Two inputs of one's choice that go to the next slot while they are held together. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const notices = useNotices()
const FIELDS = SETTINGS.filter(({ setIn }) => setIn === 'slot keys').map(({ key }, index) => ({
  key,
  label: index === 0 ? 'One input' : 'and another',
}))
const valueOf = (key: SettingKey): number => Number(editor.profile?.settings[key] ?? 0)
/** A wheel cannot be held. */
const inputs = computed(() => [
  { value: 0, title: 'none' },
  ...(editor.model?.inputs ?? [])
    .filter(({ kind }) => kind !== 'turn')
    .map(({ number, name }) => ({ value: number, title: `${number} ${name}` })),
])
const missing = computed(() => {
  const [one, two] = FIELDS.map(({ key }) => valueOf(key))
  if (one === 0 && two === 0) return undefined
  if (one === 0 || two === 0) return 'Two are due: choose the other one.'
  return one === two ? 'These are the same; choose another one.' : undefined
})
const none = computed(() => FIELDS.every(({ key }) => valueOf(key) === 0))

function choose(key: SettingKey, number: number): void {
  const { model } = editor
  if (!model) return
  const name = inputs.value.find(({ value }) => value === number)?.title ?? String(number)
  const refusal = editor.edit(['slot-key', { input: name }], (now) =>
    setSettings(now, model, { [key]: number }),
  )
  if (refusal) notices.refuse(refusal)
}
</script>

<template>
  <v-dialog v-model="open" aria-labelledby="slot-keys-title">
    <v-card>
      <h2 id="slot-keys-title">Next slot by two inputs</h2>
      <p class="soft">
        Held together for a second and a half, they go to the next slot that holds a profile. Each does what
        it is bound to as well, so choose two that do no harm together. It works while this profile is in
        force: give it to the profiles of the other slots too, to get back.
      </p>
      <SelectField
        v-for="{ key, label } in FIELDS"
        :key="key"
        :label="label"
        :items="inputs"
        :model-value="valueOf(key)"
        @update:model-value="(number: number) => choose(key, number)"
      />
      <p role="status" :class="{ pending: missing }">
        {{ none ? 'No inputs are set: the slot changes by its button, if one is bound to it.' : missing }}
      </p>
      <div class="ends">
        <v-btn variant="flat" color="ink" @click="open = false">Done</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

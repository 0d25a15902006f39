<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { numberedInput } from '../../core/device/lookups'
import { computed } from 'vue'
import { SETTINGS } from '../../core/document/device-settings'
import type { SettingKey } from '../../core/onboard/settings'
import { setSettings } from '../../core/edits/motion-edits'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'
import { SelectField } from '../../look/SelectField'

/** Two inputs that activate the next slot when held together. */
const open = defineModel<boolean>({ required: true })
const editor = useEditor()
const notices = useNotifications()
const FIELDS = SETTINGS.filter(({ setIn }) => setIn === 'slot keys').map(({ key }, index) => ({
  key,
  label: index === 0 ? t('profile.firstInput') : t('profile.secondInput'),
}))
const valueOf = (key: SettingKey): number => Number(editor.profile?.settings[key] ?? 0)
/** A wheel cannot be held. */
const inputs = computed(() => [
  { value: 0, title: t('profile.none') },
  ...(editor.model?.inputs ?? [])
    .filter(({ kind }) => kind !== 'turn')
    .map((input) => ({ value: input.number, title: textOf(numberedInput(input)) })),
])
const missing = computed(() => {
  const [one, two] = FIELDS.map(({ key }) => valueOf(key))
  if (one === 0 && two === 0) return undefined
  if (one === 0 || two === 0) return t('profile.selectTwoInputs')
  return one === two ? t('profile.selectTwoDifferentInputs') : undefined
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
      <h2 id="slot-keys-title">{{ t('profile.twoInputsForTheNextSlot') }}</h2>
      <p class="soft">
        {{ t('profile.holdBothInputsFor15Seconds') }}
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
        {{ none ? t('profile.noInputsSelectedOnlyAnInputBound') : missing }}
      </p>
      <div class="ends">
        <v-btn variant="flat" color="ink" @click="open = false">{{ t('profile.done') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

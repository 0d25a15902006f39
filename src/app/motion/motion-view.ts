import { t } from '../../messages/page'
import { computed } from 'vue'
import type { DeviceSettings } from '../../core/onboard/settings'
import { addStep, setSettings, setStep, type StepChange } from '../../core/edits/motion-edits'
import { effectiveSettings } from '../../core/document/device-settings'
import type { Profile, Step } from '../../core/document/schema'
import { usePending } from '../stores/pending'
import { useEditor } from '../stores/editor'
import type { EditName } from '../stores/edit-texts'
import { useNotifications } from '../stores/notifications'

/** The motion settings of the open profile and their edits, shared by all parts of the view. */
export function useMotionView() {
  const editor = useEditor()
  const notices = useNotifications()
  const { edits, device } = usePending()
  const profile = computed(() => editor.profile)
  const model = computed(() => editor.model)
  const sensor = computed(() => model.value?.sensor)
  const steps = computed(() => profile.value?.steps ?? [])
  const pending = computed(() => new Set(edits.value.map(({ key }) => key)))
  /** All effective device settings. */
  const settings = computed<DeviceSettings>(() =>
    profile.value && model.value ? effectiveSettings(profile.value.settings, model.value) : {},
  )

  /** Makes an edit. @returns the reason if it was refused */
  function tryEdit(
    label: EditName,
    change: (current: Profile) => Profile,
    gesture?: string,
  ): string | undefined {
    return editor.edit(label, change, gesture)
  }

  /** Makes an edit; a refusal is shown as a notification. */
  function edit(label: EditName, change: (current: Profile) => Profile, gesture?: string): void {
    const refusal = tryEdit(label, change, gesture)
    if (refusal) notices.trouble(refusal)
  }

  function changeStep(index: number, change: StepChange, gesture?: string): string | undefined {
    const { value } = model
    const dpi = change.dpi ?? change.dpiY
    const step = index + 1
    const label: EditName = dpi === undefined ? ['step', { step }] : ['step-dpi', { step, dpi }]
    // The colour picker changes a colour many times per second.
    const of = gesture ?? (change.colour === undefined ? undefined : t('motion.colourOfStep2', { step }))
    return value && tryEdit(label, (current) => setStep(current, value, index, change), of)
  }

  function add(step: Step): void {
    const { value } = model
    if (value) edit(['add-step'], (current) => addStep(current, value, step))
  }

  function set(change: DeviceSettings, gesture?: string): void {
    const { value } = model
    if (value)
      edit(['settings', { settings: change }], (current) => setSettings(current, value, change), gesture)
  }

  return {
    editor,
    profile,
    model,
    sensor,
    steps,
    pending,
    settings,
    device,
    edit,
    changeStep,
    add,
    set,
  }
}

export type MotionView = ReturnType<typeof useMotionView>

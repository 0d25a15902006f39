import { defineStore, storeToRefs } from 'pinia'
import { computed } from 'vue'
import { equalBytes } from '../../core/base/bytes'
import { modelById } from '../../core/device/models'
import { CompileError, compileProfile } from '../../core/compile/compile'
import { imageChecksum } from '../../core/onboard/format'
import type { Finding } from '../../core/checks/checks'
import { editsBetween, loweringChanges } from '../../core/compile/pending'
import { useDevices } from './devices'
import { useEditor } from './editor'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { useSettledProfile } from './settled-profile'
import { saveOverwritten, recordWritten } from './slots'

/**
 * Compares the open profile with its slot: compiled here, and compared byte for byte with the image read back from the
 * device.
 */
const usePendingStore = defineStore('pending', () => {
  const editor = useEditor()
  const devices = useDevices()
  const library = useLibrary()
  const macros = useMacros()

  const { settled, settle } = useSettledProfile()
  const device = computed(() => (editor.profile ? devices.forModel(editor.profile.model) : undefined))
  const slot = computed(() => editor.entry?.slot ?? 0)
  const held = computed(() => device.value?.slots[slot.value])

  const compiled = computed(() => {
    const { value: profile } = settled
    const model = profile && modelById(profile.model)
    if (!profile || !model) return undefined
    try {
      const image = compileProfile(profile, model, macros.shelf)
      return { ...image, errors: image.findings.filter(isError) }
    } catch (error) {
      if (error instanceof CompileError) {
        const { findings } = error
        return { bytes: undefined, budget: [], findings, errors: findings.filter(isError) }
      }
      throw error
    }
  })

  const onDevice = computed(() => equalBytes(compiled.value?.bytes, held.value?.bytes))

  const edits = computed(() => {
    const { value: profile } = settled
    const model = profile && modelById(profile.model)
    const before = held.value?.profile
    return profile && model && before && !onDevice.value
      ? [
          ...editsBetween(before, profile, model, macros.wholeShelf),
          ...loweringChanges(before, profile, model, macros.shelf),
        ]
      : []
  })

  const heldChecksum = computed(() => held.value?.bytes && imageChecksum(held.value.bytes))

  /** The slot has an earlier state of this profile: recognised by its name, or because it was written from here. */
  const sameProfile = computed(
    () =>
      held.value?.profile?.name === editor.profile?.name ||
      (heldChecksum.value !== undefined && heldChecksum.value === editor.entry?.written),
  )

  const setSlot = (next: number) => editor.openId !== undefined && library.setSlot(editor.openId, next)

  async function write(): Promise<void> {
    settle()
    const bytes = compiled.value?.errors.length === 0 ? compiled.value.bytes : undefined
    const there = held.value?.profile
    if (there && editor.model && !sameProfile.value) await saveOverwritten(there, editor.model, slot.value)
    const id = editor.openId
    if (!bytes || !device.value || id === undefined) return
    const { profile } = editor
    if ((await devices.write(device.value.id, slot.value, bytes, id)) && profile)
      recordWritten(id, profile, slot.value, bytes)
  }

  return { settled, device, slot, held, compiled, onDevice, edits, sameProfile, setSlot, write }
})

/** Compiled and compared once per edit, for all uses. */
export function usePending() {
  const store = usePendingStore()
  const { setSlot, write } = store
  return { ...storeToRefs(store), setSlot, write }
}

const isError = ({ severity }: Finding): boolean => severity === 'error'

import { t } from '../../messages/page'
import { computed, shallowRef, watch } from 'vue'
import { CompileError } from '../../core/compile/compile'
import type { QrCode } from '../../core/cheat-sheet/cheat-sheet'
import { MAX_LINK_CHARACTERS, shareLink, shareText } from '../../core/share/link'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { errorMessage } from '../stores/notifications'

/** The open profile as a link, or why that is not possible, and as a QR code if it is short enough. */
export function useShareLink(wanted: () => boolean) {
  const editor = useEditor()
  const macros = useMacros()

  const link = computed((): { address?: string; problem?: string } | undefined => {
    const { profile, model } = editor
    if (!wanted() || !profile || !model) return undefined
    try {
      return { address: shareLink(location.origin, shareText(profile, model, macros.shelf)) }
    } catch (error) {
      if (error instanceof CompileError)
        return { problem: t('profile.fixThisFirstALinkContainsOnly', { message: errorMessage(error) }) }
      throw error
    }
  })
  const fits = computed(() => (link.value?.address?.length ?? 0) <= MAX_LINK_CHARACTERS)

  /** Dark modules as one path of unit squares. */
  const code = shallowRef<QrCode>()
  watch(
    () => (fits.value ? link.value?.address : undefined),
    async (address) => {
      code.value = undefined
      if (address === undefined) return
      const { create } = await import('qrcode')
      const { size, data } = create(address, { errorCorrectionLevel: 'L' }).modules
      const dark = [...data].flatMap((on, at) => (on ? `M${at % size} ${Math.floor(at / size)}h1v1h-1z` : []))
      if (link.value?.address === address) code.value = { size, path: dark.join('') }
    },
    { immediate: true },
  )

  return { link, fits, code }
}

import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'

/** Whether this browser can start Unisera without a network, and whether it can be installed. */
export const useOfflineUse = defineStore('offline use', () => {
  /** `off`: this page has no service worker, as with a development server. */
  const state = ref<'off' | 'getting ready' | 'ready' | 'refused'>('off')
  const offer = shallowRef<InstallOffer>()

  if (typeof window === 'object') {
    window.addEventListener('beforeinstallprompt', (event) => {
      event.preventDefault()
      offer.value = event
    })
    window.addEventListener('appinstalled', () => (offer.value = undefined))
  }

  async function install(): Promise<void> {
    const { value } = offer
    offer.value = undefined
    await value?.prompt()
  }

  return { state, canInstall: computed(() => offer.value !== undefined), install }
})

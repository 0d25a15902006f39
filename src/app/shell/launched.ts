import { useRouter } from 'vue-router'
import { useHandedOver } from '../shared/handed-over'

/** Files that the system opened the installed application with (File Handling API): each goes where its kind is read. */
export function useLaunchedFiles(): void {
  const router = useRouter()
  const handed = useHandedOver()
  async function take({ files: [first] }: Launch): Promise<void> {
    if (!first) return
    const file = await first.getFile()
    await router.push(file.name.toLowerCase().endsWith('.zip') ? '/settings#backup' : '/library')
    handed.value = file
  }
  window.launchQueue?.setConsumer((launch) => void take(launch))
}

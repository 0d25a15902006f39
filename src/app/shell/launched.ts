import { useRouter } from 'vue-router'
import { useHandedOver } from '../shared/handed-over'

interface Launch {
  files: readonly { getFile(): Promise<File> }[]
}
interface LaunchQueue {
  setConsumer(take: (launch: Launch) => void): void
}

/** Files that the system opened the installed application with (File Handling API): each goes where its kind is read. */
export function useLaunchedFiles(): void {
  const queue = (window as { launchQueue?: LaunchQueue }).launchQueue
  const router = useRouter()
  const handed = useHandedOver()
  async function take({ files: [first] }: Launch): Promise<void> {
    if (!first) return
    const file = await first.getFile()
    await router.push(file.name.toLowerCase().endsWith('.zip') ? '/settings#backup' : '/library')
    handed.value = file
  }
  queue?.setConsumer((launch) => void take(launch))
}

/// <reference types="vite/client" />
declare module '*.css'
declare module 'vuetify/styles/core'
declare module '@fontsource-variable/archivo'

/** The version of package.json, put in by the build. */
declare const __UNISERA_VERSION__: string

/** The parts of File System Access (WICG) that not every browser has. */
interface FileSystemHandle {
  queryPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>
  requestPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>
}
interface FileSystemDirectoryHandle {
  values(): AsyncIterable<FileSystemDirectoryHandle | FileSystemFileHandle>
}
/** What the system opened the installed application with (File Handling API, WICG). */
interface Launch {
  files: readonly { getFile(): Promise<File> }[]
}
interface Window {
  showDirectoryPicker?(how: { id: string; mode: 'readwrite' }): Promise<FileSystemDirectoryHandle>
  launchQueue?: { setConsumer(take: (launch: Launch) => void): void }
}
/** User-Agent Client Hints (WICG), where a browser has them. */
interface Navigator {
  userAgentData?: { platform?: string }
}
/** Chromium's event that lets a page offer its own installation; other browsers have a menu entry for it. */
interface InstallOffer extends Event {
  prompt(): Promise<{ outcome: 'accepted' | 'dismissed' }>
}
interface WindowEventMap {
  beforeinstallprompt: InstallOffer
}

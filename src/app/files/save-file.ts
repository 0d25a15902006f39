/** Saves a text file through the browser. */
export const saveFile = ({ name, content }: { name: string; content: string }): void =>
  saveBlob(name, new Blob([content], { type: 'application/json' }))

/** The same for any data. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

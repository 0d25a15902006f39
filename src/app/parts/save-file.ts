/** Hands a file to the person, through the browser's own way of saving. */
export function saveFile({ name, content }: { name: string; content: string }): void {
  const url = URL.createObjectURL(new Blob([content], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

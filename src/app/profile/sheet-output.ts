import { t } from '../../messages/page'
/** Pixels per millimetre of a page saved as a picture: 200 dpi. */
const DOTS_PER_MM = 200 / 25.4
const PAGE_MM = { width: 297, height: 210 }

/** A page as a PNG. @throws Error if the browser cannot draw it */
export async function rasterise(source: string): Promise<Blob> {
  const image = new Image()
  image.src = source
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(PAGE_MM.width * DOTS_PER_MM)
  canvas.height = Math.round(PAGE_MM.height * DOTS_PER_MM)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) =>
      blob ? resolve(blob) : reject(new Error(t('profile.theBrowserCouldNotCreateAPicture'))),
    )
  })
}

/** Prints one page without the rest of the window. */
export function printPage(source: string): void {
  const image = document.createElement('img')
  image.src = source
  image.className = 'printed-page'
  document.body.append(image)
  const done = () => image.remove()
  window.addEventListener('afterprint', done, { once: true })
  void image.decode().then(() => window.print(), done)
}

import { randomBytes } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { Hono, type Context } from 'hono'
import { secureHeaders } from 'hono/secure-headers'
import { buildFiles, type BuildFile } from './build-files'
import { pageOf } from './places'

/** Stands in the build's pages for the nonce of the response. */
const NONCE_PLACE = '__CSP_NONCE__'

/** Names by which this computer reaches itself: a page elsewhere that points its own name here is not served. */
const OWN_NAMES = new Set(['localhost', '127.0.0.1', '[::1]'])

type Env = { Variables: { nonce: string } }

/**
 * Serves a build: its files as they are, and its pages for the addresses that have one.
 *
 * @param root folder of the build; it is read once, when the server is made
 */
export function createServer(root: string): Hono<Env> {
  const files = buildFiles(root)
  const app = new Hono<Env>()
  app.use(async (context, next) => {
    if (!OWN_NAMES.has(hostName(context.req.header('host') ?? '')))
      return context.text('This server answers only to localhost.', 421)
    context.set('nonce', randomBytes(16).toString('base64'))
    return next()
  })
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", ownNonce],
        workerSrc: ["'self'"],
        // The component library puts its theme into a style sheet of its own, with the nonce of the page.
        styleSrc: ["'self'", ownNonce],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
        formAction: ["'none'"],
      },
      xFrameOptions: 'DENY',
      // Served from this computer to itself, without TLS.
      strictTransportSecurity: false,
      permissionsPolicy: { camera: [], microphone: [], geolocation: [], hid: ['self'] },
    }),
  )
  app.get('*', (context) => {
    const { path } = context.req
    const page = pageOf(path)
    const file = files.get(page ?? path)
    if (file) return page ? sendPage(context, file) : sendFile(context, file, path.startsWith('/assets/'))
    const found = files.get('/index.html')
    return path.startsWith('/assets/') || !found
      ? context.text('There is nothing here.', 404)
      : sendPage(context, found, 404)
  })
  return app
}

// eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the middleware that sets the nonce runs first
const ownNonce = (context: Context): string => `'nonce-${(context as Context<Env>).get('nonce')}'`

/** Without its port. */
const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase()

/** A page has the nonce of its response in it, so no two are the same and none is kept. */
function sendPage(context: Context<Env>, { type, body }: BuildFile, status: 200 | 404 = 200): Response {
  const page = body.toString('utf8').replaceAll(NONCE_PLACE, context.get('nonce'))
  const packed = accepts(context, 'gzip')
  context.header('Content-Type', type)
  context.header('Cache-Control', 'no-store')
  context.header('Vary', 'Accept-Encoding')
  if (packed) context.header('Content-Encoding', 'gzip')
  return context.body(packed ? toBody(gzipSync(page)) : page, status)
}

/** @param hashed its name carries a hash of its content: it never changes */
function sendFile(context: Context<Env>, { type, etag, body, packed }: BuildFile, hashed: boolean): Response {
  context.header('Content-Type', type)
  context.header('ETag', etag)
  context.header('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache')
  context.header('Vary', 'Accept-Encoding')
  if (context.req.header('if-none-match') === etag) return context.body(null, 304)
  const encoding = (['br', 'gzip'] as const).find((each) => accepts(context, each))
  const small = encoding && packed(encoding)
  if (small) context.header('Content-Encoding', encoding)
  return context.body(toBody(small ?? body))
}

const accepts = (context: Context, encoding: string): boolean =>
  (context.req.header('accept-encoding') ?? '')
    .split(',')
    .some((each) => each.trim().split(';')[0] === encoding && !/;\s*q=0(?:\.0*)?$/.test(each.trim()))

const toBody = (buffer: Buffer): Uint8Array<ArrayBuffer> => new Uint8Array(buffer)

import { randomBytes } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { Hono, type Context } from 'hono'
import { etag } from 'hono/etag'
import { secureHeaders } from 'hono/secure-headers'
import { buildFiles, type BuildFile } from './build-files'
import { pageOf } from './places'

/** Placeholder for the nonce of the response in the pages of the build. */
const NONCE_PLACE = '__CSP_NONCE__'

/** Host names of this computer: a foreign page that points its own name here is not served. */
const OWN_NAMES = new Set(['localhost', '127.0.0.1', '[::1]'])

type Env = { Variables: { nonce: string } }

/**
 * Serves a build: its files unchanged, and its pages for their addresses.
 *
 * @param root folder of the build, read once when the server is created
 */
export function createServer(root: string): Hono<Env> {
  const files = buildFiles(root)
  const app = new Hono<Env>()
  app.use(async (context, next) => {
    if (!OWN_NAMES.has(hostName(context.req.header('host') ?? '')))
      return context.text('This server only answers requests to localhost.', 421)
    context.set('nonce', randomBytes(16).toString('base64'))
    return next()
  })
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", ownNonce],
        workerSrc: ["'self'"],
        // The component library puts its theme into its own style sheet, with the nonce of the page.
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
  // A page is different each time, so it is never reported as unchanged.
  const unchanged = etag()
  app.get('*', (context, next) => (pageOf(context.req.path) ? next() : unchanged(context, next)))
  app.get('*', (context) => {
    const { path } = context.req
    const page = pageOf(path)
    const file = files.get(page ?? path)
    if (file) return page ? sendPage(context, file) : sendFile(context, file, path.startsWith('/assets/'))
    const found = files.get('/index.html')
    return path.startsWith('/assets/') || !found
      ? context.text('Not found.', 404)
      : sendPage(context, found, 404)
  })
  return app
}

// eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the middleware that sets the nonce runs first
const ownNonce = (context: Context): string => `'nonce-${(context as Context<Env>).get('nonce')}'`

/** Without its port. */
const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase()

/** A page contains the nonce of its response, so it must not be cached. */
function sendPage(context: Context<Env>, { type, body }: BuildFile, status: 200 | 404 = 200): Response {
  const page = body.toString('utf8').replaceAll(NONCE_PLACE, context.get('nonce'))
  const packed = accepts(context, 'gzip')
  context.header('Content-Type', type)
  context.header('Cache-Control', 'no-store')
  context.header('Vary', 'Accept-Encoding')
  if (packed) context.header('Content-Encoding', 'gzip')
  return context.body(packed ? toBody(gzipSync(page)) : page, status)
}

/** @param hashed the file name has a hash of its content, so the file never changes */
function sendFile(context: Context<Env>, file: BuildFile, hashed: boolean): Response {
  const { type, body, packed } = file
  context.header('Content-Type', type)
  context.header('ETag', file.etag)
  context.header('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache')
  context.header('Vary', 'Accept-Encoding')
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

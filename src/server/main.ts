import { serve } from '@hono/node-server'
import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { secureHeaders } from 'hono/secure-headers'

/** Serves the build: files as they are, and the application's page for every address of its views. */
const ROOT = 'dist'
const DEFAULT_PORT = 4173

const port = Number(process.env.PORT ?? DEFAULT_PORT)
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT is "${process.env.PORT}"; it has to be a number from 0 to 65535.`)
  process.exit(2)
}

const app = new Hono()
app.use(
  secureHeaders({
    contentSecurityPolicy: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      workerSrc: ["'self'"],
      // Vue and Vuetify set styles on elements and in one style sheet of their own.
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'", 'data:'],
      connectSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'self'"],
      frameAncestors: ["'none'"],
      formAction: ["'self'"],
    },
    permissionsPolicy: { camera: [], microphone: [], geolocation: [], hid: ['self'] },
  }),
)
app.use('/assets/*', async (context, next) => {
  await next()
  // Names of built files carry a hash of their content.
  if (context.res.ok) context.res.headers.set('Cache-Control', 'public, max-age=31536000, immutable')
})
app.use('*', serveStatic({ root: ROOT }))
app.get('/assets/*', (context) => context.notFound())
app.get('/unplugged', serveStatic({ path: `${ROOT}/unplugged.html` }))
app.get('*', serveStatic({ path: `${ROOT}/index.html` }))

const server = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, ({ port: open }) => {
  console.log(`Unisera is at http://localhost:${open}/`)
  console.log(`A computer without it is at http://localhost:${open}/unplugged.html`)
})
server.on('error', (error: NodeJS.ErrnoException) => {
  const busy = error.code === 'EADDRINUSE'
  console.error(busy ? `Port ${port} is taken. Choose another: PORT=4180 npm start` : error.message)
  process.exit(1)
})

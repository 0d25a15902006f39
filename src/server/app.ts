import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { secureHeaders } from 'hono/secure-headers'

/**
 * Serves a build: files as they are, and the application's page for every address of its views.
 *
 * @param root folder of the build, relative to where the server runs
 */
export function createServer(root: string): Hono {
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
  app.use('*', serveStatic({ root }))
  app.get('/assets/*', (context) => context.notFound())
  app.get('/unplugged', serveStatic({ path: `${root}/unplugged.html` }))
  app.get('*', serveStatic({ path: `${root}/index.html` }))
  return app
}

import { existsSync } from 'node:fs'
import { serve } from '@hono/node-server'
import { createServer } from './app'

const DEFAULT_PORT = 4173
/** Browsers use either for localhost. */
const ADDRESSES = ['127.0.0.1', '::1'] as const

const port = Number(process.env.PORT ?? DEFAULT_PORT)
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT is "${process.env.PORT}", but must be a number from 0 to 65535.`)
  process.exit(2)
}

const { fetch } = serverOf('dist')
// If another program started it, it ends with that program.
process.on('disconnect', () => process.exit(0))
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0))

listen(ADDRESSES[0], port, (open) => {
  console.log(`Unisera runs at http://localhost:${open}/`)
  console.log(`A computer without Unisera is at http://localhost:${open}/unplugged.html`)
  listen(ADDRESSES[1], open, () => {})
})

/** A missing build is not an error of this program. */
function serverOf(root: string): ReturnType<typeof createServer> {
  if (existsSync(`${root}/index.html`)) return createServer(root)
  console.error(
    `There is no finished build in ${root}/. Run “npm start”, which builds and serves, or “npm run build” first.`,
  )
  process.exit(1)
}

function listen(hostname: (typeof ADDRESSES)[number], wanted: number, ready: (port: number) => void): void {
  const server = serve({ fetch, port: wanted, hostname }, ({ port: open }) => ready(open))
  server.on('error', (error: NodeJS.ErrnoException) => {
    // A computer without IPv6 does not use the second address.
    if (hostname === '::1' && (error.code === 'EADDRNOTAVAIL' || error.code === 'EAFNOSUPPORT')) return
    const busy = error.code === 'EADDRINUSE'
    console.error(
      busy
        ? `Port ${wanted} is already in use on ${hostname}. Use another one: PORT=4180 npm start`
        : error.message,
    )
    process.exit(1)
  })
}

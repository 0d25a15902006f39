import { serve } from '@hono/node-server'
import { createServer } from './app'

const DEFAULT_PORT = 4173

const port = Number(process.env.PORT ?? DEFAULT_PORT)
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT is "${process.env.PORT}"; it has to be a number from 0 to 65535.`)
  process.exit(2)
}

const server = serve({ fetch: createServer('dist').fetch, port, hostname: '127.0.0.1' }, ({ port: open }) => {
  console.log(`Unisera is at http://localhost:${open}/`)
  console.log(`A computer without it is at http://localhost:${open}/unplugged.html`)
})
server.on('error', (error: NodeJS.ErrnoException) => {
  const busy = error.code === 'EADDRINUSE'
  console.error(busy ? `Port ${port} is taken. Choose another: PORT=4180 npm start` : error.message)
  process.exit(1)
})

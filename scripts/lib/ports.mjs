import { createServer } from 'node:net'

/** Whether a loopback port is free; port 0 gives any free one. */
export function freePort(port = 0) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(undefined))
    probe.listen(port, '127.0.0.1', () => {
      const { port: found } = probe.address()
      probe.close(() => resolve(found))
    })
  })
}

import { promisify } from 'node:util'
import { constants, gzip, gzipSync } from 'node:zlib'
import { createMiddleware } from 'hono/factory'

const packedBy = promisify(gzip)

/** A shorter answer is packed at once: handing it to another thread and back takes longer. */
const LONG_BYTES = 128 * 1024

/** Shorter answers fit into one or two packets as they are. */
const LEAST_BYTES = 2048

const pack = async (whole: ArrayBuffer): Promise<Uint8Array<ArrayBuffer>> => {
  // In few pieces: each is a turn of the server's only thread.
  const options = {
    level: constants.Z_BEST_SPEED,
    chunkSize: Math.max(16_384, whole.byteLength >> 2),
  }
  const packed =
    whole.byteLength < LONG_BYTES ? gzipSync(whole, options) : await packedBy(whole, options)
  // Its memory is its own: what packs shares none with another thread.
  return packed as Buffer<ArrayBuffer>
}

/**
 * Packs answers that are whole. Hono's own middleware packs them as streams at the strongest level: a list of two thousand
 * set-ups cost a fifth of the server's time. What streams (live changes) is left as it is.
 */
export const packed = createMiddleware(async (context, next) => {
  await next()
  const { res } = context
  if (
    !/\bgzip\b/.test(context.req.header('Accept-Encoding') ?? '') ||
    !res.headers.get('Content-Type')?.startsWith('application/json')
  )
    return
  const whole = await res.arrayBuffer()
  const isWorth = whole.byteLength >= LEAST_BYTES
  context.res = new Response(isWorth ? await pack(whole) : whole, res)
  context.res.headers.set('Vary', 'Accept-Encoding')
  context.res.headers.delete('Content-Length')
  if (isWorth) context.res.headers.set('Content-Encoding', 'gzip')
})

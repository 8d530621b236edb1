import { uniqueSymbol } from 'hono-openapi'
import type { Api } from '../src/http/api'

interface Described {
  readonly spec?: {
    readonly responses: Readonly<
      Record<
        string,
        {
          readonly content?: Readonly<
            Record<string, { readonly schema?: { validate(body: unknown): unknown } }>
          >
        }
      >
    >
  }
}

/**
 * Throws where an answer is not what its route is described to answer (/api/openapi.json): what a stranger's program reads is
 * held to by every request of these tests.
 */
export async function asDescribed(
  api: Api,
  method: string,
  path: string,
  { status, body }: { readonly status: number; readonly body: unknown },
): Promise<void> {
  const pathname = `/api${path.split('?')[0]}`
  const fits = (pattern: string) =>
    new RegExp(`^${pattern.replace(/[.]/g, '\\.').replace(/:\w+/g, '[^/]+')}$`).test(pathname)
  // A path of its own comes before one with a place in it.
  const described = api.routes
    .filter((route) => route.method === method && !route.path.includes('*') && fits(route.path))
    .toSorted((one, other) => one.path.split(':').length - other.path.split(':').length)
    .flatMap(({ handler }) => (handler as { [uniqueSymbol]?: Described })[uniqueSymbol]?.spec ?? [])
  const [spec] = described
  if (spec === undefined) return
  const answer = spec.responses[status] ?? spec.responses['default']
  const schema = answer?.content?.['application/json']?.schema
  const checked = (await schema?.validate(body)) as { readonly issues?: readonly unknown[] }
  if (checked?.issues !== undefined || (status < 300 && spec.responses[status] === undefined))
    throw new Error(
      `${method} ${path} answered ${status}, which is not as described: ${JSON.stringify(checked?.issues)}`,
    )
}

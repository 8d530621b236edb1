import { Validator } from '@seriousme/openapi-schema-validator'
import { startHarness, type Harness } from './harness'

let harness: Harness
let description: {
  openapi: string
  paths: Record<string, Record<string, { summary?: string; responses: Record<string, unknown> }>>
}
beforeAll(async () => {
  harness = await startHarness()
  description = (await harness.send('GET', '/openapi.json')).body
})
afterAll(() => harness.close())

/** Every route of the API, as `GET /api/setups/{id}`. */
const routes = () => [
  ...new Set(
    harness.api.routes
      .filter(({ method, path }) => method !== 'ALL' && path.startsWith('/api/'))
      .map(({ method, path }) => `${method} ${path.replace(/:(\w+)/g, '{$1}')}`),
  ),
]

test('anybody may read it, and it is OpenAPI 3.1', async () => {
  expect(description.openapi).toBe('3.1.0')
  expect(await new Validator().validate(description)).toEqual({ valid: true })
})

test('it has every route of the API and no other', () => {
  const described = Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
  )
  expect(described.sort()).toEqual(routes().sort())
})

test('each says what it is for, what it answers, and how it refuses', () => {
  for (const [path, methods] of Object.entries(description.paths))
    for (const [method, { summary, responses }] of Object.entries(methods)) {
      expect([path, method, (summary ?? '').length > 5]).toEqual([path, method, true])
      expect(Object.keys(responses)).toContain('default')
      expect(Object.keys(responses).filter((status) => /^20[01]$/.test(status))).toHaveLength(1)
    }
})

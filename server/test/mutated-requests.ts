import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { v7 as uuid } from 'uuid'

/** A request as somebody careless, broken or malicious sends it. */
export interface MutatedRequest {
  readonly method: string
  readonly path: string
  readonly type: string
  readonly body: string | undefined
}

interface Example {
  readonly kind: string
  readonly body: object
}

/** Every fact of the examples in a folder: what requests are mutated from. */
export const examplesOf = (folder: string): readonly Example[] =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .flatMap((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')).facts ?? [])

/** Texts that parsers, databases and pages have stumbled over. */
const nasty = fc.constantFrom(
  ...['', ' ', '\u0000', '\ud83d', '👩‍🔧', '\u202e', '-0', '1e309', '0x10', 'NaN', 'null', '１２'],
  ...['9'.repeat(400), 'a'.repeat(5000), "'; DROP TABLE fact; --", '<script>', '../../etc/passwd'],
  ...['__proto__', 'constructor', '%00', '%ff', '\\u0000', '5,3', '1_000', '٣', 'Infinity'],
)
const scalar: fc.Arbitrary<unknown> = fc.oneof(
  nasty,
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.double(),
  fc.integer(),
  fc.bigInt({ min: -(2n ** 70n), max: 2n ** 70n }).map(Number),
  fc.boolean(),
  fc.constant(null),
  fc.jsonValue({ maxDepth: 3 }),
)

type Change = (value: unknown) => unknown

/** Changes something somewhere in a value: `path` picks the branch at each level. */
function changed(value: unknown, path: readonly number[], change: Change): unknown {
  const [turn, ...rest] = path
  if (typeof value !== 'object' || value === null || turn === undefined) return change(value)
  const entries = Object.entries(value)
  const at = entries[turn % Math.max(entries.length, 1)]
  if (at === undefined) return change(value)
  const [key, inner] = at
  const next = changed(inner, rest, change)
  if (Array.isArray(value)) return value.map((one, index) => (String(index) === key ? next : one))
  return { ...value, [key]: next }
}

const change: fc.Arbitrary<Change> = fc.oneof(
  scalar.map((other) => () => other),
  fc.constant(() => undefined),
  fc.tuple(fc.oneof(nasty, fc.string()), scalar).map(
    ([key, other]): Change =>
      (value) =>
        typeof value === 'object' && value !== null && !Array.isArray(value)
          ? { ...value, [key]: other }
          : [value, other],
  ),
  fc.constant((value: unknown) => [value]),
  fc.constant((value: unknown) => (Array.isArray(value) ? [...value, ...value] : { value })),
)
const mutated = (original: unknown): fc.Arbitrary<unknown> =>
  fc
    .array(fc.tuple(fc.array(fc.nat(12), { minLength: 0, maxLength: 6 }), change), {
      minLength: 0,
      maxLength: 3,
    })
    .map((changes) => changes.reduce((value, [path, one]) => changed(value, path, one), original))

/**
 * @param examples facts as they should be.
 * @param setups ids of set-ups that are there.
 * @param others of how many requests beside one of the usual type one says to be of another type, or asks with a query.
 */
export function mutatedRequests(
  examples: readonly Example[],
  setups: readonly string[],
  others = 0.1,
): fc.Arbitrary<MutatedRequest> {
  const sheets = examples.filter(({ kind }) => kind === 'sheet').map(({ body }) => body)
  const id = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...setups) },
    { weight: 1, arbitrary: fc.uuid() },
    { weight: 1, arbitrary: nasty },
  )
  const newId = fc.constant(null).map(() => uuid())
  const fact = fc
    .tuple(fc.constantFrom(...examples), newId)
    .chain(([{ kind, body }, made]) => mutated({ id: made, kind, body }))
  const sheet = fc
    .tuple(fc.constantFrom(...sheets), newId, newId)
    .chain(([body, made, first]) =>
      mutated({ id: first, kind: 'sheet', body }).map((what) => ({ made, what })),
    )
  const machine = fc
    .tuple(fc.constantFrom(...sheets), newId)
    .chain(([body, made]) =>
      mutated({ id: made, kind: 'machine', body: (body as { machine: object }).machine }).map(
        (what) => ({ made, what }),
      ),
    )
  const gauge = newId.chain((made) =>
    mutated({
      id: made,
      kind: 'gauge',
      body: { id: made, kind: 'paper', name: 'paper', size: { text: '0.09', unit: 'mm' } },
    }).map((what) => ({ made, what })),
  )
  const person = newId.chain((made) =>
    mutated({ id: made, name: `P ${made}`, pin: '2468', code: 'AAAAAAAA' }),
  )
  const to = (method: string, path: fc.Arbitrary<string>, body: fc.Arbitrary<unknown>) =>
    fc.tuple(path, body).map(([where, what]) => ({ method, path: where, what }))
  const at = (path: string) => fc.constant(path)
  const begun = (
    stream: string,
    first: fc.Arbitrary<{ readonly made: string; readonly what: unknown }>,
  ) =>
    first.map(({ made, what }) => ({
      ...{ method: 'POST', path: `/streams/${stream}/${encoded(made)}/facts` },
      what,
    }))
  const query = fc.oneof(
    { weight: 4, arbitrary: fc.constant('') },
    {
      weight: 1,
      arbitrary: fc
        .tuple(fc.constantFrom('known', 'seen', 'by', 'at', 'from', 'x'), scalar)
        .map(([name, value]) => `?${name}=${encodeURIComponent(sound(textOf(value)))}`),
    },
  )
  const facts = fc
    .tuple(id, query)
    .map(([one, ask]) => `/streams/setup/${encoded(one)}/facts${ask}`)
  const lists = fc
    .tuple(
      fc.constantFrom('/search', '/tools', '/setups', '/machines', '/gauges/standings'),
      fc.constantFrom('find', 'away', 'from', 'machine', 'retired', '%00', '__proto__'),
      fc.oneof(
        scalar.map((value) => encodeURIComponent(sound(textOf(value)))),
        fc.constantFrom('%00', 'a%00b', '%ED%A0%BD', '%ff', '%', '&&', '+'),
      ),
    )
    .map(([path, name, value]) => `${path}?${name}=${value}`)
  const asked = fc.oneof(
    { weight: Math.ceil(20 * others), arbitrary: to('GET', lists, fc.constant(undefined)) },
    { weight: 10, arbitrary: to('POST', facts, fact) },
    { weight: 4, arbitrary: begun('setup', sheet) },
    { weight: 1, arbitrary: begun('machine', machine) },
    {
      weight: 1,
      arbitrary: to(
        'POST',
        id.map((one) => `/streams/machine/${encoded(one)}/facts`),
        machine.map(({ what }) => what),
      ),
    },
    { weight: 1, arbitrary: begun('gauge', gauge) },
    { weight: 1, arbitrary: to('POST', at('/people'), person) },
    { weight: 1, arbitrary: to('POST', at('/session'), mutated({ personId: uuid(), pin: '1' })) },
    { weight: 1, arbitrary: to('POST', at('/join-codes'), mutated({ role: 'viewer' })) },
    {
      weight: 1,
      arbitrary: to(
        'PUT',
        id.map((one) => `/members/${encoded(one)}/role`),
        mutated({ role: 'lead' }),
      ),
    },
    {
      weight: 2,
      arbitrary: to(
        'GET',
        fc
          .tuple(id, fc.constantFrom('', '/solution', '/facts', '/records/x'), query)
          .map(([one, rest, ask]) => `/setups/${encoded(one)}${rest}${ask}`),
        fc.constant(undefined),
      ),
    },
    {
      weight: 1,
      arbitrary: to(
        'PUT',
        fc.oneof(nasty, fc.constant('0'.repeat(64))).map((one) => `/programs/${encoded(one)}/text`),
        scalar,
      ),
    },
    {
      weight: 1,
      arbitrary: to(
        'GET',
        fc.webPath().map((one) => one || '/'),
        fc.constant(undefined),
      ),
    },
  )
  const type = fc.oneof(
    { weight: 20, arbitrary: fc.constant('application/json') },
    {
      weight: Math.ceil(20 * others),
      arbitrary: fc.constantFrom(
        ...['text/plain', 'application/json; charset=latin1', 'x', '', 'multipart/form-data'],
        ...['Application/JSON', 'application/x+json', 'application/vnd.api+json', 'text/json'],
        ...[
          'application/json;charset=utf-8',
          'application/json; charset=utf-8',
          'APPLICATION/JSON',
        ],
      ),
    },
  )
  /** How much of the text arrives. */
  const cut = fc.oneof(
    { weight: 12, arbitrary: fc.constant(1) },
    { weight: 1, arbitrary: fc.double({ min: 0, max: 1, noNaN: true }) },
  )
  return fc.tuple(asked, type, cut).map(([{ method, path, what }, contentType, share]) => {
    const text = what === undefined ? undefined : (JSON.stringify(what) ?? 'undefined')
    return {
      method,
      path,
      type: contentType,
      body: method === 'GET' ? undefined : text?.slice(0, Math.floor(text.length * share)),
    }
  })
}

/** Half characters cannot stand in a path. */
const sound = (text: string): string => text.replace(/\p{Surrogate}/gu, '?')
const encoded = (text: string): string => encodeURIComponent(sound(text))

/** What an answer must not tell: where code lies, what the database was asked, what is secret. */
export const LEAKS =
  /node_modules|\bat \S+ \(|SELECT |INSERT |\$argon2|\.ts:\d|pine_writer|postgres:/

const textOf = (value: unknown): string =>
  typeof value === 'string' ? value : (JSON.stringify(value) ?? '')

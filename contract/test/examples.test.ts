import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'

// The examples beside core's functions are what they give: `@example formatLength(…) // '-30.000'`.

const ROOT = join(__dirname, '../..')
const SOURCES = execFileSync('git', ['ls-files', 'core/src'], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter((path) => path.endsWith('.ts'))

/** `EXPRESSION // VALUE`, each written as JavaScript. */
const EXAMPLE = /@example (.+?) \/\/ (.+)$/gm

const examples = SOURCES.flatMap((path) =>
  [...readFileSync(join(ROOT, path), 'utf8').matchAll(EXAMPLE)].map(
    ([, expression = '', value = '']) => [expression, value, path] as const,
  ),
)

/** What an expression may name is what its file exports; lengths in nanometres are plain numbers there. */
function evaluated(expression: string, path: string): unknown {
  const module = jest.requireActual<Record<string, unknown>>(join(ROOT, path))
  const names = Object.keys(module).filter((name) => name !== 'default')
  const values = names.map((name) => module[name])
  return new Function(...names, `return (${expression})`)(...values) as unknown
}

test.each(examples)('%s', (expression, value, path) => {
  const is = evaluated(expression, path)
  const told: unknown = new Function(`return (${value})`)()
  // A number that is rounded in the example is rounded so.
  const [, decimals = ''] = /^-?\d+\.(\d+)$/.exec(value) ?? []
  if (decimals === '') expect(is).toEqual(told)
  else expect(is).toBeCloseTo(told as number, decimals.length)
})

test('there are enough of them to learn from, in most rooms that compute', () => {
  expect(examples.length).toBeGreaterThan(40)
  const rooms = new Set(
    examples.map(([, , path]) => relative('core/src', dirname(path)).split('/')[0]),
  )
  expect([...rooms].toSorted()).toEqual(
    expect.arrayContaining([
      'address',
      'budget',
      'keyin',
      'length',
      'offset-text',
      'proof',
      'quantities',
      'slips',
      'touch',
      'wear',
      'words',
    ]),
  )
})

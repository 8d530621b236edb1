import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { env } from 'node:process'

const ROOMS = join(__dirname, '../../core/src')
const APPROVED = join(__dirname, 'approved/core-lists.json')

/** A word, or a number: what a list of kinds holds. */
const isEntry = (value: unknown): value is string | number =>
  typeof value === 'string' || typeof value === 'number'

/** The entries of a list, or the keys of a table; undefined of what is neither. */
function entriesOf(value: unknown): readonly (string | number)[] | undefined {
  if (Array.isArray(value)) return value.length > 0 && value.every(isEntry) ? value : undefined
  if (value === null || typeof value !== 'object') return undefined
  const isTable = Object.getPrototypeOf(value) === Object.prototype
  return isTable ? Object.keys(value) : undefined
}

/** Every list and table that a room of core lends to others. */
const lists = Object.fromEntries(
  readdirSync(ROOMS)
    .filter((room) => existsSync(join(ROOMS, room, 'index.ts')))
    .sort()
    .flatMap((room) =>
      Object.entries(jest.requireActual<object>(join(ROOMS, room, 'index.ts')))
        .map(([name, value]) => [`${room}: ${name}`, entriesOf(value)] as const)
        .filter(([, entries]) => entries !== undefined)
        .sort(([one], [other]) => (one < other ? -1 : 1)),
    ),
)

/**
 * A kind that falls out of its list is missing on a screen, in a file or in a check, and nothing else may notice. Who adds or drops one
 * on purpose runs this once with PINE_APPROVE=1 and reads what has changed.
 */
test('every list of kinds has the entries that were approved', () => {
  if (env['PINE_APPROVE'] !== undefined)
    writeFileSync(APPROVED, `${JSON.stringify(lists, null, 2)}\n`)
  expect(lists).toEqual(JSON.parse(readFileSync(APPROVED, 'utf8')))
  expect(Object.keys(lists).length).toBeGreaterThan(50)
})

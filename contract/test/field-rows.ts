import type { Fields, Shape } from '@pine/core/fields'

// Core's table of fields as the tables of docs/setup-file.md: one row for each field.

/** A row: where the field stands, what may stand in it, what it means. */
type Row = readonly [path: string, mayBe: string, means: string]

/** Fields that have a table of their own elsewhere in the page: their fields are not told again. */
export type ToldElsewhere = readonly string[]

export function fieldRows(fields: Fields, elsewhere: ToldElsewhere = [], at = ''): readonly Row[] {
  return Object.entries(fields).flatMap(([key, { shape, isOptional, meaning }]) => {
    const path = `${at}${key}`
    const { inside, mayBe } = shapeWords(shape)
    const own: Row = [
      `\`${path}\``,
      [mayBe, isOptional ? 'optional' : ''].filter((one) => one !== '').join(', '),
      meaning,
    ]
    if (inside === undefined || elsewhere.includes(key)) return [own]
    const list = shape.is === 'list' ? '[]' : ''
    return [own, ...fieldRows(inside, elsewhere, `${path}${list}.`)]
  })
}

/** What may stand in a field, in words; and the fields inside, where it is a record or a list of them. */
function shapeWords(shape: Shape): { readonly mayBe: string; readonly inside?: Fields } {
  switch (shape.is) {
    case 'length':
      return { mayBe: LENGTHS[shape.sign] }
    case 'leaf':
      return { mayBe: LEAVES[shape.leaf] ?? shape.leaf }
    case 'one-of':
      return { mayBe: shape.values.map((value) => `\`${value}\``).join(', ') }
    case 'number': {
      const { whole, least, above, most } = shape
      const range = [
        ...(above === undefined ? [] : [`above ${above}`]),
        ...(least === undefined ? [] : [`${least}`]),
        ...(most === undefined ? [] : [`to ${most}`]),
      ].join(' ')
      return { mayBe: `${whole ? 'whole number' : 'number'} ${range}`.trim() }
    }
    case 'list': {
      const of = shapeWords(shape.of)
      const count =
        shape.most === undefined
          ? ''
          : ` of ${shape.least > 0 ? `${shape.least} to` : 'up to'} ${shape.most}`
      const items = of.inside === undefined && of.mayBe !== '' ? `: ${of.mayBe}` : ''
      return { ...of, mayBe: `list${count}${items}` }
    }
    case 'record': {
      const axes = Object.keys(shape.fields).join() === 'X,Y,Z'
      const [first] = Object.values(shape.fields)
      if (!axes || first?.meaning !== 'of X') return { mayBe: '', inside: shape.fields }
      const of = shapeWords(first.shape)
      const parts = Object.keys(of.inside ?? {}).map((key) => `\`${key}\``)
      return { mayBe: `by axis: ${parts.length > 0 ? parts.join(', ') : of.mayBe}` }
    }
    case 'variants':
      return { mayBe: `told apart by \`${shape.by}\`` }
    case 'either':
      return { mayBe: 'one of two' }
  }
}

const LENGTHS = {
  any: '[length](#lengths)',
  positive: 'length above zero',
  'not-negative': 'length, not negative',
} as const

/** Leaves whose names are not what a reader calls them. */
const LEAVES: Readonly<Record<string, string>> = {
  words: 'text, up to 500 characters',
  sentence: 'text, 1 to 500 characters',
  reason: 'text, 1 to 2000 characters',
  name: 'text, 1 to 120 characters',
  uuid: 'UUID',
  sha256: 'SHA-256',
  moment: 'ISO 8601 with zone',
  row: 'work offset',
  address: '[register](#registers)',
  register: '0 to 999',
  'register-or-none': '0 to 999, or `null`',
  block: 'text of ASCII, up to 60 characters',
  excerpt: 'text',
  comment: 'text',
  'file-name': 'text',
  'agent-address': '`http://`, numbers, port',
  nanometres: 'whole nanometres',
  extent: 'two whole nanometres',
  count: 'count',
  true: '`true`',
  boolean: '`true`, `false`',
}

export const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n')

export const fieldTable = (fields: Fields, elsewhere?: ToldElsewhere): string =>
  table(['field', 'may be', 'means'], fieldRows(fields, elsewhere))

/** One table for all variants of a union: the name of each stands at its first row. */
export function variantTable(
  by: string,
  variants: Readonly<Record<string, Fields>>,
  { common = {}, elsewhere }: { readonly common?: Fields; readonly elsewhere?: ToldElsewhere } = {},
): string {
  const rows = Object.entries(variants).flatMap(([name, fields]) => {
    const own = Object.fromEntries(Object.entries(fields).filter(([key]) => !(key in common)))
    const told = fieldRows(own, elsewhere)
    return told.length === 0
      ? [[`\`${name}\``, '', '', '']]
      : told.map((row, index) => [index === 0 ? `\`${name}\`` : '', ...row])
  })
  return table([`\`${by}\``, 'field', 'may be', 'means'], rows)
}

import { registerName } from '@pine/core/address'
import type { Lift, LiftBody } from '@pine/core/facts'
import { readBackAgrees, type KeyInLine } from '@pine/core/keyin'
import { readLength, type WrittenLength } from '@pine/core/length'
import { activeLift, liftRows, type LiftRow } from '@pine/core/proof'
import { describeKeyMode, EXTERNAL_OFFSET_Z, typographic } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import type { KeyInView } from '../key-in/key-in-view'
import { shortAsk } from '../key-in/short-ask'

/** One row that is raised for the dry run, or let down after it, keyed and read back like any other. */
export interface LiftRowView {
  /** Another row, another entry. */
  readonly key: string
  readonly view: KeyInView & { readonly beneath: Extract<KeyInView['beneath'], { of: 'ask' }> }
}

type RaisedBy = Pick<LiftBody, 'where' | 'amount'>

/** @returns undefined where every row shows what it should. */
export function liftRowView(
  setup: LoadedSetup,
  lift: RaisedBy,
  moves: Lift['moves'],
): LiftRowView | undefined {
  const rows = liftRows(setup.document, setup.solution, lift, moves)
  const at = rows.findIndex(({ done }) => !done)
  const row = rows[at]
  if (row === undefined) return undefined
  const isLast = rows.every((one, index) => index === at || one.done)
  const place = rows.length > 1 ? ` · ${at + 1} of ${rows.length}` : ''
  return {
    key: `${moves}:${nameOf(row)}`,
    view: rowView(
      setup,
      row,
      {
        name: `${moves === 'in' ? 'Raise' : 'Let down'} ${nameOf(row)}${place}`,
        moves,
        others: rows.flatMap((one) => (one === row ? [] : [one.line])),
      },
      (shown, isRight, way) => [
        // Of the external offset nothing is known until it shows what it should.
        ...(moves === 'in' &&
        activeLift(setup.document) === undefined &&
        (row.address !== undefined || isRight)
          ? [liftDraft(row, lift, 'in', shown)]
          : []),
        ...(row.address === undefined
          ? []
          : [
              {
                kind: 'read-back' as const,
                body: {
                  address: row.address,
                  moment: moves === 'in' ? ('raised' as const) : ('lowered' as const),
                  shown,
                  ...(way && { way }),
                },
              },
            ]),
        ...(moves === 'out' && isLast && isRight
          ? [
              liftDraft(row, lift, 'out', shown),
              {
                kind: 'check-off' as const,
                body: { of: 'air-cut' as const, how: 'lifted' as const },
              },
            ]
          : []),
      ],
    ),
  }
}

/** What every row shows now and will show, before anything is raised. */
export const rowsToRaise = (setup: LoadedSetup, lift: RaisedBy): readonly string[] =>
  liftRows(setup.document, setup.solution, lift, 'in').map(
    (row) => `${nameOf(row)} ${changeOf(setup, row)}`,
  )

const nameOf = ({ address }: LiftRow): string =>
  address === undefined ? EXTERNAL_OFFSET_Z : registerName(address)

const changeOf = ({ solution }: LoadedSetup, { line: { before, after, unit } }: LiftRow) =>
  `${before === undefined ? '' : `${lengthWriter(solution)(before)} → `}${typographic(after)} ${unit}`

const liftDraft = (
  { address }: LiftRow,
  { where, amount }: RaisedBy,
  moves: Lift['moves'],
  shown: WrittenLength,
): FactDraft => ({
  kind: 'lift',
  body: { moves, where, amount, ...(address === undefined && { shown }) },
})

interface RowAmong {
  readonly name: string
  readonly moves: Lift['moves']
  readonly others: readonly KeyInLine[]
}

function rowView(
  setup: LoadedSetup,
  row: LiftRow,
  { name, moves, others }: RowAmong,
  facts: (shown: WrittenLength, isRight: boolean, way: Way) => readonly FactDraft[],
): LiftRowView['view'] {
  const { line, shows } = row
  const { mode, unit, type = line.after, before } = line
  const { does, not } = describeKeyMode(mode)
  const isRight = (shown: WrittenLength): boolean => {
    const read = readLength(shown)
    return read.ok && readBackAgrees(line, read.value, setup.solution.decimals)
  }
  return {
    name,
    type: typographic(type),
    unit,
    key: { does, not },
    notes:
      shows === undefined
        ? []
        : [
            {
              words: `It shows ${typographic(shows.text)} ${shows.unit}: key it again.`,
              holds: 'conflict',
            },
          ],
    ...(mode === 'add' &&
      before !== undefined && { row: `${lengthWriter(setup.solution)(before)} ${unit}` }),
    change: changeOf(setup, row),
    beneath: {
      of: 'ask',
      moment: 'after',
      label: 'What the control shows now',
      short: {
        ...shortAsk(line, {
          wasKeyed: true,
          isProvenLater: false,
          others,
          decimals: setup.solution.decimals,
        }),
        // Let down too little it still cuts air; raised the wrong way it cuts the vise.
        ...(row.address === undefined && moves === 'out' && { way: 'seen' }),
      },
      facts: (shown, way) => facts(shown, isRight(shown), way),
      isRight,
    },
  }
}

type Way = Parameters<Extract<KeyInView['beneath'], { of: 'ask' }>['facts']>[1]

import type { SetupDocument } from '../facts/document'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { headNumbers, type HeadNumber } from '../program/text/head-numbers'
import type { ProgramJudgement } from '../program/judgement/program-judgement'
import type { ProgramReading } from '../program/program-reading'
import { judged } from './judged'

/** Raw stock is sawn: its size need not be what the program was written for (value from memory). */
const SAWN = 0.5 * NANOMETRES_PER.mm
/** What is set on purpose is the same number, give or take how it was rounded. */
const ROUNDED = 0.02 * NANOMETRES_PER.mm

/**
 * The numbers at the head of a program against those of the sheet: stock, jaws, parallels, how far zero lies below the stock top. And
 * jaws that grip nothing by what the head itself says.
 */
export function headAgainstSheet(
  { header, unit }: Pick<ProgramReading, 'header' | 'unit'>,
  { sheet }: Pick<SetupDocument, 'sheet'>,
): readonly ProgramJudgement[] {
  const numbers = headNumbers(header, unit ?? sheet.unit)
  const place = (comment: string) => ({ line: 1, excerpt: comment })
  const [jaw, parallels] = (['jaw', 'parallels'] as const).map((of) =>
    numbers.find((one) => one.of === of),
  )
  const gripsNothing =
    jaw !== undefined && parallels !== undefined && jaw.length.nm - parallels.length.nm <= 0
  return [
    ...(gripsNothing
      ? [
          judged('head-grips-nothing', place(jaw.comment), {
            amount: toNanometres(jaw.length.nm - parallels.length.nm),
          }),
        ]
      : []),
    ...numbers.flatMap((one): readonly ProgramJudgement[] => {
      const own = onSheet(sheet, one.of)
      // A sign at “zero” says below: −.025 and .025 are the same cut.
      const writtenNm = one.of === 'zero-below-top' ? Math.abs(one.length.nm) : one.length.nm
      const within = one.of.startsWith('stock') ? SAWN : ROUNDED
      if (own === undefined || Math.abs(writtenNm - own) <= within) return []
      return [
        judged('head-differs', place(one.comment), {
          head: { of: one.of, writtenNm: toNanometres(writtenNm), sheet: own },
        }),
      ]
    }),
  ]
}

/** The same number on the sheet; undefined where it does not say it. */
function onSheet(
  { stock, holding, offsets }: SetupDocument['sheet'],
  of: HeadNumber['of'],
): Nanometres | undefined {
  switch (of) {
    case 'stock-X':
      return nanometresOf(stock?.X)
    case 'stock-Y':
      return nanometresOf(stock?.Y)
    case 'stock-Z':
      return nanometresOf(stock?.Z)
    case 'jaw':
      return nanometresOf(holding?.jaw)
    case 'parallels':
      return nanometresOf(holding?.parallels)
    case 'zero-below-top':
      return nanometresOf(offsets[0]?.Z.facing)
  }
}

import { readLength, type ReadLength } from '../../length/read-length'
import type { LengthUnit } from '../../length/length'

/** What a comment at the head of a program gives a number for. */
export const HEAD_NUMBERS = [
  'stock-X',
  'stock-Y',
  'stock-Z',
  'jaw',
  'parallels',
  'zero-below-top',
] as const

/** A number that the head of a program gives, as it is written there. */
export interface HeadNumber {
  readonly of: (typeof HEAD_NUMBERS)[number]
  readonly length: ReadLength
  /** The comment that it stands in. */
  readonly comment: string
}

// How set-up sheets are written into comments (common practice, no source): `STOCK 4.0 X 3.0 X 1.5`, `JAWS 1.5`, `PARALLELS 1-1/8`,
// `Z ZERO -.025`.
const NUMBER = String.raw`([+-]?(?:\d+[- ])?\d+/\d+|[+-]?\d*\.?\d+)\s*(mm|in|inch|")?`
const BETWEEN = String.raw`[^\d.+-]{0,24}?`
const JAW = new RegExp(String.raw`\bjaws?\b${BETWEEN}${NUMBER}`, 'i')
const PARALLELS = new RegExp(String.raw`\bparallels?\b${BETWEEN}${NUMBER}`, 'i')
const ZERO = new RegExp(String.raw`\b(?:z\s*zero|z0|zero\s*z)\b${BETWEEN}${NUMBER}`, 'i')
const STOCK = new RegExp(
  String.raw`\b(?:stock|material|blank)\b${BETWEEN}${NUMBER}\s*x\s*${NUMBER}(?:\s*x\s*${NUMBER})?`,
  'i',
)

/**
 * The numbers in the comments at the head of a program.
 *
 * @param unit of numbers beside which none is written.
 */
export function headNumbers(header: readonly string[], unit: LengthUnit): readonly HeadNumber[] {
  return header.flatMap((comment): readonly HeadNumber[] => {
    const numbered = (of: HeadNumber['of'], text: string | undefined, own: string | undefined) => {
      const isInch = own !== undefined && own.toLowerCase() !== 'mm'
      const written = {
        text: text ?? '',
        unit: own === undefined ? unit : isInch ? ('in' as const) : ('mm' as const),
      }
      const read = readLength(written)
      return read.ok ? [{ of, length: read.value, comment }] : []
    }
    const stock = STOCK.exec(comment)
    const one = (of: HeadNumber['of'], found: RegExpExecArray | null) =>
      found === null ? [] : numbered(of, found[1], found[2])
    return [
      ...(stock === null
        ? []
        : [
            ...numbered('stock-X', stock[1], stock[2] ?? stock[6] ?? stock[4]),
            ...numbered('stock-Y', stock[3], stock[4] ?? stock[6]),
            ...(stock[5] === undefined ? [] : numbered('stock-Z', stock[5], stock[6])),
          ]),
      ...one('jaw', JAW.exec(comment)),
      ...one('parallels', PARALLELS.exec(comment)),
      ...one('zero-below-top', ZERO.exec(comment)),
    ]
  })
}

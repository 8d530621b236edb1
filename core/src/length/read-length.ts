import { failure, success, type Result } from '../problem/result'
import {
  FINEST_DECIMALS,
  NANOMETRES_PER,
  toNanometres,
  type LengthUnit,
  type Nanometres,
  type WrittenLength,
} from './length'

/** A written length that was understood: the text is kept, the value is exact. */
export interface ReadLength extends WrittenLength {
  readonly nm: Nanometres
  /** Decimals that were typed; they tell the resolution of the reading. */
  readonly decimals: number
}

export interface ReadLengthOptions {
  /** Named in a problem, so that it can be shown at the right field. */
  readonly place?: string
  /** What this length may be: `any` sign, `not-negative`, or `positive`. */
  readonly sign?: 'any' | 'not-negative' | 'positive'
}

/** No machine that this product is for travels further; a longer number lost its decimal point. */
const LONGEST_METRES = 100

const SUFFIXES: Readonly<Record<string, LengthUnit>> = { mm: 'mm', in: 'in', inch: 'in', '"': 'in' }

/** `1/2`, `3-1/8`, `3 1/8`: a whole number, and how many of which parts. */
const FRACTION = /^([+-]?)(?:(\d+)(?:-|\s+))?(\d+)\/(\d+)$/
/** The parts that a rule has. */
const PARTS = [2, 4, 8, 16, 32, 64]

/** A fraction of an inch: a sixty-fourth is 396 875 nm, a whole number of them. */
function ofAnInch([, sign, whole = '0', count, parts]: RegExpExecArray):
  { readonly nm: Nanometres; readonly decimals: number } | undefined {
  const [many, of] = [Number(count), Number(parts)]
  if (!PARTS.includes(of)) return undefined
  const size = (Number(whole) * of + many) * (NANOMETRES_PER.in / of)
  const decimals = (String(many / of).split('.')[1] ?? '').length
  return {
    nm: toNanometres(sign === '-' ? -size : size),
    decimals: Math.min(decimals, FINEST_DECIMALS.in),
  }
}

/**
 * Reads a length that a person typed.
 *
 * @param written the text and the unit shown beside the field. A unit in the text itself
 *   (`1.5in`, `38.1 mm`) wins over the one beside it, because the person wrote it. Inches may be fractions, halves to
 *   sixty-fourths.
 * @returns whole nanometres and the decimals typed, or the problem. Nothing is guessed: a comma,
 *   an exponent, a second point or more decimals than a nanometre holds is refused.
 * @example readLength({ text: '3-1/8', unit: 'in' }) // value.nm === 79_375_000
 * @example readLength({ text: '1.5', unit: 'in' }) // value.nm === 38_100_000
 */
export function readLength(
  written: WrittenLength,
  options: ReadLengthOptions = {},
): Result<ReadLength> {
  const place = options.place ?? ''
  const refuse = (code: Parameters<typeof failure>[0]['code'], limit?: string) =>
    failure({ code, place, received: written.text, ...(limit === undefined ? {} : { limit }) })

  const bounded = (nm: Nanometres, read: Omit<ReadLength, 'nm'>): Result<ReadLength> => {
    if (Math.abs(nm) > LONGEST_METRES * 1e9)
      return refuse('length-too-large', `${LONGEST_METRES} m`)
    if (nm < 0 && options.sign !== undefined && options.sign !== 'any')
      return refuse('length-negative')
    if (nm === 0 && options.sign === 'positive') return refuse('length-zero')
    return success({ ...read, nm })
  }

  const text = written.text.trim().replace(/\u2212/g, '-')
  if (text === '') return refuse('length-empty')
  const parts = /^(.*?)\s*([a-z"µμ]*)$/i.exec(text)
  const digits = parts?.[1] ?? ''
  const suffix = (parts?.[2] ?? '').toLowerCase()

  const fraction = FRACTION.exec(digits)
  if (fraction !== null && (suffix === '' || suffix in SUFFIXES)) {
    const unit = SUFFIXES[suffix] ?? written.unit
    const value = unit === 'in' ? ofAnInch(fraction) : undefined
    return value === undefined
      ? refuse('length-fraction')
      : bounded(value.nm, { text: written.text, unit, decimals: value.decimals })
  }
  if (/\d,\d|^[+-]?,\d/.test(digits)) return refuse('length-comma')
  if (/^[+-]?[\d.]+e[+-]?\d+$/i.test(text)) return refuse('length-exponent')
  if (/^[+-]?[\d.]*$/.test(digits) && digits.split('.').length > 2)
    return refuse('length-two-points')
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(digits)) return refuse('length-not-a-number')
  if (suffix !== '' && !(suffix in SUFFIXES)) return refuse('length-unit-unknown')

  const unit = SUFFIXES[suffix] ?? written.unit
  const decimals = (digits.split('.')[1] ?? '').length
  const finest = FINEST_DECIMALS[unit]
  if (decimals > finest) return refuse('length-too-fine', `${finest} ${unit}`)

  return bounded(exactNanometres(digits, decimals, unit), { text: written.text, unit, decimals })
}

/** Works on the digits as one whole number, so that no binary fraction is ever formed. */
function exactNanometres(digits: string, decimals: number, unit: LengthUnit): Nanometres {
  const whole = Number(digits.replace('.', ''))
  return toNanometres(whole * (NANOMETRES_PER[unit] / 10 ** decimals))
}

/** A written length in nanometres; undefined where it is not there, or is no number: what is wrong with it is told where it is entered. */
export function nanometresOf(written: WrittenLength | undefined): Nanometres | undefined {
  const read = written && readLength(written)
  return read?.ok === true ? read.value.nm : undefined
}

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
 * @example readLength({ text: '3-1/8', unit: 'in' }).value.nm // 79_375_000
 * @example readLength({ text: '1.5', unit: 'in' }).value.nm // 38_100_000
 */
export function readLength(
  written: WrittenLength,
  { place = '', sign = 'any' }: ReadLengthOptions = {},
): Result<ReadLength> {
  const understood = understoodBefore(written)
  const refuse = (code: LengthCode, limit?: string) =>
    failure({ code, place, received: written.text, ...(limit === undefined ? {} : { limit }) })
  if ('code' in understood) return refuse(understood.code, understood.limit)
  const { nm } = understood
  if (nm < 0 && sign !== 'any') return refuse('length-negative')
  if (nm === 0 && sign === 'positive') return refuse('length-zero')
  return success(understood)
}

type LengthCode = Parameters<typeof failure>[0]['code']
type Understood = ReadLength | { readonly code: LengthCode; readonly limit?: string }

/** A set-up is worked out with every key that is pressed, and asks for each of its lengths many times: the text is read once. */
const known = new WeakMap<WrittenLength, { written: WrittenLength; understood: Understood }>()

function understoodBefore(written: WrittenLength): Understood {
  const before = known.get(written)
  // A length is never changed in place; where somebody does it all the same, it is read anew.
  if (before?.written.text === written.text && before.written.unit === written.unit)
    return before.understood
  const understood = understand(written)
  known.set(written, { written: { text: written.text, unit: written.unit }, understood })
  return understood
}

function understand(written: WrittenLength): Understood {
  const text = written.text.trim().replace(/\u2212/g, '-')
  if (text === '') return { code: 'length-empty' }
  const parts = /^(.*?)\s*([a-z"µμ]*)$/i.exec(text)
  const digits = parts?.[1] ?? ''
  const suffix = (parts?.[2] ?? '').toLowerCase()

  const fraction = FRACTION.exec(digits)
  if (fraction !== null && (suffix === '' || suffix in SUFFIXES)) {
    const unit = SUFFIXES[suffix] ?? written.unit
    const value = unit === 'in' ? ofAnInch(fraction) : undefined
    return value === undefined
      ? { code: 'length-fraction' }
      : bounded({ text: written.text, unit, ...value })
  }
  if (/\d,\d|^[+-]?,\d/.test(digits)) return { code: 'length-comma' }
  if (/^[+-]?[\d.]+e[+-]?\d+$/i.test(text)) return { code: 'length-exponent' }
  if (/^[+-]?[\d.]*$/.test(digits) && digits.split('.').length > 2)
    return { code: 'length-two-points' }
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(digits)) return { code: 'length-not-a-number' }
  if (suffix !== '' && !(suffix in SUFFIXES)) return { code: 'length-unit-unknown' }

  const unit = SUFFIXES[suffix] ?? written.unit
  const decimals = (digits.split('.')[1] ?? '').length
  const finest = FINEST_DECIMALS[unit]
  if (decimals > finest) return { code: 'length-too-fine', limit: `${finest} ${unit}` }
  const nm = exactNanometres(digits, decimals, unit)
  return bounded({ text: written.text, unit, decimals, nm })
}

const bounded = (read: ReadLength): Understood =>
  Math.abs(read.nm) > LONGEST_METRES * 1e9
    ? { code: 'length-too-large', limit: `${LONGEST_METRES} m` }
    : read

/** Works on the digits as one whole number, so that no binary fraction is ever formed. */
function exactNanometres(digits: string, decimals: number, unit: LengthUnit): Nanometres {
  const whole = Number(digits.replace('.', ''))
  return toNanometres(whole * (NANOMETRES_PER[unit] / 10 ** decimals))
}

/**
 * A written length in nanometres; undefined where it is not there, or is no number: what is wrong with it is told where it is entered.
 *
 * @example nanometresOf({ text: '1.5', unit: 'in' }) // 38_100_000
 */
export function nanometresOf(written: WrittenLength | undefined): Nanometres | undefined {
  const read = written && readLength(written)
  return read?.ok === true ? read.value.nm : undefined
}

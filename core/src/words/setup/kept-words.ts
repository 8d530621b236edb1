import { describeDay } from '../day-words'
import type { BenchLength } from '../../shop/bench-length'
import { NANOMETRES_PER, type WrittenLength } from '../../length/length'
import { nanometresOf } from '../../length/read-length'
import type { CarriedOver } from '../../planner/carried-over'
import type { CarriedLength } from '../../shop/carried-length'
import type { KeptOffer, KeptTouch, ShopEvent, WhyTouched } from '../../shop/kept-offers'
import type { ToolTrust } from '../../shop/tool-trust'
import type { TouchMinutes } from '../../shop/touch-minutes'
import { lengthWords } from '../typographic'
import { writeMm } from '../write-mm'

const HAPPENED: Readonly<Record<ShopEvent['what'], string>> = {
  'plane-moved': 'the setting plane or its setter was moved',
  'home-lost': 'the machine lost its home position',
  'tool-changed': 'it was changed',
}

const happened = ({ what, at, name }: ShopEvent): string =>
  `${HAPPENED[what]} on ${describeDay(at)} (${name})`

/** Why a tool is touched and not taken over. */
export function describeWhyTouched(why: WhyTouched): string {
  switch (why.because) {
    case 'never-measured':
      return 'it was never measured before'
    case 'other-machine':
      return 'it was measured on another machine'
    case 'other-plane':
      return 'it was touched on another setting plane'
    case 'by-marks':
      return 'this machine finds its zero by marks, another one each time'
    case 'not-on-plane':
      return 'no touch of it on the setting plane holds any more'
    case 'gauge-changed':
      return `${why.gauge} is not on this sheet with the size that it had then`
    case 'too-old':
      return `it was touched on ${describeDay(why.at)}, longer ago than the shop allows`
    case 'tool-changed':
    case 'home-lost':
      return happened(why.event)
  }
}

/** What is offered for a tool, in a sentence with its reason: “Length still good: touched 2026-11-20 by Mira in Clamp ring.” */
export function describeOffer(offer: KeptOffer, isChecked: boolean): string {
  if (offer.take === 'nothing') return `Touch it: ${describeWhyTouched(offer.why)}.`
  const touched = touchedWords(offer.touches)
  if (offer.take === 'after-rebase')
    return `Good after one touch: ${touched}, and ${happened(offer.moved)}.`
  return isChecked ? `Touch it as a check: ${touched}.` : `Length still good: ${touched}.`
}

/** When, by whom and where what is offered was touched: “touched 2026-11-20 by Mira in Clamp ring”. */
export const describeTouched = ({ touches }: { readonly touches: readonly KeptTouch[] }): string =>
  touchedWords(touches)

function touchedWords(touches: readonly KeptTouch[]): string {
  const tip = touches.findLast(({ of }) => of === 'tip-on-plane')
  return tip === undefined
    ? 'touched'
    : `touched ${describeDay(tip.kept.at)} by ${tip.kept.by} in ${tip.kept.name}`
}

/** What taking over rests on, said where it is done. */
export const KEPT_CAUTION =
  'Check each tool by eye: the same tool, seated in its holder as it was measured, in the pocket that is listed. A tool swapped by hand meets the part at full speed.'

/** What a length from the bench is worth here. */
export function describeBench({ length, holds, seat }: BenchLength): string {
  const measured = `On the bench it measured ${lengthWords(length)}.`
  if (holds) return `${measured} Its face seats it there again: it may count without a touch.`
  const why =
    seat === 'taper'
      ? 'Its cone seats it elsewhere each time'
      : 'Not declared whether a face seats it there again'
  return `${measured} ${why}: it is touched, and the bench says what to expect.`
}

/** Why a tool need not be touched although its plane moved. */
export const describeCarriedOver = ({ by, isTouched }: Omit<CarriedOver, 'tools'>): string =>
  isTouched
    ? `T${by} was touched before and after the plane moved: a re-base on it carries this one over.`
    : `The plane moved as a whole: one touch of T${by} and a re-base on it carry this one over.`

/** What a length that was measured in another set-up is here, and why it may count without a touch. */
export function describeCarried(
  { length, uncertainty, from, because, nose }: CarriedLength,
  machine: string,
): string {
  const within = writeMm((2 * (nanometresOf(uncertainty) ?? 0)) / NANOMETRES_PER.mm, length.unit)
  const here = `${lengthWords({ ...length, text: `${length.text} ±${within}` })}`
  const where = `in “${from.name}” on ${describeDay(from.at)}`
  switch (because) {
    case 'same-machine':
      return `Measured ${where}, on the ${from.plane}. Nose to tip it is ${here}, whatever plane the others are touched on.`
    case 'face':
      return `Measured ${where} on ${machine}. Its face seats it against this nose as well: ${here}.`
    case 'measured-on-both':
      return `Measured ${where} on ${machine}. Here it is ${here}: ${noseWords(nose, length.unit)}`
  }
}

function noseWords(nose: CarriedLength['nose'], unit: WrittenLength['unit']): string {
  if (nose === undefined) return ''
  return `${nose.tools} tools that were measured on both are ${writeMm(Math.abs(nose.mm), unit)} ${unit} ${nose.mm < 0 ? 'shorter' : 'longer'} here.`
}

/** Where a reading comes from that is taken over, to stand beside it. */
export const describeKept = ({ kept }: Pick<KeptTouch, 'kept'>): string =>
  `Reused from ${kept.name}: read by ${kept.by} on ${describeDay(kept.at)}.`

/** How far a tool's length is to be trusted now, with its reason. */
export function describeToolTrust({ state, use, why, moved }: ToolTrust): string {
  const touched = use && touchedWords(use.touches)
  if (moved !== undefined) return `Good after one touch: ${happened(moved)}.`
  if (why !== undefined && state === 'not-read') return `${capital(describeWhyTouched(why))}.`
  if (why !== undefined) return `No longer good: ${describeWhyTouched(why)}.`
  return `${state === 'proven' ? 'Proven' : 'Length still good'}: ${touched}.`
}

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`

/** What taking over saves, by how long a touch takes on this machine: “2 touches take about 4 minutes here, all 8 about 16.” */
export function describeSaved(
  { median, lower, upper, count }: TouchMinutes,
  touched: number,
  all: number,
): string {
  const about = (touches: number) => Math.max(1, Math.round(median * touches))
  const one = (minutes: number) => minutes.toFixed(1)
  const some = touched === 1 ? 'One touch takes' : `${touched} touches take`
  const minutes = (many: number) => (many === 1 ? 'a minute' : `${many} minutes`)
  return `${some} about ${minutes(about(touched))} here, all ${all} about ${about(all)}: each ${one(lower)} to ${one(upper)} minutes, by ${count} in the log.`
}

import { axisOfQuantity, moduleOf, type QuantityName } from '../../quantities/quantities'
import type { StepWords } from '../../quantities/quantity-module'
import type { SetupDocument } from '../../facts/document'
import { fullDiameterHeight } from '../../features/edge'
import { formatLength } from '../../length/format-length'
import { toNanometres } from '../../length/length'
import { readLength } from '../../length/read-length'
import { asksForSpindle } from '../../plan/asks/reading-fields'
import { type FieldKey } from '../../quantities/fields'
import { isTooLongForSetter } from '../../sheet/fixed-setter'
import { sideOf } from '../../sheet/offset-plan'
import { approachDirection, axisOfFace, type Face, type Side } from '../../touch/touch'
import { lengthWords } from '../typographic'

/** The numbers of a reading that is made of several. */
export const FIELD_NAMES: Readonly<Record<FieldKey, string>> = {
  read: 'Machine X',
  readY: 'Machine Y',
  right: 'Dial at the right',
  back: 'Dial at the back',
  left: 'Dial at the left',
  front: 'Dial at the front',
}

/** Of gauges that turn: said with the limit of the one in use, where the sheet knows it. */
function finderCaution({ sheet }: SetupDocument, using: readonly string[]): string {
  const limits = sheet.gauges.flatMap(({ id, maxSpeed }) =>
    using.includes(id) && maxSpeed !== undefined ? [maxSpeed] : [],
  )
  const speed =
    limits.length === 0 ? 'within its rated speed' : `never above S${Math.min(...limits)}`
  return `Raise Z before crossing the part. Finder ${speed}; guards closed, hands away.`
}

/** Joined names of gauges: `height setter on block 25`. Empty when nothing lies between. */
export function gaugeNames(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  ids: readonly string[],
): string {
  return ids.map((id) => sheet.gauges.find((gauge) => gauge.id === id)?.name ?? id).join(' on ')
}

/**
 * The words of a reading step.
 *
 * @param using ids of the gauges chosen for this touch; they are named in the sentence.
 */
export function describeStep(
  document: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
): StepWords {
  const words = { ...touchWords(document, quantity, using), ...tooLong(document, quantity, using) }
  const more = [quillWords(document, quantity), taperWords(document, quantity, using)].filter(
    (one) => one !== undefined,
  )
  return more.length === 0 ? words : { ...words, caution: [...more, words.caution].join(' ') }
}

/** Nobody is told to start a cycle that lowers a tool from below the setter's top. */
function tooLong(
  { sheet }: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
): Pick<StepWords, 'sentence'> | undefined {
  const onSetter = sheet.gauges.some(
    ({ id, kind }) => kind === 'fixed-setter' && using.includes(id),
  )
  if (!onSetter || !('tool' in quantity) || !isTooLongForSetter(sheet, quantity.tool))
    return undefined
  return {
    sentence: `T${quantity.tool} does not clear the ${gaugeNames({ sheet }, using)}.`,
  }
}

/** A tapered bit touches a face with its full diameter, which stands above its tip: said where a face is touched with one. */
function taperWords(
  { sheet: { gauges } }: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
): string | undefined {
  const bit = gauges.find(({ id, halfAngle }) => using.includes(id) && halfAngle !== undefined)
  const size = bit && readLength(bit.size)
  if (bit?.halfAngle === undefined || size?.ok !== true || axisOfQuantity(quantity) === 'Z')
    return undefined
  const { unit } = bit.size
  const above = fullDiameterHeight(size.value.nm, (bit.halfAngle * Math.PI) / 180)
  const text = formatLength(toNanometres(Math.round(above)), unit, unit === 'mm' ? 1 : 2)
  return `Its full diameter stands ${text} ${unit} above its tip: bring the tip at least so far below the edge. Where it does not reach, put a pin in its place.`
}

/** A quill that is out moves Z by as much: said where Z is measured, and nowhere else. */
function quillWords({ sheet }: SetupDocument, quantity: QuantityName): string | undefined {
  if (axisOfQuantity(quantity) !== 'Z' || !('row' in quantity)) return undefined
  const quill = sheet.offsets.find(({ row }) => row === quantity.row)?.Z.quill
  if (quill === undefined) return undefined
  return `The quill is out by ${lengthWords(quill.measured)}, locked, while Z is measured; by ${lengthWords(quill.running)} when the program runs.`
}

function touchWords(
  document: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
): StepWords {
  const { plane, tools, gauges, offsets } = document.sheet
  return moduleOf(quantity).words(quantity, {
    gauge: gaugeNames(document, using),
    plane,
    toolName: (tool) => tools.find(({ number }) => number === tool)?.name ?? '',
    side(row, axis) {
      const plan = offsets.find((offset) => offset.row === row)?.[axis]
      return plan ? sideOf(plan) : 'outside'
    },
    uses: (wanted) => gauges.some(({ id, kind }) => using.includes(id) && kind === wanted),
    setsZ: asksForSpindle(document, quantity),
    finderCaution: finderCaution(document, using),
  })
}

/** `moving X+`: said beside the picture, so that the direction can be checked before moving. */
export function describeApproach(face: Face, side: Side): string {
  return `tool moves ${axisOfFace(face)}${approachDirection(face, side) > 0 ? '+' : '\u2212'}`
}

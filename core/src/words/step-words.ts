import { axisOfQuantity, type QuantityName } from '../setup/quantity'
import type { SetupDocument } from '../setup/document'
import { asksForSpindle, type FieldKey } from '../plan/reading-fields'
import type { Station } from '../plan/steps'
import { sideOf } from '../setup/sheet'
import { TURNING_GAUGES, type GaugeKind } from '../touch/gauge-kinds'
import { approachDirection, axisOfFace, type Face, type Side } from '../touch/touch'

/** What a reading step says: where one is, what to do, what to beware of, what is read. */
export interface StepWords {
  readonly title: string
  readonly sentence: string
  readonly caution: string
  /** Name of the field. */
  readonly field: string
}

export const STATION_NAMES: Readonly<Record<Station, string>> = {
  ready: 'Ready',
  reference: 'Reference',
  lengths: 'Lengths',
  plan: 'X and Y',
  height: 'Z',
  'key-in': 'Key in',
  prove: 'Prove',
  release: 'Release',
}

/** The numbers of a reading that is made of several. */
export const FIELD_NAMES: Readonly<Record<FieldKey, string>> = {
  read: 'Machine X',
  readY: 'Machine Y',
  right: 'Dial at the right',
  back: 'Dial at the back',
  left: 'Dial at the left',
  front: 'Dial at the front',
}

/** Cautions of the step; the machine's manual, local rules and licensed practice come first (domain.md §18). */
const CAUTIONS = {
  nose: 'Spindle stopped, tool out. Smallest step near contact, whole hand on the wheel.',
  tip: 'Spindle stopped; smallest step near contact, whole hand on the wheel. Edges cut: hold the shank.',
  pin: 'Spindle stopped. Raise Z before crossing the part; smallest step near contact, fingers clear.',
  cutter:
    'Spindle stopped, widest diameter against the face. A tapered bit meets it elsewhere: put a pin in its place.',
  plate:
    'Clip on, and the circuit shown before anything moves; clip and plate off before the spindle starts.',
  difference: 'Spindle stopped. Move Z up before X or Y, and come down with the smallest step.',
} as const

/** Of gauges that turn: said with the limit of the one in use, where the sheet knows it. */
function finderCaution({ sheet }: SetupDocument, using: readonly string[]): string {
  const limits = sheet.gauges.flatMap(({ id, maxSpeed }) =>
    using.includes(id) && maxSpeed !== undefined ? [maxSpeed] : [],
  )
  const speed =
    limits.length === 0 ? 'within its rated speed' : `never above S${Math.min(...limits)}`
  return `Raise Z before crossing the part. Finder ${speed}; guards closed, hands away.`
}

const faceNames: Readonly<
  Record<Face, { outside: string; inside: string; from: string; inward: string }>
> = {
  left: {
    outside: 'left face',
    inside: 'left wall',
    from: 'from the left',
    inward: 'towards the left',
  },
  right: {
    outside: 'right face',
    inside: 'right wall',
    from: 'from the right',
    inward: 'towards the right',
  },
  front: {
    outside: 'front face',
    inside: 'front wall',
    from: 'from the front',
    inward: 'towards the front',
  },
  back: {
    outside: 'back face',
    inside: 'back wall',
    from: 'from the back',
    inward: 'towards the back',
  },
}

export const faceName = (face: Face, side: Side): string => faceNames[face][side]

/** Joined names of gauges: `height setter on block 25`. Empty when nothing lies between. */
export function gaugeNames(document: SetupDocument, ids: readonly string[]): string {
  return ids
    .map((id) => document.sheet.gauges.find((gauge) => gauge.id === id)?.name ?? id)
    .join(' on ')
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
  const words = touchWords(document, quantity, using)
  const quill = quillWords(document, quantity)
  return quill === undefined ? words : { ...words, caution: `${quill} ${words.caution}` }
}

/** A quill that is out moves Z by as much: said where Z is measured, and nowhere else. */
function quillWords({ sheet }: SetupDocument, quantity: QuantityName): string | undefined {
  if (axisOfQuantity(quantity) !== 'Z' || !('row' in quantity)) return undefined
  const quill = sheet.offsets.find(({ row }) => row === quantity.row)?.Z.quill
  if (quill === undefined) return undefined
  return `The quill is out by ${quill.measured.text} ${quill.measured.unit}, locked, while Z is measured; by ${quill.running.text} ${quill.running.unit} when the program runs.`
}

function touchWords(
  document: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
): StepWords {
  const gauge = gaugeNames(document, using)
  const { plane } = document.sheet
  switch (quantity.of) {
    case 'nose-on-plane':
      return {
        title: 'Bare nose on the plane',
        sentence:
          gauge === ''
            ? `Bring the bare nose down onto the ${plane}.`
            : `Bring the bare nose down onto the ${gauge}.`,
        caution: CAUTIONS.nose,
        field: 'Machine Z at contact',
      }
    case 'tip-on-plane': {
      const tool = document.sheet.tools.find(({ number }) => number === quantity.tool)
      return {
        title: `T${quantity.tool} · ${tool?.name ?? ''}`,
        sentence:
          gauge === ''
            ? `Lower T${quantity.tool} onto the ${plane}.`
            : `Lower T${quantity.tool} onto the ${gauge}.`,
        caution: CAUTIONS.tip,
        field: 'Machine Z at contact',
      }
    }
    case 'face':
      return faceWords(document, quantity.row, quantity.face, using)
    case 'nose-on-part':
      return {
        title: `${quantity.row} Z · nose on the top`,
        sentence:
          gauge === ''
            ? 'Bring the bare nose down onto the raw top.'
            : `Bring the bare nose down onto the raw top, ${gauge} between.`,
        caution: CAUTIONS.nose,
        field: 'Machine Z at contact',
      }
    case 'circle-point':
      return {
        title: `${quantity.row} · touch ${quantity.point} around`,
        sentence: `Touch ${quantity.point} around the circle${gauge === '' ? ', far from the others' : ` with the ${gauge}`}.`,
        caution: finderCaution(document, using),
        field: 'Machine X and Y at contact',
      }
    case 'edge-point': {
      const name = faceName(quantity.face, 'outside')
      return {
        title: `${quantity.row} · ${name}, touch ${quantity.point}`,
        sentence: `${capital(name)}, ${faceNames[quantity.face].from}, ${quantity.point === 1 ? 'near one end of it' : 'as far along it as can be reached'}${gauge === '' ? '' : `, until the ${gauge} touches`}.`,
        caution: finderCaution(document, using),
        field: 'Machine X and Y at contact',
      }
    }
    case 'sweep':
      return {
        title: `${quantity.row} · sweep`,
        sentence: 'Turn the spindle by hand, read the dial at four quarters.',
        caution: 'Spindle out of gear, turned by hand only. Raise Z before moving across.',
        field: 'Dial at four quarters',
      }
    case 'tip-on-part': {
      const between = gauge === '' ? '' : `, ${gauge} between`
      const setsZ = asksForSpindle(document, quantity)
      return {
        title: setsZ
          ? `${quantity.row} Z · T${quantity.tool} on the top`
          : `T${quantity.tool} · on the top`,
        sentence: `Lower T${quantity.tool} onto the raw top${between}.`,
        caution: usesKind(document, using, 'plate') ? CAUTIONS.plate : CAUTIONS.tip,
        field: 'Machine Z at contact',
      }
    }
    case 'tool-diameter':
      return {
        title: `T${quantity.tool} · diameter`,
        sentence: `Measure T${quantity.tool} over its widest points, turning it.`,
        caution: 'Edges cut: hold the shank. Odd flute counts need a V-anvil or a test cut.',
        field: 'Diameter',
      }
    case 'fixture-difference':
      return {
        title: `${quantity.row} Z · from ${quantity.from}`,
        // Which two they are stands in the title, and where the counter was zeroed is asked by their names.
        sentence: 'Zero the relative counter on one raw top, read it at the other.',
        caution: CAUTIONS.difference,
        field: 'Relative Z counter',
      }
    case 'carried-difference':
      return {
        title: `${quantity.row} Z · from the plane`,
        sentence: 'Zero the relative counter on one surface, read it at the other.',
        caution: CAUTIONS.difference,
        field: 'Relative Z counter',
      }
  }
}

function faceWords(
  document: SetupDocument,
  row: string,
  face: Face,
  using: readonly string[],
): StepWords {
  const axis = axisOfFace(face)
  const plan = document.sheet.offsets.find((offset) => offset.row === row)?.[axis]
  const side = plan ? sideOf(plan) : 'outside'
  const gauge = gaugeNames(document, using)
  const used = (kind: GaugeKind) => usesKind(document, using, kind)
  const kicks = used('edge-finder')
  const name = faceName(face, side)
  const approach =
    side === 'outside' ? faceNames[face].from : `from the middle ${faceNames[face].inward}`
  return {
    title: `${row} ${axis} · ${name}`,
    sentence: `${capital(name)}, ${approach}, until the ${gauge === '' ? 'tool touches' : kicks ? `${gauge} kicks` : `${gauge} touches`}.`,
    caution: TURNING_GAUGES.some(used)
      ? finderCaution(document, using)
      : used('plate')
        ? CAUTIONS.plate
        : used('cutter')
          ? CAUTIONS.cutter
          : CAUTIONS.pin,
    field: `Machine ${axis} at contact`,
  }
}

const usesKind = (document: SetupDocument, using: readonly string[], wanted: GaugeKind): boolean =>
  document.sheet.gauges.some(({ id, kind }) => using.includes(id) && kind === wanted)

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** `moving X+`: said beside the picture, so that the direction can be checked before moving. */
export function describeApproach(face: Face, side: Side): string {
  return `tool moves ${axisOfFace(face)}${approachDirection(face, side) > 0 ? '+' : '\u2212'}`
}

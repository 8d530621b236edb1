import type { Problem } from '../problem'
import { readLength, type ReadLengthOptions } from '../length/read-length'
import type { WrittenLength } from '../length/length'
import type { AxisPlan, OffsetPlan, SetupDocument, SetupSheet } from './document'
import { quantityKey } from './quantity'

/**
 * Everything that is wrong with a document of the right shape, in one pass: numbers that cannot be
 * read, sizes below zero, names that point nowhere, numbers given twice.
 */
export function checkDocument(document: SetupDocument): readonly Problem[] {
  return [
    ...sheetLengths(document.sheet).flatMap(([place, written, options]) =>
      lengthProblem(place, written, options),
    ),
    ...duplicates(
      'sheet.tools',
      document.sheet.tools.map(({ number }) => `T${number}`),
      'number',
    ),
    ...duplicates(
      'sheet.tools',
      document.sheet.tools.map(({ lengthRegister }) => `H${lengthRegister}`),
      'lengthRegister',
    ),
    ...duplicates(
      'sheet.gauges',
      document.sheet.gauges.map(({ id }) => id),
      'id',
    ),
    ...duplicates(
      'sheet.offsets',
      document.sheet.offsets.map(({ row }) => row),
      'row',
    ),
    ...document.readings.flatMap((_, index) => readingProblems(document, index)),
    ...document.keyIns.flatMap(({ typed, address }, index) => [
      ...lengthProblem(`keyIns.${index}.typed`, typed),
      ...addressProblem(document.sheet, `keyIns.${index}.address`, address),
    ]),
    ...document.readBacks.flatMap(({ shown, address }, index) => [
      ...lengthProblem(`readBacks.${index}.shown`, shown),
      ...addressProblem(document.sheet, `readBacks.${index}.address`, address),
    ]),
  ]
}

type NamedLength = readonly [place: string, written: WrittenLength, options: ReadLengthOptions]

function sheetLengths(sheet: SetupSheet): readonly NamedLength[] {
  return [
    ...(['X', 'Y', 'Z'] as const).map((axis): NamedLength => [
      `sheet.stock.${axis}`,
      sheet.stock[axis],
      { sign: 'positive' },
    ]),
    ...sheet.gauges.map(({ size }, index): NamedLength => [
      `sheet.gauges.${index}.size`,
      size,
      { sign: 'positive' },
    ]),
    ...sheet.offsets.flatMap((offset, index) => offsetLengths(offset, `sheet.offsets.${index}`)),
  ]
}

function offsetLengths(offset: OffsetPlan, place: string): readonly NamedLength[] {
  return [
    ...axisLengths(offset.X, `${place}.X`),
    ...axisLengths(offset.Y, `${place}.Y`),
    [`${place}.Z.facing`, offset.Z.facing, { sign: 'not-negative' }],
  ]
}

function axisLengths(plan: AxisPlan, place: string): readonly NamedLength[] {
  const drawing: NamedLength = [`${place}.drawing`, plan.drawing, {}]
  return plan.by === 'one-face'
    ? [drawing]
    : [
        drawing,
        [`${place}.size`, plan.size, { sign: 'positive' }],
        [`${place}.tolerance`, plan.tolerance, { sign: 'not-negative' }],
      ]
}

function lengthProblem(
  place: string,
  written: WrittenLength,
  options: ReadLengthOptions = {},
): readonly Problem[] {
  const result = readLength(written, { ...options, place })
  return result.ok ? [] : [result.problem]
}

function duplicates(place: string, names: readonly string[], field: string): readonly Problem[] {
  const first = new Map<string, number>()
  names.forEach((name, index) => {
    if (!first.has(name)) first.set(name, index)
  })
  return names.flatMap((name, index): readonly Problem[] =>
    first.get(name) === index
      ? []
      : [{ code: 'reference-duplicate', place: `${place}.${index}.${field}`, received: name }],
  )
}

function readingProblems(document: SetupDocument, index: number): readonly Problem[] {
  const reading = document.readings[index]
  if (reading === undefined) return []
  const place = `readings.${index}`
  const gaugeIds = document.sheet.gauges.map(({ id }) => id)
  const used =
    reading.of === 'carried-difference' ? [...reading.with, ...reading.withOnPlane] : reading.with
  return [
    ...lengthProblem(`${place}.read`, reading.read),
    ...used.flatMap((id) => unknownReference(`${place}.with`, id, gaugeIds)),
    ...(reading.of === 'tip-on-plane'
      ? unknownReference(
          `${place}.tool`,
          `T${reading.tool}`,
          document.sheet.tools.map(({ number }) => `T${number}`),
        )
      : []),
    ...('row' in reading
      ? unknownReference(
          `${place}.row`,
          reading.row,
          document.sheet.offsets.map(({ row }) => row),
        )
      : []),
    ...supersedesProblem(document, index),
  ]
}

function supersedesProblem(document: SetupDocument, index: number): readonly Problem[] {
  const reading = document.readings[index]
  if (reading?.supersedes === undefined) return []
  const place = `readings.${index}.supersedes`
  const earlier = document.readings.slice(0, index).find(({ id }) => id === reading.supersedes)
  if (earlier === undefined)
    return [
      {
        code: 'reference-unknown',
        place,
        received: reading.supersedes,
        limit: 'the ids of earlier readings',
      },
    ]
  return quantityKey(earlier) === quantityKey(reading)
    ? []
    : [
        {
          code: 'supersedes-other',
          place,
          received: reading.supersedes,
          limit: quantityKey(earlier),
        },
      ]
}

function addressProblem(sheet: SetupSheet, place: string, address: string): readonly Problem[] {
  const addresses = [
    ...sheet.tools.map(({ lengthRegister }) => `H${lengthRegister}`),
    ...sheet.offsets.flatMap(({ row }) => [`${row}.X`, `${row}.Y`, `${row}.Z`]),
  ]
  return unknownReference(place, address, addresses)
}

function unknownReference(
  place: string,
  name: string,
  known: readonly string[],
): readonly Problem[] {
  return known.includes(name)
    ? []
    : [{ code: 'reference-unknown', place, received: name, limit: known.join(', ') }]
}

import { toNanometres, type Nanometres } from '../length/length'
import { stockDrawn } from '../sheet/stock-drawn'
import { readLength } from '../length/read-length'
import { machineFrame } from '../proof/machine-frame'
import type { Extent, Extents, ProgramReading } from '../program/program-reading'
import type { SetupDocument } from '../facts/document'
import type { OffsetPlan } from '../sheet/offset-plan'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Solution } from '../solve/solution'
import { planViewOf } from './plan-view'

/** What an operation reaches in one work offset. */
export interface OperationBox {
  readonly tool: number | undefined
  readonly name?: string
  readonly extents: Extents
}

/** The raw part of a row, what holds it, how far the machine goes, and what each operation reaches: all in work position. */
export interface ProgramView {
  readonly row: string
  readonly part?: Readonly<Record<MachineAxis, Extent>>
  /** Work Z of the jaws' upper edge. */
  readonly jaws?: Nanometres
  /** Machine travels as work positions; of Z what every tool can reach. */
  readonly travels: Extents
  readonly operations: readonly OperationBox[]
}

/** One view for each work offset that the program moves in. */
export function programViews(
  reading: ProgramReading,
  document: SetupDocument,
  solution: Solution,
): readonly ProgramView[] {
  const rows = [...new Set(reading.operations.flatMap(({ rows }) => rows.map(({ row }) => row)))]
  return rows.map((row) => {
    const offset = document.sheet.offsets.find((one) => one.row === row)
    return {
      row,
      ...(offset && partOf(document, solution, offset)),
      travels: offset === undefined ? {} : travelsOf(document, solution, offset.row),
      operations: reading.operations.flatMap(({ tool, name, rows: used }) => {
        const extents = used.find((one) => one.row === row)?.extents
        return extents === undefined ? [] : [{ tool, ...(name !== undefined && { name }), extents }]
      }),
    }
  })
}

function partOf(document: SetupDocument, solution: Solution, offset: OffsetPlan) {
  const { left, right, front, back } = planViewOf(document, solution, offset)
  const [facing, thick] = [readLength(offset.Z.facing), readLength(stockDrawn(document.sheet).Z)]
  if (!facing.ok || !thick.ok) return {}
  const top = facing.value.nm
  const { holding } = solution
  return {
    part: {
      X: [left, right] as const,
      Y: [front, back] as const,
      Z: [toNanometres(top - thick.value.nm), top] as const,
    },
    ...(holding && { jaws: toNanometres(top - holding.protrusion) }),
  }
}

/** An end of a travel, less the machine position of work zero, is a work position. */
function travelsOf(document: SetupDocument, solution: Solution, row: OffsetRow): Extents {
  const frame = machineFrame(document, solution)
  const travels: Partial<Record<MachineAxis, Extent>> = {}
  for (const axis of ['X', 'Y', 'Z'] as const) {
    const { min, max } = frame.travel(axis)
    const zeros = document.sheet.tools.flatMap(
      ({ number }) => frame.workZero(row, axis, { tool: number }) ?? [],
    )
    if (min === undefined || max === undefined || zeros.length === 0) continue
    // In Z each tool has its own: what all of them can reach is drawn.
    travels[axis] = [toNanometres(min - Math.min(...zeros)), toNanometres(max - Math.max(...zeros))]
  }
  return travels
}

/** Where everything is drawn: pixels of one view, X to the right, the other axis upwards. */
export interface PlacedBox {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

export interface PlacedView {
  readonly part?: PlacedBox
  readonly operations: readonly (PlacedBox & { readonly tool: number | undefined })[]
  /** Jaws' upper edge, from the top; side view only. */
  readonly jaws?: number
  /** Lines at Z0 or Y0, and at X0. */
  readonly zero: { readonly x: number; readonly y: number }
  /** Ends of the travels that lie within the picture. */
  readonly ends: readonly { readonly axis: MachineAxis; readonly at: number }[]
}

/** Narrower than this a box is not seen: a face at one height is still drawn. */
const THINNEST = 2

/**
 * Lays one view out in a frame: from above (`Y`) or from the front (`Z`). The scale holds the part and all
 * that the program reaches; travels are shown where their ends come into the picture.
 */
export function placeProgramView(
  view: ProgramView,
  up: 'Y' | 'Z',
  frame: { readonly width: number; readonly height: number; readonly margin: number },
): PlacedView {
  const boxes = view.operations.map(({ tool, extents }) => ({ tool, extents }))
  const across = rangeOf([view.part?.X, ...boxes.map(({ extents }) => extents.X), [0, 0]])
  const upward = rangeOf([view.part?.[up], ...boxes.map(({ extents }) => extents[up]), [0, 0]])
  const { width, height, margin } = frame
  const scale = Math.min(
    (width - 2 * margin) / Math.max(across[1] - across[0], 1),
    (height - 2 * margin) / Math.max(upward[1] - upward[0], 1),
  )
  const left = (width - (across[1] - across[0]) * scale) / 2
  const foot = height - (height - (upward[1] - upward[0]) * scale) / 2
  const x = (at: number) => left + (at - across[0]) * scale
  const y = (at: number) => foot - (at - upward[0]) * scale
  const box = (horizontal: Extent | undefined, vertical: Extent | undefined): PlacedBox => {
    const [from, to] = horizontal ?? [across[0], across[1]]
    const [low, high] = vertical ?? [upward[0], upward[1]]
    return {
      left: x(from),
      top: y(high),
      width: Math.max(x(to) - x(from), THINNEST),
      height: Math.max(y(low) - y(high), THINNEST),
    }
  }
  const inside = (at: number, size: number) => at >= 0 && at <= size
  return {
    ...(view.part && { part: box(view.part.X, view.part[up]) }),
    operations: boxes.map(({ tool, extents }) => ({ tool, ...box(extents.X, extents[up]) })),
    ...(up === 'Z' && view.jaws !== undefined && { jaws: y(view.jaws) }),
    zero: { x: x(0), y: y(0) },
    ends: [
      ...(view.travels.X ?? [])
        .map(x)
        .filter((at) => inside(at, width))
        .map((at) => ({ axis: 'X' as const, at })),
      ...(view.travels[up] ?? [])
        .map(y)
        .filter((at) => inside(at, height))
        .map((at) => ({ axis: up, at })),
    ],
  }
}

function rangeOf(ranges: readonly (readonly [number, number] | undefined)[]): [number, number] {
  const ends = ranges.flatMap((range) => range ?? [])
  return [Math.min(...ends), Math.max(...ends)]
}

/** The view in words, for those who do not see it. */
export function speakProgramView(view: ProgramView, write: (nm: Nanometres) => string): string {
  const parts = view.operations.map(({ tool, extents }) => {
    const axes = (['X', 'Y', 'Z'] as const).flatMap((axis) => {
      const range = extents[axis]
      return range === undefined ? [] : [`${axis} ${write(range[0])} to ${write(range[1])}`]
    })
    return `${tool === undefined ? 'before any tool' : `T${tool}`}: ${axes.join(', ')}`
  })
  const jaws = view.jaws === undefined ? [] : [`jaws up to Z ${write(view.jaws)}`]
  return `${[`What the program reaches in ${view.row}`, ...parts, ...jaws].join('. ')}.`
}

import { formatLength } from '../length/format-length'
import { FINEST_DECIMALS, type Nanometres, type WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import { foundAgain, type FoundAgain, type MarkReading } from '../freshness/home-marks'
import { homeBefore } from '../freshness/home-frames'
import { AXES, type MachineAxis, type OffsetRow } from '../address/row'
import type { AxisMark, AxisMarks } from '../facts/bodies/check-off'
import type { SetupDocument } from '../facts/document'
import type { SetupSheet } from '../sheet/sheet'
import { standingCheckOff } from './standing-check-off'

/** A zero that was lost and is being looked for by its marks. */
export interface Recovery {
  /** Where the marks stood when zero was set last. */
  readonly marks: AxisMarks
  /** By axis with a dial, once what is needed of it can be read. */
  readonly axes: Readonly<Partial<Record<MachineAxis, FoundAgain>>>
  /**
   * Axes whose zero is a new one: they have no dial, or nothing of it was typed now. What was read along them is read again.
   */
  readonly anew: readonly MachineAxis[]
  /** What to enter, of the axes that are found again; absent as long as one of them is begun and not whole, or in no certain turn. */
  readonly shift?: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
}

/**
 * Undefined where nothing was lost, or no dial was written down: zero is then set afresh and what was
 * read before is read again.
 */
export function recoveryOf(document: SetupDocument, now: AxisMarks): Recovery | undefined {
  const { checkOffs, events, sheet } = document
  const lost = events.findLast(({ kind }) => kind === 'home-lost')
  const before = lost && homeBefore(checkOffs, lost.place)
  if (before === undefined) return undefined
  const { marks } = before
  // A scale alone finds nothing again: marks are written down as at the first time.
  if (AXES.every((axis) => marks[axis]?.dial === undefined)) return undefined
  const axes = foundBy(sheet, marks, now)
  const anew = AXES.filter((axis) => marks[axis]?.dial === undefined || isEmpty(now[axis]))
  const isWhole = AXES.every((axis) => anew.includes(axis) || axes[axis]?.certain === true)
  const write = (nm: Nanometres): WrittenLength => ({
    text: formatLength(nm, sheet.unit, FINEST_DECIMALS[sheet.unit]),
    unit: sheet.unit,
  })
  return {
    marks,
    axes,
    anew,
    ...(isWhole && {
      shift: Object.fromEntries(
        AXES.flatMap((axis) => {
          const found = axes[axis]
          return found === undefined ? [] : [[axis, write(found.shift)]]
        }),
      ),
    }),
  }
}

/** The axes of a row that stand at its zero when dials are read there: Z is not driven down to the part for it. */
export const PART_ZERO_AXES = ['X', 'Y'] as const

/** Part zero, by its dials: written down once, and after a lost home held against what is written. */
export interface PartZero {
  readonly row: OffsetRow
  /** What they showed there before home was lost; undefined where nothing is to be compared. */
  readonly was: AxisMarks | undefined
  /** How far towards plus each axis stands from where it stood then; of those whose dial is read. */
  readonly off: Readonly<Partial<Record<MachineAxis, Nanometres>>>
  /** Those that stand elsewhere, by more than marks are found again. */
  readonly elsewhere: readonly MachineAxis[]
}

/** Two places by the same dial differ by no more, where both were driven to from one side: common practice, no source. */
const FOUND_WITHIN_NM = 100_000

/**
 * What the dials at part zero say of a home that was found again. A dial is no part of the machine's zero: driven to the zero of a
 * row, it shows what it showed before, or the zero is not where it was.
 *
 * @returns undefined where the machine finds its zero by switches.
 */
export function partZeroOf(document: SetupDocument, now: AxisMarks): PartZero | undefined {
  const { sheet, checkOffs, events } = document
  const row = sheet.offsets[0]?.row
  if (sheet.machine.homing !== 'marks' || row === undefined) return undefined
  const before = checkOffs.findLast(
    (one) => one.of === 'part-zero' && one.row === row && one.leftOut === undefined,
  )
  const isOtherPart = events.some(
    (event) =>
      event.kind === 'part-changed' && event.row === row && event.place > (before?.place ?? -1),
  )
  const was = before?.of === 'part-zero' && !isOtherPart ? before.marks : undefined
  const found = was === undefined ? {} : foundBy(sheet, was, now)
  const off = Object.fromEntries(
    PART_ZERO_AXES.flatMap((axis) => {
      const one = found[axis]
      return one === undefined ? [] : [[axis, 0 - one.shift]]
    }),
  ) as PartZero['off']
  return {
    row,
    was,
    off,
    elsewhere: PART_ZERO_AXES.filter((axis) => Math.abs(off[axis] ?? 0) > FOUND_WITHIN_NM),
  }
}

/** Whether the dials at part zero are read: where the marks of X and Y have any. */
export function asksForPartZero(document: SetupDocument): boolean {
  const home = standingCheckOff(document, 'home')
  return (
    document.sheet.machine.homing === 'marks' &&
    (home?.of !== 'home' || PART_ZERO_AXES.some((axis) => home.marks?.[axis]?.dial !== undefined))
  )
}

const isEmpty = (mark: AxisMark | undefined): boolean =>
  mark?.dial === undefined && mark?.coarse === undefined

function foundBy(
  { machine }: Pick<SetupSheet, 'machine'>,
  was: AxisMarks,
  now: AxisMarks,
): Readonly<Partial<Record<MachineAxis, FoundAgain>>> {
  return Object.fromEntries(
    AXES.flatMap((axis) => {
      const [before, after] = [markReading(was[axis]), markReading(now[axis])]
      const turn = machine.dialTurn?.[axis]
      const declared = turn && readLength(turn, { sign: 'positive' })
      if (before === undefined || after === undefined) return []
      // A scale that was read then tells the turn only when it is read now as well.
      if (before.coarse !== undefined && after.coarse === undefined) return []
      return [[axis, foundAgain(before, after, declared?.ok ? declared.value.nm : undefined)]]
    }),
  )
}

/** Undefined where there is no dial, or one of its numbers cannot be read. */
function markReading(mark: AxisMark | undefined): MarkReading | undefined {
  const dial = mark?.dial && readLength(mark.dial)
  const coarse = mark?.coarse && readLength(mark.coarse)
  if (dial?.ok !== true || coarse?.ok === false) return undefined
  return {
    dial: dial.value.nm,
    ...(coarse?.ok === true && { coarse: coarse.value.nm }),
    ...(mark?.dialFalls === true && { dialFalls: true }),
  }
}

import { addressParts, diameterAddress, type Address } from '../address/address'
import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { Measured } from '../facts/bodies/measured'
import type { SetupSheet } from '../sheet/sheet'
import { registerOfTool } from '../sheet/tool-rows'
import { meanMeasured } from './judge-feature'

/**
 * How a cutter's register changes after a profile was measured (docs/domain.md, “Wear”).
 *
 * An outside width that came out too large, or an inside width too small, was cut by a cutter that is
 * smaller than its register says: by the excess of both walls together.
 *
 * @param holds what the register of this control holds.
 * @returns what to add to the register.
 */
export function cutterWearChange(
  cut: {
    readonly nominal: Nanometres
    readonly measured: Nanometres
    readonly width: 'outside' | 'inside'
  },
  holds: 'diameter' | 'radius',
): Nanometres {
  const excess = cut.width === 'outside' ? cut.measured - cut.nominal : cut.nominal - cut.measured
  return toNanometres(holds === 'diameter' ? -excess : -excess / 2)
}

/**
 * How H changes after a floor was measured.
 *
 * @param tooDeep how far the floor lies below where it should; below zero where it is too high.
 * @example floorWearChange(30_000) // 30_000
 */
export const floorWearChange = (tooDeep: Nanometres): Nanometres => tooDeep

export interface CalibrationCut {
  /** Thickness that the block was to have, and what it has (mean of the micrometer readings). */
  readonly target: Nanometres
  readonly measured: readonly Nanometres[]
  /** Sides that the tool cut: 1 or 2. Halve once, not never and not twice. */
  readonly sides: 1 | 2
}

export interface CalibrationResult {
  /** e: the tool is shorter than assumed by this. */
  readonly excess: Nanometres
  /** L ← L + change. */
  readonly change: Nanometres
  /** Sample standard deviation of the micrometer readings, nanometres; 0 for a single one. */
  readonly spread: number
}

/**
 * Mills a block to thickness from k sides: e = (measured − target)/k, L ← L − e. Needs one measurement or more.
 *
 * @example calibrationCut({ target: 10_000_000, measured: [10_040_000], sides: 2 }).excess // 20_000
 */
export function calibrationCut({ target, measured, sides }: CalibrationCut): CalibrationResult {
  if (measured.length === 0) throw new RangeError('calibrationCut needs a measurement, got none')
  const mean = measured.reduce((sum, value) => sum + value, 0) / measured.length
  const excess = toNanometres((mean - target) / sides)
  const squares = measured.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  return {
    excess,
    change: toNanometres(-excess),
    spread: measured.length < 2 ? 0 : Math.sqrt(squares / (measured.length - 1)),
  }
}

/**
 * The change of thickness that was achieved, as a share of what was keyed. Well below 1 means deflection,
 * clamping or soft stock, not length: keying more would not help.
 */
export function achievedShare(
  before: Nanometres,
  after: Nanometres,
  keyedPerSide: Nanometres,
  sides: 1 | 2,
): number {
  if (keyedPerSide === 0) throw new RangeError('achievedShare needs a change that was keyed, got 0')
  return (after - before) / (keyedPerSide * sides)
}

const blockChange = ({ sides = 1 }: Measured, target: Nanometres, mean: Nanometres): Nanometres =>
  calibrationCut({ target, measured: [mean], sides }).change

/** Less of a correction than this, and it is not the length: keying more would not help. Common practice, no source. */
const LITTLE = 0.7

export interface CameOut {
  /** Of the thickness that was asked for; 1 where all of it came out. */
  readonly share: number
  readonly isLittle: boolean
  /** What the block was to measure by the correction that was keyed, and what it measures. */
  readonly predicted: Nanometres
  readonly reached: Nanometres
}

/**
 * How much of what the last calibration cut with the same tool asked for came out in this one; undefined where there was none, or
 * nothing was asked.
 */
export function cameOut(cut: Measured, earlier: readonly Measured[]): CameOut | undefined {
  const before = earlier.findLast(
    ({ feature, tool, sides }) =>
      feature === 'thickness' && tool === cut.tool && sides === cut.sides,
  )
  if (cut.feature !== 'thickness' || before === undefined) return undefined
  const [was, is, target] = [meanMeasured(before), meanMeasured(cut), readLength(before.nominal)]
  if (was === undefined || is === undefined || !target.ok) return undefined
  const keyed = blockChange(before, target.value.nm, was)
  if (keyed === 0) return undefined
  const share = achievedShare(was, is, keyed, cut.sides ?? 1)
  const predicted = toNanometres(was + keyed * (cut.sides ?? 1))
  return { share, isLittle: share < LITTLE, predicted, reached: is }
}

/** What to add to the wear of a register, or to the register itself where a control keeps no wear. */
export interface WearChange {
  readonly address: Address
  readonly change: Nanometres
  /** By how much it changes for each millimetre that was measured: half of one in a radius, or in a block cut from both sides. */
  readonly share: number
}

/** What a feature of the first part asks for; undefined where the tool has no register that mends it, or a number cannot be read. */
export function wearChange(
  measured: Measured,
  sheet: Pick<SetupSheet, 'tools' | 'machine' | 'offsets'>,
): WearChange | undefined {
  const { tools, machine } = sheet
  const { feature, tool } = measured
  const wanted = readLength(measured.nominal)
  const got = meanMeasured(measured)
  const declared = tools.find(({ number }) => number === tool)
  if (!wanted.ok || got === undefined || declared === undefined) return undefined
  if (feature === 'floor-depth' || feature === 'thickness') {
    const change =
      feature === 'floor-depth'
        ? floorWearChange(toNanometres(got - wanted.value.nm))
        : blockChange(measured, wanted.value.nm, got)
    const address = registerOfTool(sheet, tool)
    const turns =
      machine.control.lengthSign === 'subtracted' && addressParts(address ?? '')?.of === 'length'
    return (
      address && {
        ...{ address, change: turns ? toNanometres(0 - change) : change },
        share: 1 / (measured.sides ?? 1),
      }
    )
  }
  if (declared.diameterRegister === undefined) return undefined
  const holds = machine.control.diameterRegister ?? 'diameter'
  return {
    address: diameterAddress(declared.diameterRegister),
    share: holds === 'radius' ? 1 / 2 : 1,
    change: cutterWearChange(
      {
        nominal: wanted.value.nm,
        measured: got,
        width: feature === 'outside-width' ? 'outside' : 'inside',
      },
      holds,
    ),
  }
}

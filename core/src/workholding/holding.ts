import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import type { SetupSheet } from '../sheet/sheet'
import type { Warning } from '../registers/warning'
import { clamping, clearsJaws, type ClampingResult } from './workholding'

/** What a cutter keeps from the jaws. Common practice, no source. */
const JAW_MARGIN: Nanometres = toNanometres(0.5 * NANOMETRES_PER.mm)

/**
 * A grip that holds against a cut needs this much, where the shop does not say; less is a mistake of the sheet, or needs a
 * reason. Common practice, no source.
 */
const LEAST_GRIP: Nanometres = toNanometres(2 * NANOMETRES_PER.mm)

function leastGrip({ machine }: Pick<SetupSheet, 'machine'>): Nanometres {
  return nanometresOf(machine.policy?.leastGrip) ?? LEAST_GRIP
}

/** How the part of a sheet is held, and whether its sides can be cut as deep as they are. */
export interface HoldingVerdict extends ClampingResult {
  /** How far the deepest side cut stays above the jaws; absent where the sheet does not say how deep it goes. */
  readonly clear?: Nanometres
  readonly sideCutClears?: boolean
  /** What the shop, or practice, asks of the grip. */
  readonly leastGrip: Nanometres
}

/** Undefined where the sheet does not say how the part is held, or one of the numbers cannot be read. */
export function holdingOf(sheet: SetupSheet): HoldingVerdict | undefined {
  const { holding, stock } = sheet
  if (holding === undefined || stock === undefined) return undefined
  const [height, jaw, parallels] = [stock.Z, holding.jaw, holding.parallels].map((written) =>
    readLength(written),
  )
  if (!height?.ok || !jaw?.ok || !parallels?.ok) return undefined
  const held = clamping({
    stock: height.value.nm,
    jaw: jaw.value.nm,
    parallels: parallels.value.nm,
  })
  const cut = holding.sideCut && readLength(holding.sideCut)
  return {
    ...held,
    leastGrip: leastGrip(sheet),
    ...(cut?.ok && {
      clear: toNanometres(held.protrusion - cut.value.nm),
      sideCutClears: clearsJaws(cut.value.nm, held.protrusion, JAW_MARGIN),
    }),
  }
}

/**
 * The heights of parallels that would hold this part: enough grip, and jaws that stay clear of its deepest side cut. Undefined where
 * the sheet does not say how it is held, or none does both.
 */
export function parallelsThatFit(
  sheet: SetupSheet,
): { readonly from: Nanometres; readonly to: Nanometres } | undefined {
  const { holding, stock } = sheet
  if (holding === undefined || stock === undefined) return undefined
  const [height, jaw, cut] = [stock.Z, holding.jaw, holding.sideCut].map(
    (written) => written && readLength(written),
  )
  if (!height?.ok || !jaw?.ok || cut?.ok === false) return undefined
  const deepest = cut === undefined ? 0 : cut.value.nm + JAW_MARGIN
  const from = Math.max(0, jaw.value.nm + deepest - height.value.nm)
  const to = jaw.value.nm - leastGrip(sheet)
  return from > to ? undefined : { from: toNanometres(from), to: toNanometres(to) }
}

export function holdingWarnings(held: HoldingVerdict): readonly Warning[] {
  return [
    ...(held.holds ? [] : [{ code: 'no-grip', place: 'holding', amount: held.grip } as const]),
    ...(held.holds && held.grip < held.leastGrip
      ? [
          {
            code: 'little-grip',
            place: 'holding',
            amount: held.grip,
            limit: held.leastGrip,
          } as const,
        ]
      : []),
    ...(held.sideCutClears === false && held.clear !== undefined
      ? [{ code: 'side-cut-meets-jaws', place: 'holding', amount: held.clear } as const]
      : []),
  ]
}

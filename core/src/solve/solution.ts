import type { Chain } from '../chain/chain'
import type { KeptCheck } from './warnings/kept-checks'
import type { OffsetRow } from '../address/row'
import type { Problem } from '../problem/problem'
import type { ProofVerdict } from '../proof/proven'
import type { HoldingVerdict } from '../workholding/holding'
import type { EdgeAngle, ImpliedSize, Shown } from '../registers/register'
import type { Warning } from '../registers/warning'

type ByRow = Readonly<Partial<Record<OffsetRow, Chain>>>

/** Z planes and lengths that the pictures are drawn from; each absent until it is known. */
export interface Heights {
  /** S: machine Z at which the bare nose would touch the setting plane. */
  readonly noseOnPlane?: Chain
  /** S + L by tool number: machine Z at which that tip would touch the setting plane. */
  readonly tipOnPlane: Readonly<Record<number, Chain>>
  /** R by work offset: machine Z at which the bare nose would touch the stock top; only where it did. */
  readonly noseOnPart: ByRow
  /** R + L by `row tool`: machine Z at which that tip would touch that stock top; only where it did. */
  readonly tipOnPart: Readonly<Record<string, Chain>>
  /** Stock top above the setting plane (R − S), by work offset. */
  readonly partTop: ByRow
  /** Program zero above the setting plane (P − S), by work offset. */
  readonly zero: ByRow
  /** G: what the school's lengths are counted from (schools.ts). */
  readonly reference?: Chain
  /** The same, counted from the stock top of the first part, where the tools were touched on that. */
  readonly referenceOnTop?: Chain
}

/** The shape of a solution: a record that froze an older one is still told apart. */
export const SOLUTION_VERSION = 1

/** What is worked out of a set-up: plain data, so that a record, an export and a worker can carry it. */
export interface Solution extends Shown {
  readonly version: typeof SOLUTION_VERSION
  readonly sizes: readonly ImpliedSize[]
  readonly edges: readonly EdgeAngle[]
  readonly heights: Heights
  /** What the last proof of each work offset with each tool says. */
  readonly proofs: readonly ProofVerdict[]
  /** How the part is held; absent where the sheet does not say. */
  readonly holding?: HoldingVerdict
  /** Machine position of each face that was read, by quantity key. */
  readonly faces: Readonly<Record<string, Chain>>
  /** Tools whose length was taken over and that were touched here too; absent where there are none. */
  readonly kept?: readonly KeptCheck[]
  readonly warnings: readonly Warning[]
  /** Parts of the document that could not be used, each with its path. */
  readonly problems: readonly Problem[]
}

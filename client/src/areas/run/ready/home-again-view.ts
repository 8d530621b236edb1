import { AXES, type MachineAxis } from '@pine/core/address'
import type { AxisMarks } from '@pine/core/facts'
import { compareHome, inForceAtLoss, knownPlaces, type HomeShift } from '@pine/core/plan'
import type { Solution } from '@pine/core/solve'
import { describeCheck, describeCompared, describeStep } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

/** What the marks of a machine without switches say of the new zero, before a place is touched. */
export interface FoundByMarks {
  readonly marks: AxisMarks | undefined
  /** Of the axes whose dial was found again. */
  readonly shift: HomeShift
}

/** Home after it was lost: a known place of each axis is touched again, whether switches or marks found it. */
export interface HomeAgainView {
  readonly sentence: string
  readonly points: readonly string[]
  readonly caution: string
  /** The place of each axis, and what was read there. */
  readonly places: readonly {
    readonly axis: MachineAxis
    readonly name: string
    readonly was: string
  }[]
  /** What each that is typed tells. */
  readonly lines: readonly {
    readonly axis: MachineAxis
    readonly words: string
    readonly wrong: boolean
  }[]
  readonly next: string
  readonly facts: readonly FactDraft[]
}

/**
 * Undefined where there is nothing to compare: home is then seen to as at the first time.
 *
 * @param found on a machine without switches, what its marks say.
 */
export function homeAgainView(
  { document, solution }: LoadedSetup,
  typed: HomeShift,
  found?: FoundByMarks,
): HomeAgainView | undefined {
  const places = knownPlaces(document)
  if (places.length === 0) return undefined
  const byDials = found?.shift ?? {}
  const { places: compared, recovered } = compareHome(document, places, typed, byDials)
  const isFound = Object.keys(recovered.shift).length > 0
  const write = lengthWriter(solution)
  const { caution, points } = describeCheck(document, 'home')
  return {
    sentence: `${found === undefined ? 'Home the machine. Then touch' : 'Touch'} one known place for each axis.`,
    points: [
      ...(found === undefined ? points.slice(0, 1) : []),
      'Same tool, same gauge, same side as before. Type the machine position that is shown now.',
      ifLeftEmpty(byDials),
    ],
    caution,
    places: places.map(({ axis, reading, was }) => ({
      axis,
      name: describeStep(document, reading, reading.with).sentence,
      was: write(was),
    })),
    lines: compared.map((one) => ({
      axis: one.axis,
      wrong: one.off !== 'near',
      words: describeCompared(
        one,
        byDials[one.axis] !== undefined,
        (nm) => `${write(nm)} ${solution.unit}`,
      ),
    })),
    next: isFound ? (compared.length > 0 ? 'Home, compared' : 'Go by the dials') : 'Home only',
    facts: [
      ...(isFound
        ? [{ kind: 'event' as const, body: { kind: 'home-recovered' as const, ...recovered } }]
        : []),
      {
        kind: 'check-off',
        body: { of: 'home', ...(found?.marks && { marks: found.marks }) },
      },
    ],
  }
}

function ifLeftEmpty(byDials: HomeShift): string {
  const axes = AXES.filter((axis) => byDials[axis] !== undefined)
  const anew = 'has a new zero: all that was read along it is touched again.'
  if (axes.length === 0) return `An axis that is left empty ${anew}`
  const dials = `An axis that is left empty goes by its dial`
  return axes.length === AXES.length ? `${dials}.` : `${dials}; one without a dial ${anew}`
}

/** The registers as they were when home was lost; undefined where it was not, or nothing was in them. */
export const inForceView = ({ document }: Pick<LoadedSetup, 'document'>): Solution | undefined =>
  inForceAtLoss(document)

import type { MachineAxis } from '@pine/core/address'
import type { WrittenLength } from '@pine/core/length'
import { compareHome, inForceAtLoss, knownPlaces } from '@pine/core/plan'
import type { Solution } from '@pine/core/solve'
import { describeCheck, describeCompared, describeStep, typographic } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

/** Home after it was lost, on a machine that finds it by switches: a known place of each axis is touched again. */
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
  /** The registers as they were before. */
  readonly inForce: Solution | undefined
}

/** Undefined where there is nothing to compare: home is then seen to as at the first time. */
export function homeAgainView(
  { document, solution }: LoadedSetup,
  typed: Readonly<Partial<Record<MachineAxis, WrittenLength>>>,
): HomeAgainView | undefined {
  const places = knownPlaces(document)
  if (places.length === 0) return undefined
  const { places: compared, recovered } = compareHome(document, places, typed)
  const isFound = Object.keys(recovered.shift).length > 0
  const write = lengthWriter(solution)
  const { caution, points } = describeCheck(document, 'home')
  const [first] = points
  return {
    sentence: 'Home the machine. Then touch one known place for each axis.',
    points: [
      ...(first === undefined ? [] : [first]),
      'Same tool, same gauge, same side as before. Type the machine position that is shown now.',
      'An axis that is left empty has a new zero: all that was read along it is touched again.',
    ],
    caution,
    places: places.map(({ axis, reading, read }) => ({
      axis,
      name: describeStep(document, reading, reading.with).sentence,
      was: typographic(read.text),
    })),
    lines: compared.map(({ axis, shift, off }) => ({
      axis,
      wrong: off !== 'near',
      words: describeCompared(axis, shift, off, (nm) => `${write(nm)} ${solution.unit}`),
    })),
    next: isFound ? 'Home, compared' : 'Home only',
    facts: [
      ...(isFound
        ? [{ kind: 'event' as const, body: { kind: 'home-recovered' as const, ...recovered } }]
        : []),
      { kind: 'check-off', body: { of: 'home' } },
    ],
    inForce: inForceAtLoss(document),
  }
}

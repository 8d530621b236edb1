import type { State, StateTerm } from '../quantities/state'
import type { Because, Evidence } from './evidence'

/** What is believed of a state or of a reading: a value give or take a standard deviation, in millimetres, and why. */
export interface Belief {
  readonly mm: number
  readonly standardMm: number
  readonly because: readonly Because[]
}

/**
 * A belief with the statements that it is a sum of, each with its factor: one that comes in twice is as unsure as it is twice, or
 * cancels.
 */
interface Derived extends Belief {
  readonly of: ReadonlyMap<Evidence, number>
}

/** Σ factor × statement; one that cancels is no reason for anything. */
function derived(of: ReadonlyMap<Evidence, number>): Derived {
  let [mm, variance] = [0, 0]
  const because: Because[] = []
  for (const [evidence, factor] of of) {
    mm += factor * evidence.valueMm
    variance += (factor * evidence.standardMm) ** 2
    if (factor !== 0) because.push(evidence.because)
  }
  return { mm, standardMm: Math.sqrt(variance), because, of }
}

/** One more statement, or another sum of them, so many times. */
function plus(
  onto: Map<Evidence, number>,
  sum: ReadonlyMap<Evidence, number>,
  times: number,
): Map<Evidence, number> {
  for (const [evidence, factor] of sum)
    onto.set(evidence, (onto.get(evidence) ?? 0) + factor * times)
  return onto
}

/** So many statements about one state are tried, the most promising first: beyond them little is learnt. */
const MOST_TRIED = 12

const keyOf = (state: State): string =>
  [state.of, ...Object.values(state).slice(1)].map(String).join(' ')

/** Of a state that nothing speaks of alone. */
const UNHEARD_MM = 1e6

/** How sure a statement could make of one state, by what speaks of the others in it alone. */
const promise = (
  { terms, standardMm }: Evidence,
  key: string,
  alone: ReadonlyMap<string, number>,
): number =>
  Math.hypot(
    standardMm,
    ...terms.map(({ state, coefficient }) =>
      keyOf(state) === key ? 0 : coefficient * (alone.get(keyOf(state)) ?? UNHEARD_MM),
    ),
  )

/** Of nothing that is left over. */
const CERTAIN = derived(new Map())

/** What a set-up believes of its states, by what it knows of them. */
export class Beliefs {
  private readonly about = new Map<string, Evidence[]>()

  constructor(evidence: readonly Evidence[]) {
    for (const one of evidence)
      for (const { state } of one.terms) {
        const key = keyOf(state)
        const known = this.about.get(key)
        if (known === undefined) this.about.set(key, [one])
        else known.push(one)
      }
    const alone = new Map(
      [...this.about].map(([key, known]) => [
        key,
        Math.min(
          ...known.map(({ terms, standardMm }) => (terms.length === 1 ? standardMm : UNHEARD_MM)),
        ),
      ]),
    )
    for (const [key, known] of this.about)
      known.sort((a, b) => promise(a, key, alone) - promise(b, key, alone))
  }

  /**
   * The surest belief in a state: each statement about it is solved for it, with what is believed of the other states in it.
   *
   * @param path states that are being believed on the way here: none is believed because of itself.
   */
  private derivedIn(state: State, path: readonly string[]): Derived | undefined {
    const key = keyOf(state)
    const onward = [...path, key]
    let best: Derived | undefined
    for (const evidence of (this.about.get(key) ?? []).slice(0, MOST_TRIED)) {
      // No more can be learnt than a statement is sure of itself.
      if (best !== undefined && best.standardMm <= evidence.standardMm) continue
      const coefficient = evidence.terms.reduce(
        (sum, one) => (keyOf(one.state) === key ? sum + one.coefficient : sum),
        0,
      )
      const others = this.derivedSum(
        evidence.terms.filter((one) => keyOf(one.state) !== key),
        onward,
      )
      if (others === undefined || coefficient === 0) continue
      const found = derived(
        plus(new Map([[evidence, 1 / coefficient]]), others.of, -1 / coefficient),
      )
      if (best === undefined || found.standardMm < best.standardMm) best = found
    }
    return best
  }

  /**
   * What is believed of Σ coefficient × state; undefined where nothing is known of it. A statement about just this sum is surer than
   * what is believed of each of its states: how far two things lie apart is known where neither is.
   */
  sum(terms: Evidence['terms']): Belief | undefined {
    return this.derivedSum(terms, [])
  }

  private derivedSum(terms: Evidence['terms'], path: readonly string[]): Derived | undefined {
    const [whole, parts] = [this.whole(terms, path), this.ofParts(terms, path)]
    if (whole === undefined || parts === undefined) return whole ?? parts
    return whole.standardMm < parts.standardMm ? whole : parts
  }

  /**
   * The surest statement about a sum of several states itself, whichever way round it is written, with what is believed of the states
   * that it leaves over: the nose on the plane tells plane and counter together, and the tool's length is what is left.
   */
  private whole(terms: Evidence['terms'], path: readonly string[]): Derived | undefined {
    const [first] = terms
    if (first === undefined || terms.length < 2) return undefined
    let best: Derived | undefined
    for (const evidence of this.about.get(keyOf(first.state)) ?? []) {
      const { terms: stated, standardMm } = evidence
      if (stated.length < 2 || (best !== undefined && best.standardMm <= standardMm)) continue
      const own = stated.find(({ state }) => keyOf(state) === keyOf(first.state))
      const scale = first.coefficient / (own?.coefficient ?? Infinity)
      const isStated = ({ state, coefficient }: StateTerm) =>
        stated.some(
          (one) => keyOf(one.state) === keyOf(state) && one.coefficient * scale === coefficient,
        )
      const left = terms.filter((one) => !isStated(one))
      if (left.length !== terms.length - stated.length) continue
      const rest = left.length === 0 ? CERTAIN : this.ofParts(left, path)
      if (rest === undefined) continue
      const found = derived(plus(new Map([[evidence, scale]]), rest.of, 1))
      if (best === undefined || found.standardMm < best.standardMm) best = found
    }
    return best
  }

  private ofParts(terms: Evidence['terms'], path: readonly string[]): Derived | undefined {
    const of = new Map<Evidence, number>()
    for (const { state, coefficient } of terms) {
      const belief = path.includes(keyOf(state)) ? undefined : this.derivedIn(state, path)
      if (belief === undefined) return undefined
      plus(of, belief.of, coefficient)
    }
    return derived(of)
  }
}

import type { State, StateTerm } from '../quantities/state'
import type { Because, Evidence } from './evidence'

/** What is believed of a state or of a reading: a value give or take a standard deviation, in millimetres, and why. */
export interface Belief {
  readonly mm: number
  readonly standardMm: number
  readonly because: readonly Because[]
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
const CERTAIN: Belief = { mm: 0, standardMm: 0, because: [] }

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
  in(state: State, path: readonly string[] = []): Belief | undefined {
    const key = keyOf(state)
    const onward = [...path, key]
    let best: Belief | undefined
    for (const evidence of (this.about.get(key) ?? []).slice(0, MOST_TRIED)) {
      // No more can be learnt than a statement is sure of itself.
      if (best !== undefined && best.standardMm <= evidence.standardMm) continue
      const coefficient = evidence.terms.reduce(
        (sum, one) => (keyOf(one.state) === key ? sum + one.coefficient : sum),
        0,
      )
      const others = this.sum(
        evidence.terms.filter((one) => keyOf(one.state) !== key),
        onward,
      )
      if (others === undefined || coefficient === 0) continue
      const standardMm = Math.hypot(evidence.standardMm, others.standardMm) / Math.abs(coefficient)
      if (best === undefined || standardMm < best.standardMm)
        best = {
          mm: (evidence.valueMm - others.mm) / coefficient,
          standardMm,
          because: [evidence.because, ...others.because],
        }
    }
    return best
  }

  /**
   * What is believed of Σ coefficient × state; undefined where nothing is known of it. A statement about just this sum is surer than
   * what is believed of each of its states: how far two things lie apart is known where neither is.
   */
  sum(terms: Evidence['terms'], path: readonly string[] = []): Belief | undefined {
    const [whole, parts] = [this.whole(terms, path), this.ofParts(terms, path)]
    if (whole === undefined || parts === undefined) return whole ?? parts
    return whole.standardMm < parts.standardMm ? whole : parts
  }

  /**
   * The surest statement about a sum of several states itself, whichever way round it is written, with what is believed of the states
   * that it leaves over: the nose on the plane tells plane and counter together, and the tool's length is what is left.
   */
  private whole(terms: Evidence['terms'], path: readonly string[]): Belief | undefined {
    const [first] = terms
    if (first === undefined || terms.length < 2) return undefined
    let best: Belief | undefined
    for (const { terms: stated, valueMm, standardMm, because } of this.about.get(
      keyOf(first.state),
    ) ?? []) {
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
      const spread = rest && Math.hypot(standardMm * Math.abs(scale), rest.standardMm)
      if (
        rest !== undefined &&
        spread !== undefined &&
        (best === undefined || spread < best.standardMm)
      )
        best = {
          mm: valueMm * scale + rest.mm,
          standardMm: spread,
          because: [because, ...rest.because],
        }
    }
    return best
  }

  private ofParts(terms: Evidence['terms'], path: readonly string[]): Belief | undefined {
    let [mm, variance] = [0, 0]
    const because: Because[] = []
    for (const { state, coefficient } of terms) {
      const belief = path.includes(keyOf(state)) ? undefined : this.in(state, path)
      if (belief === undefined) return undefined
      mm += coefficient * belief.mm
      variance += (coefficient * belief.standardMm) ** 2
      because.push(...belief.because)
    }
    return { mm, standardMm: Math.sqrt(variance), because }
  }
}

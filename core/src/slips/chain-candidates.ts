import { valueOf, type Chain, type Term, type TermRole } from '../chain/chain'
import { toNanometres } from '../length/length'
import type { Comparison, Explanation, SlipCode } from './slip'

interface TermSlips {
  readonly dropped?: SlipCode
  readonly doubled?: SlipCode
  readonly turned?: SlipCode
}

/** A length or constant of the sheet. */
const DECLARED: TermSlips = { dropped: 'constant-forgotten', turned: 'constant-wrong-sign' }

/** What can happen to a term, by what it is. */
const TERM_SLIPS: Readonly<Partial<Record<TermRole, TermSlips>>> = {
  'gauge-beneath': {
    dropped: 'gauge-forgotten',
    doubled: 'gauge-doubled',
    turned: 'gauge-wrong-sign',
  },
  'sensor-radius': {
    dropped: 'radius-forgotten',
    doubled: 'radius-doubled',
    turned: 'radius-wrong-side',
  },
  facing: { dropped: 'facing-forgotten', doubled: 'facing-doubled', turned: 'facing-wrong-side' },
  'drawing-coordinate': { dropped: 'drawing-forgotten', turned: 'drawing-wrong-sign' },
  'school-constant': DECLARED,
  'external-offset': DECLARED,
  quill: DECLARED,
  correction: DECLARED,
  'known-length': DECLARED,
  'lost-motion': { dropped: 'lost-motion-forgotten', turned: 'lost-motion-wrong-sign' },
  'tip-at-contact': { turned: 'reading-sign-lost' },
  'nose-at-contact': { turned: 'reading-sign-lost' },
  'axis-at-contact': { turned: 'reading-sign-lost' },
}

/** What goes wrong in making the number: a term dropped, doubled or turned, a half not taken. */
export function chainCandidates(comparison: Comparison): readonly Explanation[] {
  const { chain, kind, gauges = [] } = comparison
  // What was keyed is rounded; what went wrong before that went wrong on the exact number. A size is
  // held against the drawing, and its chain is what was read.
  const expected = chain && kind !== 'size' ? valueOf(chain) : comparison.expected
  const gives = (code: SlipCode, value: number, about: string): Explanation => ({
    code,
    gives: toNanometres(value),
    about,
  })
  const terms = chain?.terms ?? []
  return [
    ...terms.flatMap((term) => termCandidates(expected, term)),
    ...terms
      .filter(({ source, role }) => source.kind === 'reading' && isMachinePosition(role))
      .map(({ source }) => gives('raw-position', source.length.nm, source.name)),
    ...(chain ? [...halfCandidates(expected, chain), ...counterCandidates(expected, chain)] : []),
    // A gauge that lay at both touches cancels out of the chain; forgotten at one of them, or taken
    // off twice at the other, it does not.
    ...gauges.flatMap(({ name, nm }) =>
      (['gauge-forgotten', 'gauge-doubled'] as const).flatMap((code) => [
        gives(code, expected + nm, name),
        gives(code, expected - nm, name),
      ]),
    ),
  ]
}

/** A counter and a measured diameter are numbers of their own. */
const isMachinePosition = (role: Term['role']): boolean => role !== 'counter' && role !== 'diameter'

/** The simplest things that go wrong in making a number: what two slips at once are made of. */
export function partCandidates(comparison: Comparison): readonly Explanation[] {
  return chainCandidates(comparison).filter(({ code }) => PARTS.includes(code))
}

/** What is forgotten or turned; a number that is stored raw leaves nothing for a second slip. */
const PARTS: readonly SlipCode[] = [
  'gauge-forgotten',
  'radius-forgotten',
  'facing-forgotten',
  'drawing-forgotten',
  'counter-end-mistaken',
  'constant-forgotten',
  'reading-sign-lost',
  'drawing-wrong-sign',
  'facing-wrong-side',
  'radius-wrong-side',
  'gauge-wrong-sign',
]

function termCandidates(expected: number, term: Term): readonly Explanation[] {
  const slips = TERM_SLIPS[term.role] ?? {}
  const share = term.coefficient * term.source.length.nm
  const about = term.source.name
  const change = (code: SlipCode | undefined, value: number): readonly Explanation[] =>
    code === undefined ? [] : [{ code, gives: toNanometres(value), about }]
  return [
    ...change(slips.dropped, expected - share),
    ...change(slips.doubled, expected + share),
    ...change(slips.turned, expected - 2 * share),
  ]
}

/**
 * What a difference on the counter may have become: all its readings taken from the other end, or the counter itself
 * stored as it was read, with or without its minus.
 */
function counterCandidates(expected: number, chain: Chain): readonly Explanation[] {
  const counters = chain.terms.filter(({ role }) => role === 'counter')
  // Repeats of one difference were zeroed at the same end; another difference in the chain was not.
  return [...new Set(counters.map(({ source }) => source.name))].flatMap((about) => {
    const terms = counters.filter(({ source }) => source.name === about)
    return [
      {
        code: 'counter-end-mistaken' as const,
        gives: toNanometres(expected - 2 * valueOf({ terms })),
        about,
      },
      ...terms.flatMap(({ source }) =>
        [source.length.nm, -source.length.nm].map((nm): Explanation => ({
          code: 'raw-counter',
          gives: toNanometres(nm),
          about,
        })),
      ),
    ]
  })
}

/** A middle that was not halved is one of the two faces: off by half their distance. */
function halfCandidates(expected: number, chain: Chain): readonly Explanation[] {
  const halves = chain.terms.filter(
    ({ coefficient, source }) => source.kind === 'reading' && Math.abs(coefficient) === 0.5,
  )
  const [first, second] = halves
  if (halves.length !== 2 || first === undefined || second === undefined) return []
  const distance = valueOf({
    terms: [
      { ...second, coefficient: 1 },
      { ...first, coefficient: -1 },
    ],
  })
  // A counter that was not halved knows nothing of the backlash that we took off.
  const lost = valueOf({ terms: chain.terms.filter(({ role }) => role === 'lost-motion') })
  const half = valueOf({ terms: [first, second] })
  return [expected, expected - lost].flatMap((middle): readonly Explanation[] => [
    { code: 'half-not-taken', gives: toNanometres(middle + distance / 2) },
    { code: 'half-not-taken', gives: toNanometres(middle - distance / 2) },
    // Both faces were summed and the sum was stored.
    { code: 'sum-not-halved', gives: toNanometres(middle + half) },
  ])
}

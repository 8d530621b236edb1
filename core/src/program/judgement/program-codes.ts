/** What a reader could not follow, or what is wrong in a line. None is fatal. */
export const PROGRAM_PROBLEMS = [
  'code-unknown',
  'arc-undetermined',
  'arc-radius-differs',
  'arc-start-unknown',
  'subprogram-not-followed',
  'subprogram-too-long',
  'cycle-incomplete',
  'repeats-too-many',
  'line-too-long',
  'operations-too-many',
] as const

/** What a machinist is told about a program by itself. Words: words/program-words.ts. */
export const PROGRAM_JUDGEMENTS = [
  'length-differs-from-tool',
  'diameter-differs-from-tool',
  'moves-before-length',
  'length-not-cancelled',
  'compensation-not-cancelled',
  'shift-active',
  'units-switched',
  'no-unit',
  'no-safe-line',
  'cancel-moves-all-axes',
  'home-goes-down',
  'tool-not-changed',
  'rapid-below-zero',
  'speed-only-in-comment',
  'feeds-for-another-override',
  'writes-offset',
] as const

/** What it is told against a set-up: what the program needs, and what is there. */
/** What it is told beside a set-up: what the program needs, and what is there. */
export const NEED_JUDGEMENTS = [
  'unit-differs',
  'tool-not-on-sheet',
  'length-not-set',
  'length-stale',
  'length-unproven',
  'no-length-registers',
  'offset-not-on-sheet',
  'offset-not-set',
  'offset-stale',
  'offset-unproven',
  'offset-not-used',
  'diameter-not-set',
  'diameter-stale',
  'speed-above-limit',
  'speed-above-finder',
  'substitute-compensated',
  'substitute-not-compensated',
  'lift-active',
  'beyond-travel',
  'reaches-jaws',
  'reaches-parallels',
  'cuts-far-beneath',
  'head-differs',
  'head-grips-nothing',
] as const

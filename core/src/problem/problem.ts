/** Every way in which input can be wrong. The words for each are in words/problem-words.ts. */
export const PROBLEM_CODES = [
  'length-empty',
  'length-not-a-number',
  'length-two-points',
  'length-comma',
  'length-exponent',
  'length-unit-unknown',
  'length-fraction',
  'length-too-fine',
  'length-too-large',
  'length-negative',
  'length-zero',
  'reference-unknown',
  'reference-duplicate',
  'gauge-wrong-axis',
  'face-wrong-axis',
  'supersedes-other',
  'kept-of-part',
  'circle-undetermined',
  'circle-sensors-differ',
  'edge-undetermined',
  'corner-needs-both',
  'rebase-undetermined',
  'row-taken',
  'z-way-not-of-school',
  'face-spared',
  'length-register-missing',
  'length-register-unknown',
  'place-outside-travel',
  'setter-not-cleared',
  'quill-beyond-travel',
] as const

export type ProblemCode = (typeof PROBLEM_CODES)[number]

/** One thing that is wrong with an input: codes and facts travel, words are added where a person reads. */
export interface Problem {
  readonly code: ProblemCode
  /** Where: a path such as `readings.2.read`, or the name of a field. Empty for the whole input. */
  readonly place: string
  /** What came, as it came. */
  readonly received: string
  /** The limit, unit or set of names that the input was held against, where there is one. */
  readonly limit?: string
}

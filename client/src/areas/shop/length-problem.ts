import { readLength, type ReadLengthOptions } from '@pine/core/length'
import { describeProblem } from '@pine/core/words'

/** What is wrong with a length as it was typed, and what to do; undefined where nothing is. */
export function lengthProblem(
  written: Parameters<typeof readLength>[0] | undefined,
  options: ReadLengthOptions,
): string | undefined {
  const read = readLength(written ?? { text: '', unit: 'mm' }, options)
  if (read.ok) return undefined
  const { message, remedy } = describeProblem(read.problem)
  return `${message} ${remedy}`
}

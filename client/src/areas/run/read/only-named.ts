import type { Implied } from '@pine/core/plan'
import type { Explanation } from '@pine/core/slips'

/**
 * One name is enough: where the surprise has one, the size says only that it disagrees. What was done with the tip the surprise knows
 * nothing of, and the size does.
 */
export const onlyNamed = (implied: Implied, isNamed: boolean): Implied =>
  isNamed && implied.size !== undefined
    ? {
        ...implied,
        size: {
          ...implied.size,
          causes: implied.size.causes.filter(({ code }) => OF_THE_TIP.includes(code)),
        },
      }
    : implied

const OF_THE_TIP: readonly Explanation['code'][] = [
  'radius-forgotten',
  'radius-doubled',
  'radius-wrong-side',
  'radius-for-diameter',
]

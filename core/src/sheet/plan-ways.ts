import type { OffsetPlan } from './offset-plan'

/** How X and Y are found together, where one feature gives both; `faces` where each has its own. */
export const PLAN_WAYS = ['faces', 'circle-inside', 'circle-outside', 'sweep', 'corner'] as const

export type PlanWay = (typeof PLAN_WAYS)[number]

/** Which of them an offset is found by. */
export function planWay({ X }: Pick<OffsetPlan, 'X'>): PlanWay {
  if (X.by === 'circle') return X.side === 'inside' ? 'circle-inside' : 'circle-outside'
  if (X.by === 'sweep') return 'sweep'
  return X.by === 'turned-corner' ? 'corner' : 'faces'
}

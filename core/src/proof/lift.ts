import type { Lift, SetupDocument } from '../setup/document'

/** The lift that is in, if one is: everything then stands higher than its registers say, and nothing may be released. */
export const activeLift = ({ lifts = [] }: SetupDocument): Lift | undefined => {
  const last = lifts.at(-1)
  return last?.moves === 'in' ? last : undefined
}

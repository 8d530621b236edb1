import type { SetupSheet, StaysPut } from '@pine/core/sheet'
import type { Face } from '@pine/core/touch'

type Holding = NonNullable<SetupSheet['holding']>

/** A holding with a face against the fixed jaw or the stop, or with nothing said of it. */
export function withAgainst(holding: Holding, one: StaysPut, face: Face | undefined): Holding {
  const { against, ...held } = holding
  const { [one]: _before, ...others } = against ?? {}
  const now = { ...others, ...(face !== undefined && { [one]: face }) }
  return { ...held, ...(Object.keys(now).length > 0 && { against: now }) }
}

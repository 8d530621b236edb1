import { registerName } from '@pine/core/address'
import type { StandingSetup } from '@/data/setup/standing'
import { lengthWriter } from '@/areas/run/frame/write-length'

/** The numbers that the control holds by now, as they were read back. */
export const keyedLines = ({
  solution,
}: Pick<StandingSetup, 'solution'>): readonly {
  readonly name: string
  readonly number: string
}[] =>
  solution.registers.flatMap(({ address, state, keyIn }) =>
    keyIn !== undefined && (state === 'keyed' || state === 'proven')
      ? [
          {
            name: registerName(address),
            number: `${lengthWriter(solution)(keyIn.expected)} ${solution.unit}`,
          },
        ]
      : [],
  )

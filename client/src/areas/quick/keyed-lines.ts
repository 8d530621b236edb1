import { registerName } from '@pine/core/address'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'

/** The numbers that the control holds by now, as they were read back. */
export const keyedLines = ({
  solution,
}: Pick<LoadedSetup, 'solution'>): readonly {
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

import { memo, useDeferredValue, useMemo } from 'react'
import { toNanometres } from '@pine/core/length'
import { isRemark, type Warning } from '@pine/core/registers'
import { causeName } from '@pine/core/slips'
import { type Solution } from '@pine/core/solve'
import { type Surprise } from '@pine/core/expect'
import { describeCause, describeSurprise, describeWarning } from '@pine/core/words'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { lengthWriter } from '../frame/entry/write-length'

interface StepWarningsProps {
  readonly warnings: readonly Warning[]
  readonly solution: Solution
  readonly surprise: Surprise | undefined
  /** The row that tells the touch, where it is captured. */
  readonly row?: string | undefined
}

/**
 * What disagrees at this step, with what it most likely is. It follows the picture by a moment:
 * a half-typed number disagrees with everything, and is not to hold up its own digits.
 */
export function StepWarnings({ warnings, solution, surprise, row }: StepWarningsProps) {
  return (
    <Warnings
      {...useDeferredValue(
        useMemo(() => ({ warnings, solution, surprise, row }), [warnings, solution, surprise, row]),
      )}
    />
  )
}

const Warnings = memo(function Warnings({ warnings, solution, surprise, row }: StepWarningsProps) {
  const write = lengthWriter(solution)
  return (
    <>
      {surprise && <Surprised surprise={surprise} solution={solution} row={row} />}
      {warnings.map((warning) => (
        <Column
          key={`${warning.code}${warning.place}`}
          gap={0}
          role={isRemark(warning) ? 'note' : 'alert'}
          testID={isRemark(warning) ? 'step-remark' : 'step-warning'}
        >
          <Words as="note" tone={isRemark(warning) ? 'soft' : 'wrong'}>
            {describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`)}
          </Words>
          {warning.causes?.slice(0, 1).map((cause) => (
            <Words key={causeName(cause)} as="note" tone="wrong" strong>
              {describeCause(cause).title}. {describeCause(cause).look}
            </Words>
          ))}
        </Column>
      ))}
    </>
  )
})

/** What was read is not what was expected: what it may be, and what to look at. */
function Surprised({
  surprise,
  solution,
  row,
}: {
  readonly surprise: Surprise
  readonly solution: Solution
  readonly row: string | undefined
}) {
  const { expected, slip, look } = describeSurprise(
    surprise,
    solution.unit,
    (nm) => `${lengthWriter(solution)(toNanometres(nm))} ${solution.unit}`,
    row,
  )
  return (
    <Column gap={0} role="alert" testID="surprise">
      <Words as="note" tone="wrong">
        {expected}
      </Words>
      <Words as="note" tone="wrong" strong>
        {slip === undefined ? look : `${slip} ${look}`}
      </Words>
    </Column>
  )
}

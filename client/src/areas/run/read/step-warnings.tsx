import { memo, useDeferredValue, useMemo } from 'react'
import { isRemark, type Warning } from '@pine/core/registers'
import { causeName } from '@pine/core/slips'
import { type Solution } from '@pine/core/solve'
import { describeCause, describeWarning } from '@pine/core/words'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { lengthWriter } from '../frame/write-length'

interface StepWarningsProps {
  readonly warnings: readonly Warning[]
  readonly solution: Solution
}

/**
 * What disagrees at this step, with what it most likely is. It follows the picture by a moment:
 * a half-typed number disagrees with everything, and is not to hold up its own digits.
 */
export function StepWarnings({ warnings, solution }: StepWarningsProps) {
  return (
    <Warnings
      {...useDeferredValue(useMemo(() => ({ warnings, solution }), [warnings, solution]))}
    />
  )
}

const Warnings = memo(function Warnings({ warnings, solution }: StepWarningsProps) {
  const write = lengthWriter(solution)
  return warnings.map((warning) => (
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
  ))
})

import { describeSlip, describeWarning, type Solution, type Warning } from '@pine/core'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { lengthWriter } from './write-length'

/** What disagrees at this step, with what it most likely is. */
export function StepWarnings({
  warnings,
  solution,
}: {
  readonly warnings: readonly Warning[]
  readonly solution: Solution
}) {
  const write = lengthWriter(solution)
  return warnings.map((warning) => (
    <Column key={`${warning.code}${warning.place}`} gap={0} role="alert" testID="step-warning">
      <Words as="note" tone="wrong">
        {describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`)}
      </Words>
      {warning.causes?.slice(0, 1).map(({ code }) => (
        <Words key={code} as="note" tone="wrong" strong>
          {describeSlip(code).title}. {describeSlip(code).look}
        </Words>
      ))}
    </Column>
  ))
}

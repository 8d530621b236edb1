import { faceName } from '@pine/core/quantities'
import { usualTolerance, type AxisPlan } from '@pine/core/sheet'
import { FACES_OF_AXIS, type Face, type PlanAxis, type Side } from '@pine/core/touch'
import { Choice } from '@/kit/entry/choice'
import { Row } from '@/kit/surfaces'
import { LengthEntry } from '../tools/length-entry'
import type { SheetPageProps } from '../sheet-page-props'

interface AxisEntryProps {
  readonly axis: PlanAxis
  readonly plan: AxisPlan
  readonly stock: SheetPageProps['draft']['stock']['X']
  readonly onChange: (plan: AxisPlan) => void
  readonly problem: (field: string) => string | undefined
}

type Way = 'first' | 'second' | 'both' | 'both-inside'

/** How one axis is found: which faces are touched, and what the drawing calls them; never a sign, never half a width. */
export function AxisEntry({ axis, plan, stock, onChange, problem }: AxisEntryProps) {
  const [first, second] = FACES_OF_AXIS[axis]
  const blank = { text: '', unit: stock.unit }
  const way = wayOf(plan, first)
  const choose = (next: Way) => {
    const { drawing } = plan
    if (next === 'first' || next === 'second')
      return onChange({
        by: 'one-face',
        face: next === 'first' ? first : second,
        side: 'outside',
        drawing,
      })
    const side: Side = next === 'both' ? 'outside' : 'inside'
    const before = plan.by === 'two-faces' ? plan : undefined
    onChange({
      by: 'two-faces',
      side,
      drawing,
      size: before?.size ?? stock,
      tolerance: before?.tolerance ?? usualTolerance(stock.unit),
    })
  }
  const subject = plan.by === 'one-face' ? `the ${faceName(plan.face, plan.side)}` : 'the middle'
  return (
    <>
      <Choice
        label={`${axis}: what is touched?`}
        value={way}
        onChange={choose}
        options={[
          { value: 'first', label: faceName(first, 'outside') },
          { value: 'second', label: faceName(second, 'outside') },
          { value: 'both', label: 'both faces, for the middle' },
          { value: 'both-inside', label: 'both walls of a slot' },
        ]}
      />
      <LengthEntry
        label={`In the program ${subject} is ${axis} =`}
        value={plan.drawing}
        onChange={(drawing) => onChange({ ...plan, drawing })}
        problem={problem('drawing')}
        testID={`drawing-${axis}`}
      />
      {plan.by === 'two-faces' && (
        <Row gap="$3" alignItems="flex-start">
          <LengthEntry
            label="Size on the drawing, if known"
            value={plan.size ?? blank}
            onChange={(size) => onChange({ ...plan, size })}
            problem={problem('size')}
            testID={`size-${axis}`}
          />
          <LengthEntry
            label="may differ by ±"
            value={plan.tolerance ?? usualTolerance(stock.unit)}
            onChange={(tolerance) => onChange({ ...plan, tolerance })}
            problem={problem('tolerance')}
            testID={`tolerance-${axis}`}
          />
        </Row>
      )}
    </>
  )
}

/** Which of the ways with faces a plan is. */
function wayOf(plan: AxisPlan, first: Face): Way | undefined {
  if (plan.by === 'two-faces') return plan.side === 'outside' ? 'both' : 'both-inside'
  if (plan.by === 'one-face') return plan.face === first ? 'first' : 'second'
  return undefined
}

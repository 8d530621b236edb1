import type { AxisPlan, Face, OffsetPlan, PlanAxis, Side } from '@pine/core'
import { FACES_OF_AXIS, faceName } from '@pine/core'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { LengthEntry } from './length-entry'
import type { SheetPageProps } from './sheet-pages'
import { withNextOffset } from './sheet-draft'

export function ZeroPage({ draft, change, problem }: SheetPageProps) {
  const replace = (index: number, offset: OffsetPlan) =>
    change({ ...draft, offsets: draft.offsets.map((one, at) => (at === index ? offset : one)) })
  return (
    <>
      {draft.offsets.map((offset, index) => (
        <Card key={offset.row} padded gap="$4">
          <Row justifyContent="space-between">
            <Words as="title" role="heading" aria-level={2}>
              {offset.row}
            </Words>
            {draft.offsets.length > 1 && (
              <Button
                kind="plain"
                onPress={() =>
                  change({ ...draft, offsets: draft.offsets.filter((_, at) => at !== index) })
                }
                label={`take ${offset.row} out`}
              >
                Take out
              </Button>
            )}
          </Row>
          {(['X', 'Y'] as const).map((axis) => (
            <AxisEntry
              key={axis}
              axis={axis}
              plan={offset[axis]}
              stock={draft.stock[axis]}
              onChange={(plan) => replace(index, { ...offset, [axis]: plan })}
              problem={(field) => problem(`offsets.${index}.${axis}.${field}`)}
            />
          ))}
          <Choice
            label="Z: the raw top is found …"
            value={
              offset.Z.by === 'nose-on-part' || offset.Z.by === 'carried-difference'
                ? offset.Z.by
                : undefined
            }
            onChange={(by) => replace(index, { ...offset, Z: { by, facing: offset.Z.facing } })}
            options={[
              { value: 'carried-difference', label: 'by carrying the difference from the plane' },
              { value: 'nose-on-part', label: 'with the bare nose on the part' },
            ]}
          />
          <LengthEntry
            label="Z0 lies this far below the raw top (facing allowance)"
            value={offset.Z.facing}
            onChange={(facing) => replace(index, { ...offset, Z: { ...offset.Z, facing } })}
            problem={problem(`offsets.${index}.Z.facing`)}
            testID={`facing-${offset.row}`}
          />
        </Card>
      ))}
      {draft.offsets.length < 6 && (
        <Button onPress={() => change(withNextOffset(draft))}>Another fixture</Button>
      )}
    </>
  )
}

interface AxisEntryProps {
  readonly axis: PlanAxis
  readonly plan: AxisPlan
  readonly stock: SheetPageProps['draft']['stock']['X']
  readonly onChange: (plan: AxisPlan) => void
  readonly problem: (field: string) => string | undefined
}

type Way = 'first' | 'second' | 'both' | 'both-inside'

/** Which faces are touched, and what the drawing calls them: never a sign, never half a width. */
function AxisEntry({ axis, plan, stock, onChange, problem }: AxisEntryProps) {
  const [first, second] = FACES_OF_AXIS[axis]
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
      tolerance: before?.tolerance ?? {
        text: stock.unit === 'mm' ? '0.1' : '0.004',
        unit: stock.unit,
      },
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
            label="Size on the drawing"
            value={plan.size}
            onChange={(size) => onChange({ ...plan, size })}
            problem={problem('size')}
            testID={`size-${axis}`}
          />
          <LengthEntry
            label="may differ by ±"
            value={plan.tolerance}
            onChange={(tolerance) => onChange({ ...plan, tolerance })}
            problem={problem('tolerance')}
            testID={`tolerance-${axis}`}
          />
        </Row>
      )}
    </>
  )
}

/** Which of the ways on this page a plan is; a circle or a sweep comes by file and is none of them. */
function wayOf(plan: AxisPlan, first: Face): Way | undefined {
  if (plan.by === 'two-faces') return plan.side === 'outside' ? 'both' : 'both-inside'
  if (plan.by === 'one-face') return plan.face === first ? 'first' : 'second'
  return undefined
}

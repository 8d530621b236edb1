import { waysOfZ } from '@pine/core/schools'
import { PLAN_WAYS, planWay, type OffsetPlan } from '@pine/core/sheet'
import { PLAN_WAY_NAMES, Z_WAY_NAMES } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { AxisEntry } from './axis-entry'
import { LengthEntry } from './length-entry'
import type { SheetPageProps } from './sheet-page-props'
import { withNextOffset, withPlanWay, withZWay } from './sheet-draft'

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
          <Choice
            label="X and Y are found by …"
            value={planWay(offset)}
            onChange={(way) => replace(index, withPlanWay(offset, way, draft.unit))}
            options={PLAN_WAYS.map((way) => ({ value: way, label: PLAN_WAY_NAMES[way] }))}
          />
          {planWay(offset) === 'faces' ? (
            (['X', 'Y'] as const).map((axis) => (
              <AxisEntry
                key={axis}
                axis={axis}
                plan={offset[axis]}
                stock={draft.stock[axis]}
                onChange={(plan) => replace(index, { ...offset, [axis]: plan })}
                problem={(field) => problem(`offsets.${index}.${axis}.${field}`)}
              />
            ))
          ) : (
            <FeatureEntry
              offset={offset}
              onChange={(next) => replace(index, next)}
              problem={(field) => problem(`offsets.${index}.${field}`)}
            />
          )}
          <Choice
            label="Z: the raw top is found …"
            value={offset.Z.by}
            onChange={(by) => replace(index, withZWay(draft, offset, by))}
            options={waysOfZ(draft.school, index).map((by) => ({
              value: by,
              label: Z_WAY_NAMES[by],
            }))}
          />
          <ZExtras draft={draft} offset={offset} onChange={(next) => replace(index, next)} />
          <LengthEntry
            label="Z0 lies this far below the raw top (facing allowance)"
            value={offset.Z.facing}
            onChange={(facing) => replace(index, { ...offset, Z: { ...offset.Z, facing } })}
            problem={problem(`offsets.${index}.Z.facing`)}
            testID={`facing-${offset.row}`}
          />
        </Card>
      ))}
      {draft.offsets.length < MOST_OFFSETS && (
        <Button onPress={() => change(withNextOffset(draft))}>Another fixture</Button>
      )}
    </>
  )
}

/** As many as a set-up file may have. */
const MOST_OFFSETS = 100

interface FeatureEntryProps {
  readonly offset: OffsetPlan
  readonly onChange: (offset: OffsetPlan) => void
  readonly problem: (field: string) => string | undefined
}

/** A feature that gives X and Y together: what the drawing says of it. */
function FeatureEntry({ offset, onChange, problem }: FeatureEntryProps) {
  const { X, Y } = offset
  const subject = X.by === 'turned-corner' ? 'the corner' : 'its centre'
  return (
    <>
      {(['X', 'Y'] as const).map((axis) => (
        <LengthEntry
          key={axis}
          label={`In the program ${subject} is ${axis} =`}
          value={offset[axis].drawing}
          onChange={(drawing) => onChange({ ...offset, [axis]: { ...offset[axis], drawing } })}
          problem={problem(`${axis}.drawing`)}
          testID={`drawing-${axis}`}
        />
      ))}
      {X.by === 'circle' && Y.by === 'circle' && (
        <Row gap="$3" alignItems="flex-start">
          <LengthEntry
            label="Diameter on the drawing"
            value={X.diameter}
            onChange={(diameter) =>
              onChange({ ...offset, X: { ...X, diameter }, Y: { ...Y, diameter } })
            }
            problem={problem('X.diameter')}
            testID="diameter"
          />
          <LengthEntry
            label="may differ by ±"
            value={X.tolerance}
            onChange={(tolerance) =>
              onChange({ ...offset, X: { ...X, tolerance }, Y: { ...Y, tolerance } })
            }
            problem={problem('X.tolerance')}
            testID="diameter-tolerance"
          />
        </Row>
      )}
    </>
  )
}

interface ZExtrasProps {
  readonly draft: SheetPageProps['draft']
  readonly offset: OffsetPlan
  readonly onChange: (offset: OffsetPlan) => void
}

/** Which tool, which other part, and a quill that stays out. */
function ZExtras({ draft, offset, onChange }: ZExtrasProps) {
  const { Z } = offset
  const { quill, ...plain } = Z
  const zero = { text: '0', unit: draft.unit }
  return (
    <>
      {Z.by === 'tool-on-part' && (
        <Choice
          label="Which tool stands on it?"
          value={String(Z.tool)}
          onChange={(number) => onChange({ ...offset, Z: { ...Z, tool: Number(number) } })}
          options={draft.tools.map(({ number }) => ({
            value: String(number),
            label: `T${number}`,
          }))}
        />
      )}
      {Z.by === 'fixture-difference' && (
        <Choice
          label="From which part?"
          value={Z.from}
          onChange={(from) => onChange({ ...offset, Z: { ...Z, from } })}
          options={draft.offsets
            .slice(
              0,
              draft.offsets.findIndex(({ row }) => row === offset.row),
            )
            .map(({ row }) => ({ value: row, label: row }))}
        />
      )}
      {quill === undefined ? (
        <Button
          kind="plain"
          onPress={() =>
            onChange({ ...offset, Z: { ...Z, quill: { measured: zero, running: zero } } })
          }
        >
          A quill stays out …
        </Button>
      ) : (
        <>
          <LengthEntry
            label="The quill is out by this while Z is measured"
            value={quill.measured}
            onChange={(measured) =>
              onChange({ ...offset, Z: { ...Z, quill: { ...quill, measured } } })
            }
            testID="quill-measured"
          />
          <LengthEntry
            label="and by this while the program runs"
            value={quill.running}
            onChange={(running) =>
              onChange({ ...offset, Z: { ...Z, quill: { ...quill, running } } })
            }
            testID="quill-running"
          />
          <Button kind="plain" onPress={() => onChange({ ...offset, Z: plain as typeof Z })}>
            No quill
          </Button>
        </>
      )}
    </>
  )
}

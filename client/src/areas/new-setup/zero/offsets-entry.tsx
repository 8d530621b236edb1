import { useState } from 'react'
import { waysOfZ } from '@pine/core/schools'
import { PLAN_WAYS, planWay, type OffsetPlan } from '@pine/core/sheet'
import { describeOffsetPlan, PLAN_WAY_NAMES, Z_WAY_NAMES } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { AxisEntry } from './axis-entry'
import { LengthEntry } from '../tools/length-entry'
import type { SheetPageProps } from '../sheet-page-props'
import { withNextOffset, withPlanWay, withZWay } from '../sheet-draft'
import { withFaceTurned, withZeroPlaced, withZeroRaised, zeroView } from './zero-draft'
import { SparedEntry } from './spared-entry'
import { ZeroPicture } from './zero-picture'

/** Every work offset: its zero on a picture of the stock, and how that is found. */
export function OffsetsEntry({ draft, change, problem }: SheetPageProps) {
  const replace = (index: number, offset: OffsetPlan) =>
    change({ ...draft, offsets: draft.offsets.map((one, at) => (at === index ? offset : one)) })
  return (
    <>
      {draft.offsets.map((offset, index) => (
        <Card key={offset.row} padded gap="$3">
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
          <OffsetEntry
            draft={draft}
            offset={offset}
            index={index}
            onChange={(next) => replace(index, next)}
            problem={(field) => problem(`offsets.${index}.${field}`)}
          />
          <SparedEntry
            offset={offset}
            onChange={(next) => replace(index, next)}
            problem={problem(`offsets.${index}.spared`)}
          />
        </Card>
      ))}
      {draft.offsets.length < MOST_OFFSETS && (
        <Button onPress={() => change(withNextOffset(draft))}>Another fixture</Button>
      )}
    </>
  )
}

interface OffsetEntryProps extends FeatureEntryProps {
  readonly draft: SheetPageProps['draft']
  readonly index: number
}

const FIELDS = ['drawing', 'size', 'tolerance', 'diameter'].flatMap((field) => [
  `X.${field}`,
  `Y.${field}`,
])

function OffsetEntry({ draft, offset, index, onChange, problem }: OffsetEntryProps) {
  const [opened, setOpened] = useState(false)
  const { stock } = draft
  const { byFaces, at, share, touched, height } = zeroView(offset, stock)
  const open = opened || !byFaces || FIELDS.some((field) => problem(field) !== undefined)
  return (
    <>
      {byFaces && (
        <>
          <Words as="note">
            Press where the drawing has its zero, and the faces that are to be touched.
          </Words>
          <ZeroPicture
            at={at}
            share={share}
            onPlace={(X, Y) => onChange(withZeroPlaced(offset, stock, X, Y))}
            touched={touched}
            onFace={(face) => onChange(withFaceTurned(offset, stock, face))}
            height={height}
            onHeight={(next) => onChange(withZeroRaised(offset, stock, next))}
          />
        </>
      )}
      {(height === 'below' || !byFaces) && (
        <LengthEntry
          label="Z0 lies this far below the stock top (facing allowance)"
          value={offset.Z.facing}
          onChange={(facing) => onChange({ ...offset, Z: { ...offset.Z, facing } })}
          problem={problem('Z.facing')}
          testID={`facing-${offset.row}`}
        />
      )}
      {open ? (
        <>
          <Choice
            label="X and Y are found by …"
            value={planWay(offset)}
            onChange={(way) => onChange(withPlanWay(offset, way, draft.unit))}
            options={PLAN_WAYS.map((way) => ({ value: way, label: PLAN_WAY_NAMES[way] }))}
          />
          {byFaces ? (
            (['X', 'Y'] as const).map((axis) => (
              <AxisEntry
                key={axis}
                axis={axis}
                plan={offset[axis]}
                stock={stock[axis]}
                onChange={(plan) => onChange({ ...offset, [axis]: plan })}
                problem={(field) => problem(`${axis}.${field}`)}
              />
            ))
          ) : (
            <FeatureEntry offset={offset} onChange={onChange} problem={problem} />
          )}
          <Choice
            label="Z: the stock top is found …"
            value={offset.Z.by}
            onChange={(by) => onChange(withZWay(draft, offset, by))}
            options={waysOfZ(draft.school, index).map((by) => ({
              value: by,
              label: Z_WAY_NAMES[by],
            }))}
          />
          <ZExtras draft={draft} offset={offset} onChange={onChange} problem={problem} />
        </>
      ) : (
        <Row justifyContent="space-between" alignItems="center" gap="$2">
          <Column gap={0} flex={1}>
            {describeOffsetPlan(offset).map(([axis, text]) => (
              <Words key={axis} as="note">
                {axis}: {text}
              </Words>
            ))}
          </Column>
          <Button
            kind="plain"
            onPress={() => setOpened(true)}
            label={`change how ${offset.row} is found`}
            testID={`change-${offset.row}`}
          >
            Change
          </Button>
        </Row>
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
  readonly problem: (field: string) => string | undefined
}

/** Which tool, which other part, and a quill that stays out. */
function ZExtras({ draft, offset, onChange, problem }: ZExtrasProps) {
  const { Z } = offset
  const { quill, ...plain } = Z
  const zero = { text: '0', unit: draft.unit }
  // How well its scale is read is the machine's.
  const uncertainty = draft.machine?.quill?.uncertainty
  const within = uncertainty && { uncertainty }
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
            onChange({
              ...offset,
              Z: { ...Z, quill: { measured: zero, running: zero, ...within } },
            })
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
            problem={problem('Z.quill.measured')}
            testID="quill-measured"
          />
          <LengthEntry
            label="and by this while the program runs"
            value={quill.running}
            onChange={(running) =>
              onChange({ ...offset, Z: { ...Z, quill: { ...quill, running } } })
            }
            problem={problem('Z.quill.running')}
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

import { v7 as uuid } from 'uuid'
import { type MachineAxis } from '@pine/core/address'
import { type HomeMarks } from '@pine/core/freshness'
import { formatLength } from '@pine/core/length'
import { recoveryOf, standingCheckOff } from '@pine/core/plan'
import { describeCheck, describeMarks, typographic } from '@pine/core/words'
import { Caution } from '@/kit/caution'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import { CheckFrame } from './check-frame'
import { EntryFrame } from '../read/entry-frame'
import type { StepProps } from '../frame/step-props'
import { NumbersEntry } from '../read/numbers-entry'
import { useNumbers } from '../read/use-numbers'

const AXES = ['X', 'Y', 'Z'] as const
type MarkKey = `${MachineAxis}${'dial' | 'coarse'}`

const SPECS = AXES.flatMap((axis) => [
  { key: `${axis}dial` as MarkKey, label: `${axis} dial` },
  { key: `${axis}coarse` as MarkKey, label: `${axis} scale` },
])

/**
 * Home of a machine without switches: dials and scales at the marks are written down, so that a zero
 * lost in a power cut is found again, with what it shifted by.
 */
export function HomeMarksStep({ setupId, setup, enter, onDone }: StepProps) {
  const { document } = setup
  const { sheet } = document
  const words = describeCheck(sheet, 'home')
  const numbers = useNumbers<MarkKey>(`home:${setupId}`, sheet.unit, SPECS)
  const done = standingCheckOff(document, 'home')
  if (done !== undefined)
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        {done.of === 'home' && done.marks && <MarkLines marks={done.marks} />}
      </CheckFrame>
    )
  const marks: HomeMarks = {
    X: { dial: numbers.written('Xdial'), coarse: numbers.written('Xcoarse') },
    Y: { dial: numbers.written('Ydial'), coarse: numbers.written('Ycoarse') },
    Z: { dial: numbers.written('Zdial'), coarse: numbers.written('Zcoarse') },
  }
  const recovery = recoveryOf(document, marks)
  const submit = () => {
    if (!numbers.complete()) return
    if (recovery !== undefined) {
      if (recovery.shift === undefined) return
      void enter({
        id: uuid(),
        kind: 'event',
        body: { kind: 'home-recovered', shift: recovery.shift },
      })
    }
    void enter({ id: uuid(), kind: 'check-off', body: { of: 'home', marks } })
    numbers.clear()
    onDone()
  }
  return (
    <EntryFrame
      numbers={
        <NumbersEntry
          numbers={numbers}
          boxes={numbers.boxes.map((box) => ({
            ...box,
            label: recovery ? `${box.label} · was ${wasAt(recovery.marks, box.key)}` : box.label,
          }))}
          onSubmit={submit}
        />
      }
      problem={numbers.problem}
      {...numbers.keys}
      onNext={submit}
      next={recovery === undefined ? 'Zeroed' : 'Found'}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {recovery === undefined ? words.sentence : 'Find the zero again: same marks, same side.'}
      </Words>
      {recovery === undefined ? (
        words.points.map((point) => <Words key={point}>{point}</Words>)
      ) : (
        <>
          <Words>
            Turn each dial to where it stood, in the turn the scale names, and zero there. Then
            write down what they show now.
          </Words>
          {AXES.map((axis) => {
            const found = recovery.axes[axis]
            return (
              found && (
                <Words
                  key={axis}
                  tone={found.certain && found.turns === 0 ? 'ink' : 'wrong'}
                  testID={`shift-${axis}`}
                >
                  {describeMarks(
                    axis,
                    found,
                    (nm) =>
                      `${typographic(formatLength(nm, sheet.unit, setup.solution.decimals))} ${sheet.unit}`,
                  )}
                </Words>
              )
            )
          })}
        </>
      )}
      <Caution>{words.caution}</Caution>
    </EntryFrame>
  )
}

/** Where a dial or a scale stood when zero was set. */
function wasAt(marks: HomeMarks, key: string): string {
  const mark = marks[key.charAt(0) as MachineAxis]
  return key.endsWith('dial') ? mark.dial.text : mark.coarse.text
}

function MarkLines({ marks }: { marks: HomeMarks }) {
  return (
    <Card padded>
      {AXES.map((axis) => (
        <Row key={axis} justifyContent="space-between">
          <Words strong>{axis}</Words>
          <Digits>
            dial {marks[axis].dial.text} {marks[axis].dial.unit}
          </Digits>
          <Digits>
            scale {marks[axis].coarse.text} {marks[axis].coarse.unit}
          </Digits>
        </Row>
      ))}
    </Card>
  )
}

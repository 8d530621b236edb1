import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { type LiftPlace } from '@pine/core/facts'
import { formatLength } from '@pine/core/length'
import { standingCheckOff } from '@pine/core/plan'
import { activeLift, airCutLift, mayLift } from '@pine/core/proof'
import { lowestZ } from '@pine/core/running'
import { describeCheck, LIFT_PLACE_WORDS, typographic } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/choice'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import { CheckFrame } from '../ready/check-frame'
import { EntryFrame } from '../read/entry-frame'
import { ReasonField } from './reason-field'
import type { StepProps } from '../frame/step-props'
import { NumbersEntry } from '../read/numbers-entry'
import { useNumbers } from '../read/use-numbers'
import { lengthWriter } from '../frame/write-length'

const PLACES: readonly { readonly value: LiftPlace; readonly label: string }[] = [
  { value: 'external-offset', label: 'external offset Z' },
  { value: 'work-offsets', label: 'Z of each work offset' },
  { value: 'lengths', label: 'each length' },
]

/** Everything raised for a run in air: the lift is worked out, and stays ACTIVE until it is taken out. */
export function AirCutStep({ setupId, setup, enter, onDone }: StepProps) {
  const { document, solution } = setup
  const { sheet } = document
  const { unit } = sheet
  const words = describeCheck(sheet, 'air-cut')
  const lift = activeLift(document)
  const done = standingCheckOff(document, 'air-cut')
  const [where, setWhere] = useState<LiftPlace>('external-offset')
  const numbers = useNumbers<'lowest' | 'margin'>(`lift:${setupId}`, unit, [
    { key: 'lowest', label: 'Lowest Z in the program' },
    { key: 'margin', label: 'Air beneath the tip', sign: 'positive' },
  ])
  const program = document.programs.at(-1)
  const reached = program && lowestZ(program.reading)
  const [lowest, margin] = [numbers.value('lowest'), numbers.value('margin')]
  const amount =
    lowest === undefined || margin === undefined ? undefined : airCutLift(lowest, margin)
  const checkOff = (body: object) =>
    void enter({ id: uuid(), kind: 'check-off', body: { of: 'air-cut', ...body } })
  if (lift !== undefined)
    return (
      <CheckFrame
        words={{
          ...words,
          sentence: 'Run it in air. Then take the lift out.',
          points: [
            'Every move watched: clamps, jaws, the tool change.',
            `Take ${lift.amount.text} ${lift.amount.unit} out of ${LIFT_PLACE_WORDS[lift.where]}, and look that it is gone.`,
          ],
        }}
        foot={
          <Button
            kind="act"
            focused
            testID="next"
            onPress={() => {
              const { where: place, amount: raised } = lift
              void enter({
                id: uuid(),
                kind: 'lift',
                body: { moves: 'out', where: place, amount: raised },
              })
              checkOff({ how: 'lifted' })
              onDone()
            }}
          >
            It ran clear, the lift is out
          </Button>
        }
      />
    )
  if (done !== undefined)
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <Words as="note">
          {done.leftOut === undefined ? `ran clear, ${done.by.name}` : `left out: ${done.leftOut}`}
        </Words>
      </CheckFrame>
    )
  const raise = () => {
    if (!numbers.complete() || amount === undefined) return
    void enter({
      id: uuid(),
      kind: 'lift',
      body: {
        moves: 'in',
        where,
        amount: { text: formatLength(amount, unit, solution.decimals), unit },
      },
    })
    numbers.clear()
  }
  return (
    <EntryFrame
      numbers={<NumbersEntry numbers={numbers} onSubmit={raise} />}
      problem={numbers.problem}
      {...numbers.keys}
      onNext={raise}
      next="It is in"
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {words.sentence}
      </Words>
      <Card padded gap="$1">
        <Words>Raise everything by</Words>
        <Row gap="$2" alignItems="baseline">
          <Digits as="reading" testID="lift">
            {amount === undefined ? '–' : typographic(lengthWriter(solution)(amount))}
          </Digits>
          <Digits as="lead" tone="soft">
            {unit}
          </Digits>
        </Row>
        <Words>typed into {LIFT_PLACE_WORDS[where]}.</Words>
      </Card>
      {reached !== undefined && lowest === undefined && (
        <Button
          onPress={() => {
            numbers.change(
              'lowest',
              formatLength(reached, numbers.unit, sheet.machine.control.decimals[numbers.unit]),
            )
            numbers.setActive('margin')
          }}
          testID="take-lowest"
        >
          {program?.name} goes to Z {typographic(lengthWriter(solution)(reached))} {unit}: take it
        </Button>
      )}
      <Choice
        label="Where does it go?"
        value={where}
        onChange={setWhere}
        options={PLACES.filter(({ value }) => mayLift(value, sheet))}
      />
      <Button
        onPress={() => {
          checkOff({ how: 'graphics' })
          onDone()
        }}
      >
        Seen in graphics instead
      </Button>
      <ReasonField
        offer="No air cut"
        question="Why is it left out?"
        confirm="Leave it out"
        onReason={(leftOut) => {
          checkOff({ leftOut })
          onDone()
        }}
      />
      <Caution>{words.caution}</Caution>
    </EntryFrame>
  )
}

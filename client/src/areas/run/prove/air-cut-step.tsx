import { useState } from 'react'
import { type LiftPlace } from '@pine/core/facts'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/choice'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import type { StepProps } from '../frame/step-props'
import { EntryFrame } from '../frame/entry-frame'
import { NumbersEntry } from '../frame/numbers-entry'
import { useNumbers } from '../frame/use-numbers'
import { CheckFrame } from '../frame/check-frame'
import { airCutView } from './air-cut-view'
import { ReasonField } from '@/kit/reason-field'

/** Everything raised for a run in air: the lift is worked out, and stays ACTIVE until it is taken out. */
export function AirCutStep({ setupId, setup, enter, onDone }: StepProps) {
  const { unit } = setup.document.sheet
  const [where, setWhere] = useState<LiftPlace>('external-offset')
  const numbers = useNumbers<'lowest' | 'margin'>(`lift:${setupId}`, unit, [
    { key: 'lowest', label: 'Lowest Z in the program' },
    { key: 'margin', label: 'Air beneath the tip', sign: 'positive' },
  ])
  const view = airCutView(setup, {
    where,
    unit: numbers.unit,
    lowest: numbers.value('lowest'),
    margin: numbers.value('margin'),
  })
  const { words } = view
  if (view.shows === 'raised')
    return (
      <CheckFrame
        words={words}
        foot={
          <Button
            kind="act"
            focused
            testID="next"
            onPress={() => {
              for (const said of view.facts) void enter(said)
              onDone()
            }}
          >
            It ran clear, the lift is out
          </Button>
        }
      />
    )
  if (view.shows === 'done')
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <Words as="note">{view.says}</Words>
      </CheckFrame>
    )
  const { reached, said, places, raiseBy, into } = view
  const raise = () => {
    if (!numbers.complete() || said === undefined) return
    void enter(said)
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
            {raiseBy}
          </Digits>
          <Digits as="lead" tone="soft">
            {unit}
          </Digits>
        </Row>
        <Words>typed into {into}.</Words>
      </Card>
      {reached && (
        <Button
          onPress={() => {
            numbers.change('lowest', reached.text)
            numbers.setActive('margin')
          }}
          testID="take-lowest"
        >
          {reached.offer}
        </Button>
      )}
      <Choice label="Where does it go?" value={where} onChange={setWhere} options={places} />
      <Button
        onPress={() => {
          void enter({ kind: 'check-off', body: { of: 'air-cut', how: 'graphics' } })
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
          void enter({ kind: 'check-off', body: { of: 'air-cut', leftOut } })
          onDone()
        }}
      />
      <Caution>{words.caution}</Caution>
    </EntryFrame>
  )
}

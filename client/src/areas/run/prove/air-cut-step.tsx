import { useState } from 'react'
import { type Lift, type LiftPlace } from '@pine/core/facts'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/entry/choice'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/entry/next-button'
import type { StepProps } from '../frame/step-props'
import { EntryFrame } from '../frame/entry/entry-frame'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import { useNumbers } from '../frame/entry/use-numbers'
import { CheckFrame } from '../frame/entry/check-frame'
import { ReadBackEntry } from '../key-in/read-back-entry'
import { KeyInCard } from '../key-in/key-in-card'
import { airCutView, liftKnown } from './air-cut-view'
import type { LiftRowView } from './lift-rows-view'
import { ReasonField } from '@/kit/entry/reason-field'

/** Everything raised for a run in air: the lift is worked out, and stays ACTIVE until it is taken out. */
export function AirCutStep({ setupId, setup, enter, onDone }: StepProps) {
  const { unit } = setup.document.sheet
  const [where, setWhere] = useState<LiftPlace>('external-offset')
  const numbers = useNumbers<'lowest' | 'margin'>(
    `lift:${setupId}`,
    unit,
    [
      { key: 'lowest', label: 'Lowest Z in the program' },
      { key: 'margin', label: 'Air beneath the tip', sign: 'positive' },
    ],
    liftKnown(setup),
  )
  const [begun, setBegun] = useState<Lift['moves']>()
  const view = airCutView(
    setup,
    {
      where,
      lowest: numbers.value('lowest'),
      margin: numbers.value('margin'),
    },
    begun,
  )
  if (view.shows === 'row')
    return (
      <LiftRowEntry
        key={view.row.key}
        view={view.row.view}
        draftKey={`lift:${setupId}:${view.row.key}`}
        enter={enter}
        onDown={onDone}
      />
    )
  const { words } = view
  if (view.shows === 'raised')
    return (
      <CheckFrame
        words={words}
        foot={
          <Button kind="act" focused testID="next" onPress={() => setBegun('out')}>
            It ran clear: let it down
          </Button>
        }
      />
    )
  if (view.shows === 'down')
    return (
      <CheckFrame
        words={words}
        foot={
          <Button
            kind="act"
            focused
            testID="next"
            onPress={() => {
              for (const draft of view.facts) void enter(draft)
              onDone()
            }}
          >
            The lift is out
          </Button>
        }
      />
    )
  if (view.shows === 'done')
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <Words as="note">{view.text}</Words>
      </CheckFrame>
    )
  const { lowestOf, places, raiseBy, into, rows } = view
  const raise = () => {
    if (numbers.complete()) setBegun('in')
  }
  return (
    <EntryFrame
      numbers={<NumbersEntry numbers={numbers} onSubmit={raise} />}
      problem={numbers.problem}
      {...numbers.keys}
      onNext={raise}
      next="Raise"
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
        <Words>{`In ${into}${rows.length > 1 ? ', row by row' : ''}:`}</Words>
        {rows.map((row) => (
          <Digits key={row} as="note">
            {row}
          </Digits>
        ))}
      </Card>
      {lowestOf !== undefined && <Words as="note">{lowestOf}</Words>}
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
        offer="No dry run"
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

interface LiftRowEntryProps {
  readonly view: LiftRowView['view']
  readonly draftKey: string
  readonly enter: StepProps['enter']
  /** The last row is down again. */
  readonly onDown: () => void
}

/** One row raised or let down: keyed, and read back as carefully as any other. */
function LiftRowEntry({ view, draftKey, enter, onDown }: LiftRowEntryProps) {
  const { beneath } = view
  const [shows, setShows] = useState<string>()
  return (
    <ReadBackEntry
      draftKey={draftKey}
      label={beneath.label}
      unit={view.unit}
      sheet={
        <KeyInCard view={view}>
          {shows !== undefined && (
            <Words tone="wrong" role="alert">{`It shows ${shows}: key it again.`}</Words>
          )}
        </KeyInCard>
      }
      picture={null}
      short={beneath.short}
      wasKeyed
      onEntered={(shown, way) => {
        const facts = beneath.facts(shown, way)
        for (const draft of facts) void enter(draft)
        setShows(facts.length === 0 ? `${shown.text} ${shown.unit}` : undefined)
        if (facts.some(({ kind }) => kind === 'check-off')) onDown()
      }}
    />
  )
}

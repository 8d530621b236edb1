import { useState } from 'react'
import { type Measured } from '@pine/core/facts'
import { useDraft } from '@/data/drafts'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/choice'
import { Card, Column, Line } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import type { StepProps } from '../frame/step-props'
import { ReasonField } from '@/kit/reason-field'
import { EntryFrame } from '../frame/entry-frame'
import { NumbersEntry } from '../frame/numbers-entry'
import { useNumbers } from '../frame/use-numbers'
import { CheckFrame } from '../frame/check-frame'
import { FEATURES, firstPartView, wearSays, type WearLine } from './first-part-view'

/** The first part is measured, and what has to be added to the wear is worked out. */
export function FirstPartStep({ setupId, setup, enter, onDone }: StepProps) {
  const { sheet } = setup.document
  const kept = useDraft<readonly Measured[]>(`first-part:${setupId}`, [])
  const [feature, setFeature] = useState<Measured['feature']>('outside-width')
  const [tool, setTool] = useState(String(sheet.tools[0]?.number))
  const numbers = useNumbers<'nominal' | 'measured'>(`measured:${setupId}`, sheet.unit, [
    { key: 'nominal', label: 'Should be', sign: 'positive' },
    { key: 'measured', label: 'Measured', sign: 'positive' },
  ])
  const { words, finished, lines, good } = firstPartView(setup, kept.value)
  if (finished)
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <WearLines lines={finished.lines} />
        {finished.leftOut !== '' && <Words as="note">{finished.leftOut}</Words>}
      </CheckFrame>
    )
  const here: Measured = {
    feature,
    tool: Number(tool),
    nominal: numbers.written('nominal'),
    measured: numbers.written('measured'),
  }
  const finish = (leftOut?: string) => {
    void enter({
      kind: 'check-off',
      body: {
        of: 'first-part',
        measured: [...kept.value],
        ...(leftOut !== undefined && { leftOut }),
      },
    })
    kept.clear()
    onDone()
  }
  const add = () => {
    if (!numbers.complete()) return
    kept.set([...kept.value, here])
    numbers.clear()
    numbers.setActive('nominal')
  }
  return (
    <EntryFrame
      numbers={
        <Column gap={4}>
          <NumbersEntry numbers={numbers} onSubmit={add} />
          <Words as="note" testID="wear">
            {wearSays(setup, here)}
          </Words>
        </Column>
      }
      problem={numbers.problem}
      {...numbers.keys}
      onSign={undefined}
      onNext={add}
      next="Add"
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {words.sentence}
      </Words>
      <WearLines lines={lines} />
      <Button
        kind={lines.length > 0 ? 'act' : 'quiet'}
        onPress={() => finish()}
        testID="first-part-done"
      >
        {good}
      </Button>
      <Choice label="What was measured?" value={feature} onChange={setFeature} options={FEATURES} />
      <Choice
        label="Which tool cut it?"
        value={tool}
        onChange={setTool}
        options={sheet.tools.map(({ number }) => ({
          value: String(number),
          label: `T${number}`,
        }))}
      />
      <ReasonField
        offer="No first part yet"
        question="Why is it left out?"
        confirm="Leave it out"
        onReason={finish}
      />
      <Caution>{words.caution}</Caution>
    </EntryFrame>
  )
}

function WearLines({ lines }: { readonly lines: readonly WearLine[] }) {
  if (lines.length === 0) return null
  return (
    <Card overflow="hidden">
      {lines.map(({ measured, says }, index) => (
        <Line key={index} apart first={index === 0}>
          <Words flex={1}>{measured}</Words>
          <Digits as="lead">{says}</Digits>
        </Line>
      ))}
    </Card>
  )
}

import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { type Measured } from '@pine/core/facts'
import { standingCheckOff } from '@pine/core/plan'
import { wearChange } from '@pine/core/wear'
import { describeCheck } from '@pine/core/words'
import { useDraft } from '@/data/drafts'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/choice'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import { CheckFrame } from '../ready/check-frame'
import { EntryFrame } from '../read/entry-frame'
import { ReasonField } from '../prove/reason-field'
import type { StepProps } from '../frame/step-props'
import { NumbersEntry } from '../read/numbers-entry'
import { useNumbers } from '../read/use-numbers'
import { lengthWriter } from '../frame/write-length'

const FEATURES = [
  { value: 'outside-width', label: 'width outside' },
  { value: 'inside-width', label: 'slot or bore' },
  { value: 'floor-depth', label: 'depth of a floor' },
] as const

/** The first part is measured, and what has to be added to the wear is worked out. */
export function FirstPartStep({ setupId, setup, enter, onDone }: StepProps) {
  const { document, solution } = setup
  const { sheet } = document
  const words = describeCheck(sheet, 'first-part')
  const done = standingCheckOff(document, 'first-part')
  const kept = useDraft<readonly Measured[]>(`first-part:${setupId}`, [])
  const [feature, setFeature] = useState<Measured['feature']>('outside-width')
  const [tool, setTool] = useState(String(sheet.tools[0]?.number))
  const numbers = useNumbers<'nominal' | 'measured'>(`measured:${setupId}`, sheet.unit, [
    { key: 'nominal', label: 'Should be', sign: 'positive' },
    { key: 'measured', label: 'Measured', sign: 'positive' },
  ])
  const here: Measured = {
    feature,
    tool: Number(tool),
    nominal: numbers.written('nominal'),
    measured: numbers.written('measured'),
  }
  const finish = (body: object) => {
    void enter({
      id: uuid(),
      kind: 'check-off',
      body: { of: 'first-part', measured: [...kept.value], ...body },
    })
    kept.clear()
    onDone()
  }
  if (done?.of === 'first-part')
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <WearLines measured={done.measured} setup={setup} />
        {done.leftOut !== undefined && <Words as="note">left out: {done.leftOut}</Words>}
      </CheckFrame>
    )
  const add = () => {
    if (!numbers.complete()) return
    kept.set([...kept.value, here])
    numbers.clear()
    numbers.setActive('nominal')
  }
  const change = wearChange(here, sheet)
  return (
    <EntryFrame
      numbers={
        <Column gap={4}>
          <NumbersEntry numbers={numbers} onSubmit={add} />
          <Words as="note" testID="wear">
            {change === undefined
              ? sheet.tools.some((one) => one.number === here.tool && one.diameterRegister) ||
                feature === 'floor-depth'
                ? 'What to add to the wear stands here.'
                : `T${tool} has no diameter register on the sheet: correct it in the program.`
              : `Add ${signed(lengthWriter(solution)(change.change))} ${solution.unit} to the wear of ${change.address}.`}
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
      <WearLines measured={kept.value} setup={setup} />
      <Button
        kind={kept.value.length > 0 ? 'act' : 'quiet'}
        onPress={() => finish({})}
        testID="first-part-done"
      >
        {kept.value.length > 0
          ? 'Keyed in; the part is good'
          : 'Nothing to correct; the part is good'}
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
        onReason={(leftOut) => finish({ leftOut })}
      />
      <Caution>{words.caution}</Caution>
    </EntryFrame>
  )
}

const signed = (text: string): string => (text.startsWith('\u2212') ? text : `+${text}`)

function WearLines({
  measured,
  setup: { document, solution },
}: Pick<StepProps, 'setup'> & { measured: readonly Measured[] }) {
  if (measured.length === 0) return null
  const write = lengthWriter(solution)
  return (
    <Card overflow="hidden">
      {measured.map((one, index) => {
        const change = wearChange(one, document.sheet)
        return (
          <Row
            key={index}
            justifyContent="space-between"
            minHeight="$touch"
            paddingHorizontal="$3"
            borderTopWidth={index === 0 ? 0 : 1}
            borderColor="$line"
          >
            <Words flex={1}>
              {one.measured.text} for {one.nominal.text} {one.nominal.unit}, T{one.tool}
            </Words>
            <Digits as="lead">
              {change === undefined
                ? 'by program'
                : `${change.address} ${signed(write(change.change))} ${solution.unit}`}
            </Digits>
          </Row>
        )
      })}
    </Card>
  )
}

import { useRouter } from 'expo-router'
import { useState } from 'react'
import { type Measured } from '@pine/core/facts'
import { measuresParts, measuringGauge } from '@pine/core/wear'
import { sendable } from '@/data/server/api'
import { useDraft } from '@/data/device/drafts'
import { useGauges } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Card, Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { NextButton } from '../frame/entry/next-button'
import type { StepProps } from '../frame/step-props'
import { ReasonField } from '@/kit/entry/reason-field'
import { EntryFrame } from '../frame/entry/entry-frame'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import { useNumbers, type NumberSpec } from '../frame/entry/use-numbers'
import { CheckFrame } from '../frame/entry/check-frame'
import { FEATURES, firstPartView, isBlock, measuredOf, wearSentence } from './first-part-view'
import { WearLines } from './wear-lines'

type Key = 'nominal' | 'measured' | 'upper' | 'lower' | 'second' | 'third' | `reading ${number}`

const OF_A_PART: readonly NumberSpec<Key>[] = [
  { key: 'nominal', label: 'Should be', sign: 'positive' },
  { key: 'measured', label: 'Measured', sign: 'positive' },
  { key: 'upper', label: 'Upper limit, or ±', optional: true },
  { key: 'lower', label: 'Lower limit', optional: true },
]
const OF_A_BLOCK: readonly NumberSpec<Key>[] = [
  ...OF_A_PART,
  { key: 'second', label: 'once more', sign: 'positive', optional: true },
  { key: 'third', label: 'and again', sign: 'positive', optional: true },
]

/** A block with so many further readings: a micrometer is put on as often as it takes. */
const ofABlock = (further: number): readonly NumberSpec<Key>[] => [
  ...OF_A_BLOCK,
  ...Array.from({ length: further }, (_, at): NumberSpec<Key> => {
    const key = `reading ${at + 4}` as const
    return { key, label: key, sign: 'positive', optional: true }
  }),
]

/** With nothing of the shop's: no gauge has this id. */
const NO_GAUGE = 'none'

/** The first part is measured, and what has to be added to the wear is worked out. */
export function FirstPartStep({
  setupId,
  setup,
  enter,
  onDone,
  onStep,
}: StepProps & { readonly onStep: (key: string) => void }) {
  const { sheet } = setup.document
  const kept = useDraft<readonly Measured[]>(`first-part:${setupId}`, [])
  const [feature, setFeature] = useState<Measured['feature']>('outside-width')
  const [tool, setTool] = useState(String(sheet.tools[0]?.number))
  const [sides, setSides] = useState<'1' | '2'>('1')
  const block = isBlock(feature)
  const { gauges = [] } = useGauges()
  const instruments = gauges.filter(measuresParts)
  const gaugeId = useDraft(`measured-with:${setupId}`, NO_GAUGE)
  const gauge = instruments.find(({ id }) => id === gaugeId.value)
  const further = useDraft(`measured-further:${setupId}`, 0)
  const specs = block ? ofABlock(further.value) : OF_A_PART
  const numbers = useNumbers<Key>(`measured:${setupId}`, sheet.unit, specs)
  const name = useDraft(`measured-name:${setupId}`, '')
  const [isSure, setIsSure] = useState(false)
  const { words, finished, lines, toKey, doubt, good, isFit } = firstPartView(setup, kept.value)
  const isLimit = numbers.active === 'upper' || numbers.active === 'lower'
  const overTime = <OverTime setupId={setupId} />
  if (finished)
    return (
      <CheckFrame words={words} foot={<NextButton onDone={onDone} />}>
        <WearLines lines={finished.lines} />
        {finished.leftOut !== '' && <Words as="note">{finished.leftOut}</Words>}
        {overTime}
      </CheckFrame>
    )
  const limit = (key: 'upper' | 'lower') =>
    numbers.isEmpty(key) ? undefined : numbers.written(key)
  const here = measuredOf({
    ...{ name: name.value, feature, tool: Number(tool), sides: sides === '1' ? 1 : 2 },
    nominal: numbers.written('nominal'),
    measured: numbers.written('measured'),
    more: specs
      .filter(({ key }) => !OF_A_PART.some((one) => one.key === key) && !numbers.isEmpty(key))
      .map(({ key }) => numbers.written(key)),
    ...{ upper: limit('upper'), lower: limit('lower') },
    instrument: gauge && measuringGauge(gauge),
  })
  const finish = (leftOut?: string) => {
    void enter({
      kind: 'check-off',
      body: {
        of: 'first-part',
        measured: sendable([...kept.value]),
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
    name.clear()
    further.clear()
    setIsSure(false)
    numbers.setActive('nominal')
  }
  return (
    <EntryFrame
      // Each feature that is added begins at the top again: what comes of it stands there.
      key={kept.value.length}
      numbers={
        <Column gap={4}>
          <NumbersEntry numbers={numbers} onSubmit={add} />
          <Words as="note" testID="wear">
            {wearSentence(setup, here)}
          </Words>
        </Column>
      }
      problem={numbers.problem}
      {...numbers.keys}
      onSign={isLimit ? numbers.keys.onSign : undefined}
      onNext={add}
      next="Add"
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {words.sentence}
      </Words>
      <WearLines lines={lines} />
      {(toKey === undefined || isFit) && (
        <Button
          kind={lines.length > 0 ? 'act' : 'quiet'}
          onPress={() => finish()}
          testID="first-part-done"
        >
          {good}
        </Button>
      )}
      {toKey?.shared.map((line) => (
        <Words key={line} as="note">
          {line}
        </Words>
      ))}
      {toKey !== undefined && doubt !== undefined && !isSure && (
        <Card padded tone="wrong" role="alert" testID="far-measured">
          <Words tone="wrong">{doubt.words}</Words>
          <Button onPress={() => kept.set(doubt.others)}>Take it out</Button>
          <Button kind="plain" onPress={() => setIsSure(true)}>
            Measured again: it is so
          </Button>
        </Card>
      )}
      {toKey !== undefined && (doubt === undefined || isSure) && (
        <Button
          kind={isFit ? 'quiet' : 'act'}
          onPress={() => {
            for (const draft of toKey.facts) void enter(draft)
            kept.clear()
            onStep(toKey.step)
          }}
          testID="key-corrections"
        >
          {toKey.text}
        </Button>
      )}
      <Choice label="What was measured?" value={feature} onChange={setFeature} options={FEATURES} />
      <Field
        label="What the drawing calls it"
        value={name.value}
        onChange={name.set}
        hint="left wall"
        testID="feature-name"
      />
      <Choice
        label="Which tool cut it?"
        value={tool}
        onChange={setTool}
        options={sheet.tools.map(({ number }) => ({
          value: String(number),
          label: `T${number}`,
        }))}
      />
      {instruments.length > 0 && (
        <Choice
          label="Measured with"
          value={gaugeId.value}
          onChange={gaugeId.set}
          options={[
            ...instruments.map(({ id, name }) => ({ value: id, label: name })),
            { value: NO_GAUGE, label: 'something else' },
          ]}
          note="Its uncertainty decides whether a size near the limit is fit."
        />
      )}
      {block && (
        <Choice
          label="From how many sides did it cut the block?"
          value={sides}
          onChange={setSides}
          options={[
            { value: '1', label: 'one' },
            { value: '2', label: 'two' },
          ]}
        />
      )}
      {block && (
        <Button
          kind="plain"
          onPress={() => {
            further.set(further.value + 1)
            numbers.setActive(`reading ${further.value + 4}`)
          }}
          testID="another-reading"
        >
          Another reading
        </Button>
      )}
      {overTime}
      <NotCleanedUp setupId={setupId} />
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

/** The first facing pass left raw spots: that is Z of the row or the sheet, and no tool's length. */
function NotCleanedUp({ setupId }: { readonly setupId: string }) {
  const router = useRouter()
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <Button kind="plain" onPress={() => setOpen(true)} testID="not-cleaned-up">
        The first pass did not clean up
      </Button>
    )
  return (
    <Card padded tone="wrong" role="note">
      <Words tone="wrong" strong>
        The stock top stands lower than its row says, or the facing is missing. It is Z of the work
        offset, never H: every tool is off by as much.
      </Words>
      <Words>
        Do not guess a number: touch the stock top again (Changed?: another part is in), or put the
        facing on the sheet right. All registers that follow are keyed and proven again.
      </Words>
      <Button
        onPress={() => router.push({ pathname: '/setups/sheet', params: { id: setupId } })}
        testID="to-the-sheet"
      >
        To the facing on the sheet
      </Button>
    </Card>
  )
}

/** What was measured of this job's parts before, as curves. */
function OverTime({ setupId }: { readonly setupId: string }) {
  const router = useRouter()
  return (
    <Button
      kind="plain"
      onPress={() => router.push({ pathname: '/setups/first-parts', params: { id: setupId } })}
      testID="first-parts"
    >
      This job’s parts over time
    </Button>
  )
}

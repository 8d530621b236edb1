import { memo, useCallback, useState } from 'react'
import { ScrollView, useMedia, View } from 'tamagui'
import { type Chain } from '@pine/core/chain'
import { standingReadings } from '@pine/core/freshness'
import { asksForSpindle } from '@pine/core/plan'
import { quantityKey, type QuantityName } from '@pine/core/quantities'
import { isRemark } from '@pine/core/registers'
import { repeatSpread } from '@pine/core/sources'
import { describeStep } from '@pine/core/words'
import type { NewFact } from '@pine/contract'
import type { StandingSetup } from '@/data/setups'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Overlay } from '@/kit/overlay'
import { ReadingField } from '@/kit/reading-field'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { EntryFrame } from './entry-frame'
import { betweenWords, GaugesBetween, ZeroedOn } from './circumstances'
import { ImpliedLine } from './implied-line'
import { Reviewed } from './reviewed'
import { SpindleChoice, SpindleQuestion, type SpindleAsked } from './spindle-question'
import { StepPicture } from './step-picture'
import { StepWarnings } from './step-warnings'
import { NumbersEntry } from './numbers-entry'
import { isDifference } from './reading-draft'
import { useReading } from './use-reading'

export interface ReadingStepProps {
  readonly setupId: string
  readonly setup: StandingSetup
  readonly quantity: QuantityName
  readonly enter: (fact: NewFact) => Promise<void>
  readonly onDone: () => void
  readonly onTrace: (title: string, chain: Chain) => void
}

/** One reading: the picture, the sentence, the caution, the number, what it means, and the keys. */
export function ReadingStep({
  setupId,
  setup,
  quantity,
  enter,
  onDone,
  onTrace,
}: ReadingStepProps) {
  const { wide } = useMedia()
  const reading = useReading(setupId, setup, quantity)
  const { draft, numbers, standing, preview, solution, warnings } = reading
  const [insisted, setInsisted] = useState(false)
  const [again, setAgain] = useState(false)
  const [choosing, setChoosing] = useState(false)
  const [spindleAsked, setSpindleAsked] = useState<SpindleAsked>()
  const choose = useCallback(() => setChoosing(true), [])
  const words = describeStep(preview, quantity, draft.with)
  // What no longer holds is read again at once: the earlier reading gives way by itself.
  const stale = setup.steps.some(
    ({ step, trust }) => step.key === quantityKey(quantity) && trust === 'stale',
  )
  const reviewing = standing.length > 0 && !reading.started && !again && !stale

  const disagrees =
    warnings.some((warning) => !isRemark(warning)) || reading.implied?.size?.agrees === false
  const submit = () => {
    const fact = reading.finish()
    if (fact === undefined) return
    // What disagrees is looked at twice before it is entered; it may still be what was read.
    if (disagrees && !insisted) return setInsisted(true)
    void enter(fact)
    reading.clear()
    onDone()
  }
  const picture = (
    <StepPicture
      quantity={quantity}
      preview={preview}
      solution={solution}
      using={draft.with}
      onTrace={onTrace}
    />
  )
  const sentence = <Sentence>{words.sentence}</Sentence>
  if (reviewing)
    return (
      <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}>
        {wide && sentence}
        {picture}
        {!wide && sentence}
        <Reviewed
          standing={standing}
          onNext={onDone}
          onRepeat={() => setAgain(true)}
          onReplace={(reason) => {
            reading.change({ replaces: reason })
            setAgain(true)
          }}
        >
          <ImpliedLine
            implied={reading.implied}
            solution={solution}
            spread={spreadOf(preview, quantity)}
            onTrace={onTrace}
          />
        </Reviewed>
      </ScrollView>
    )

  const problem = reading.problem !== undefined && (
    <Words id="reading-problem" as="note" tone="wrong" role="alert">
      {reading.problem}
    </Words>
  )
  const aside = betweenWords(reading, quantity)
  const label = fieldLabel(words.field, stale ? 0 : standing.length, draft.replaces)
  const field =
    numbers.boxes.length === 1 ? (
      <ReadingField
        label={label}
        {...(aside !== '' && { aside })}
        onAside={choose}
        focusKey={words.title}
        value={numbers.boxes[0]?.value ?? ''}
        unit={numbers.unit}
        onChange={(text) => {
          setInsisted(false)
          numbers.change('read', text)
        }}
        onSubmit={submit}
        wrong={reading.problem !== undefined}
        describedBy="reading-problem"
      />
    ) : (
      <Column gap={2}>
        {aside !== '' && (
          <Row justifyContent="space-between">
            <Words as="note">{quantity.of === 'sweep' ? 'At the sweep' : label}</Words>
            <Button kind="plain" onPress={choose}>
              {aside}
            </Button>
          </Row>
        )}
        <NumbersEntry numbers={numbers} onSubmit={submit} />
      </Column>
    )
  const circumstances = (
    <>
      {stale && (
        <Words as="note" tone="wrong" strong>
          The earlier reading no longer holds: read it again.
        </Words>
      )}
      {isDifference(quantity) && <ZeroedOn reading={reading} quantity={quantity} />}
      {asksForSpindle(preview, quantity) && (
        <SpindleQuestion reading={reading} onAsk={setSpindleAsked} />
      )}
    </>
  )
  const lookedUp = choosing ? (
    <Overlay onClose={() => setChoosing(false)}>
      <GaugesBetween reading={reading} quantity={quantity} onClose={() => setChoosing(false)} />
    </Overlay>
  ) : (
    spindleAsked && (
      <Overlay onClose={() => setSpindleAsked(undefined)}>
        <SpindleChoice
          reading={reading}
          asked={spindleAsked}
          onClose={() => setSpindleAsked(undefined)}
        />
      </Overlay>
    )
  )
  const implied = (
    <>
      <ImpliedLine
        implied={reading.complete || standing.length > 0 ? reading.implied : undefined}
        solution={solution}
        {...lastTime(preview, quantity)}
        spread={spreadOf(preview, quantity)}
        onTrace={onTrace}
      />
      <StepWarnings warnings={warnings} solution={solution} />
      {insisted && disagrees && (
        <Words as="note" tone="wrong" strong role="alert">
          This disagrees. Look again; Next once more enters it as it is.
        </Words>
      )}
    </>
  )

  if (wide)
    return (
      <ScrollView flex={1} contentContainerStyle={{ padding: 24, gap: 14 }}>
        {sentence}
        {picture}
        <Row gap="$4" alignItems="stretch">
          <View flex={1.4}>{field}</View>
          <Card padded flex={1} justifyContent="center">
            {implied}
          </Card>
        </Row>
        {problem}
        <Row justifyContent="space-between" alignItems="flex-end" flexWrap="wrap">
          <View>{circumstances}</View>
          <Button kind="act" onPress={submit} testID="next">
            Next (Enter)
          </Button>
        </Row>
        <Caution>{words.caution}</Caution>
        {lookedUp}
      </ScrollView>
    )
  return (
    <>
      <EntryFrame
        numbers={
          <>
            {field}
            {problem}
            {implied}
          </>
        }
        {...numbers.keys}
        onNext={submit}
        next="Next"
      >
        {picture}
        {sentence}
        {/* What has to be answered comes first: without it there is no sign. */}
        {circumstances}
        <Caution>{words.caution}</Caution>
      </EntryFrame>
      {lookedUp}
    </>
  )
}

/** What to do, in one sentence: the same while a number is typed. */
const Sentence = memo(function Sentence({ children }: { children: string }) {
  const { wide } = useMedia()
  return (
    <Words
      as="sentence"
      role="heading"
      aria-level={1}
      fontSize={wide ? 26 : 21}
      lineHeight={wide ? 32 : 26}
    >
      {children}
    </Words>
  )
})

/** The field says when its number will stand beside, or in place of, another. */
function fieldLabel(field: string, standing: number, replaces: string | undefined): string {
  const short = field.replace(' at contact', '')
  if (replaces !== undefined) return `${short}, in place of the last`
  return standing > 0 ? `${short}, once more` : field
}

function spreadOf(document: StandingSetup['document'], quantity: QuantityName) {
  const last = standingReadings(document, quantity).at(-1)
  return last && repeatSpread(document, last)
}

/** What the tool measured last time, where it has not been taken from its holder since. */
function lastTime({ sheet }: StandingSetup['document'], quantity: QuantityName) {
  const last =
    quantity.of === 'tip-on-plane'
      ? sheet.tools.find(({ number }) => number === quantity.tool)?.lastLength
      : undefined
  return last ? { lastTime: `${last.text} ${last.unit}` } : {}
}

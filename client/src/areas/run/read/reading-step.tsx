import { useCallback, useState } from 'react'
import { useMedia, View } from '@tamagui/core'
import type { Address } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import { canBeTaken } from '@pine/core/plan'
import { type QuantityName } from '@pine/core/quantities'
import { useReportingMachine } from '@/data/shop/agent'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Overlay } from '@/kit/frame/overlay'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { StepProps } from '../frame/step-props'
import { EntryFrame } from '../frame/entry/entry-frame'
import { UnderOwnHeading } from './circumstances/under-own-heading'
import { CaptureBefore, CaptureChecked, CaptureResult } from './position/captured'
import { ZeroedOn } from './circumstances/circumstances'
import { ContactQuestion } from './circumstances/contact-question'
import { ImpliedLine } from './implied-line'
import { LookedUp, type OpenQuestion } from './open-question'
import { ReadingNumber } from './reading-number'
import { Reviewed } from './reviewed'
import { RuleEntry } from './rule-entry'
import { Sentence } from './sentence'
import { SpindleQuestion } from './circumstances/spindle-question'
import { StepPicture } from './step-picture'
import { TakeIt } from './position/take-it'
import { StepWarnings } from './step-warnings'
import { TOUCHED_AGAIN, useReading } from './use-reading'

export interface ReadingStepProps extends Omit<StepProps, 'onDone'> {
  /** @param keyed the register that was keyed with the reading. */
  readonly onDone: (keyed?: Address) => void
  readonly quantity: QuantityName
  /** What was read is read once more at once, and not looked at first. */
  readonly startsAgain?: boolean
  readonly onTrace: (title: string, chain: Chain) => void
}

/** One reading: the picture, the sentence, the caution, the number, what it means, and the keys. */
export function ReadingStep({
  setupId,
  setup,
  quantity,
  startsAgain = false,
  enter,
  onDone,
  onTrace,
}: ReadingStepProps) {
  const { wide, small } = useMedia()
  const [insisted, setInsisted] = useState(false)
  const [again, setAgain] = useState(startsAgain)
  const reading = useReading(setupId, setup, quantity, again)
  const machineId = useReportingMachine(setup.sheetAsWritten)
  const { draft, numbers, view, preview, solution } = reading
  const { words, standing, disagrees, spread } = view
  const [question, setQuestion] = useState<OpenQuestion>()
  const [ruling, setRuling] = useState(false)
  const choose = useCallback(() => setQuestion('gauges'), [])
  const place = useCallback(() => setQuestion('position'), [])
  const submit = (twice = false) => {
    const finished = reading.finish(insisted && view.surprise ? TOUCHED_AGAIN : undefined, twice)
    if (finished === undefined) return
    if (view.apart !== undefined) return setInsisted(true)
    // What the machine says against its own number is looked at twice, as a surprise is.
    if (reading.taken?.against !== undefined && !insisted) return setInsisted(true)
    // What disagrees is looked at twice before it is entered; it may still be what was read.
    if (disagrees && !insisted) return setInsisted(true)
    for (const one of finished.facts) void enter(one)
    reading.clear()
    onDone(finished.keyed)
  }
  const moved = view.moved && {
    words: view.moved.words,
    onMoved: () => {
      const finished = reading.finish(TOUCHED_AGAIN)
      if (finished === undefined || view.moved === undefined) return
      for (const one of [view.moved.draft, ...finished.facts]) void enter(one)
      reading.clear()
      onDone(finished.keyed)
    },
  }
  const picture = (
    <StepPicture
      quantity={quantity}
      preview={reading.drawn.document}
      solution={reading.drawn.solution}
      using={draft.with}
      isExpected={reading.drawn.document !== preview}
      onTrace={onTrace}
    />
  )
  const sentence = <Sentence>{words.sentence}</Sentence>
  if (view.reviewing)
    return (
      <Scroll
        label="the touch"
        flex={1}
        contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}
      >
        {wide && sentence}
        {picture}
        {!wide && sentence}
        <Reviewed
          standing={standing}
          onNext={() => onDone()}
          onRepeat={() => setAgain(true)}
          onReplace={(reason) => {
            reading.change({ replaces: reason })
            setAgain(true)
          }}
        >
          <ImpliedLine
            implied={view.implied}
            solution={solution}
            spread={spread}
            onTrace={onTrace}
          />
        </Reviewed>
      </Scroll>
    )

  const problem = reading.problem !== undefined && (
    <Words id="reading-problem" as="note" tone="wrong" role="alert">
      {reading.problem}
    </Words>
  )
  const { captured } = view
  const field = (
    <ReadingNumber
      reading={reading}
      quantity={quantity}
      onPlace={place}
      onChoose={choose}
      onTyped={() => setInsisted(false)}
      onSubmit={() => submit()}
    />
  )
  const circumstances = (
    <>
      {view.stale && (
        <Words as="note" tone="wrong" strong>
          The earlier reading no longer holds: read it again.
        </Words>
      )}
      {view.zeroesCounter !== undefined && <Caution>{view.zeroesCounter}</Caution>}
      {view.asksZeroedOn && <ZeroedOn reading={reading} quantity={quantity} />}
      {view.cycle && <ContactQuestion reading={reading} cycle={view.cycle} />}
      {view.asksSpindle && (
        <SpindleQuestion reading={reading} quantity={quantity} onAsk={setQuestion} />
      )}
    </>
  )
  const takeIt = machineId !== undefined && canBeTaken(quantity) && !captured && (
    <TakeIt
      setup={setup}
      quantity={quantity}
      reading={reading}
      machineId={machineId}
      insisted={insisted}
      onAsk={() => setInsisted(false)}
      onTaken={() => submit()}
    />
  )
  const captureResult = captured && <CaptureResult captured={captured} />
  const ruleEntry = ruling && quantity.of === 'tip-on-plane' && (
    <Overlay onClose={() => setRuling(false)}>
      <RuleEntry
        sheet={setup.sheetAsWritten}
        tool={quantity.tool}
        enter={enter}
        onClose={() => setRuling(false)}
      />
    </Overlay>
  )
  const lookedUp = question && (
    <LookedUp
      setup={setup}
      reading={reading}
      quantity={quantity}
      question={question}
      onClose={() => setQuestion(undefined)}
    />
  )
  const implied = (
    <>
      {/* Beneath the number itself: on a small phone all else has scrolled away. */}
      {view.unplaced !== undefined && (
        <Words as="note" tone="wrong" strong>
          {view.unplaced}
        </Words>
      )}
      {view.disputed !== undefined && (
        <Words as="note" tone="wrong" strong testID="disputed">
          {view.disputed}
        </Words>
      )}
      {captured?.axisAt !== undefined ? (
        <CaptureChecked axisAt={captured.axisAt} onReadAxis={reading.readAxis} />
      ) : captured !== undefined && !view.asksForRule ? (
        <CaptureBefore expected={view.expected} onReadAxis={reading.readAxis} />
      ) : (
        <ImpliedLine
          implied={captured === undefined ? view.implied : undefined}
          solution={solution}
          lastTime={view.lastTime}
          expected={view.expected}
          onRule={view.asksForRule ? () => setRuling(true) : undefined}
          spread={spread}
          onTrace={onTrace}
        />
      )}
      <StepWarnings
        warnings={view.warnings}
        solution={solution}
        row={captured?.name}
        surprise={view.halfTyped && !insisted ? undefined : view.surprise}
      />
      {view.mayRepeat && !view.disagrees && reading.taken === undefined && (
        <Button kind="plain" onPress={() => submit(true)} testID="same-again">
          Backed off, again: same
        </Button>
      )}
      {insisted && view.apart !== undefined && (
        <UnderOwnHeading
          words={view.apart}
          onAgain={() => numbers.clear()}
          onCounts={() => reading.change({ replaces: 'touched again', surprise: TOUCHED_AGAIN })}
          moved={moved}
        />
      )}
      {insisted && disagrees && view.apart === undefined && (
        <Words as="note" tone="wrong" strong role="alert">
          {view.ifItIsSo}
        </Words>
      )}
    </>
  )

  if (wide)
    return (
      <Scroll label="the touch" flex={1} contentContainerStyle={{ padding: 24, gap: 14 }}>
        {sentence}
        {picture}
        {captureResult}
        <Row gap="$4" alignItems="stretch">
          <View flex={1.4} gap="$2">
            {field}
            {takeIt}
          </View>
          <Card padded flex={1} justifyContent="center">
            {implied}
          </Card>
        </Row>
        {problem}
        <Row justifyContent="space-between" alignItems="flex-end" flexWrap="wrap">
          {/* No wider than the line: a long sentence would run out of the page, unread. */}
          <View flexShrink={1} maxWidth="100%">
            {circumstances}
          </View>
          <Button kind="act" onPress={() => submit()} testID="next">
            Next (Enter)
          </Button>
        </Row>
        <Caution>{words.caution}</Caution>
        {lookedUp}
        {ruleEntry}
      </Scroll>
    )
  return (
    <>
      <EntryFrame
        numbers={
          <>
            {captureResult}
            {field}
            {takeIt}
            {problem}
            {implied}
          </>
        }
        {...numbers.keys}
        onNext={() => submit()}
        next="Next"
      >
        {small && sentence}
        {picture}
        {!small && sentence}
        {/* What has to be answered comes first: without it there is no sign. */}
        {circumstances}
        <Caution>{words.caution}</Caution>
      </EntryFrame>
      {lookedUp}
      {ruleEntry}
    </>
  )
}

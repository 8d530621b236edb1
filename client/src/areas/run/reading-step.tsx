import { useState } from 'react'
import { ScrollView, useMedia, View } from 'tamagui'
import {
  axisOfFace,
  describeApproach,
  describeStep,
  ladderOf,
  planViewOf,
  sideOf,
  type Chain,
  type QuantityName,
} from '@pine/core'
import type { NewFact } from '@pine/contract'
import type { StandingSetup } from '@/data/setups'
import { LadderDrawing } from '@/drawings/ladder-drawing'
import { PlanDrawing } from '@/drawings/plan-drawing'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Keypad } from '@/kit/keypad'
import { Overlay } from '@/kit/overlay'
import { ReadingField } from '@/kit/reading-field'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { betweenWords, GaugesBetween, ZeroedOn } from './circumstances'
import { ImpliedLine } from './implied-line'
import { Reviewed } from './reviewed'
import { isDifference, useReading } from './use-reading'
import { lengthWriter } from './write-length'

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
  const { draft, standing, preview, solution } = reading
  const [again, setAgain] = useState(false)
  const [choosing, setChoosing] = useState(false)
  const words = describeStep(preview, quantity, draft.with)
  const reviewing = standing.length > 0 && !reading.started && !again

  const submit = () => {
    const fact = reading.finish()
    if (fact === undefined) return
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
      height={wide ? 330 : isDifference(quantity) ? 168 : 190}
      onTrace={onTrace}
    />
  )
  const sentence = (
    <Words
      as="sentence"
      role="heading"
      aria-level={1}
      fontSize={wide ? 26 : 21}
      lineHeight={wide ? 32 : 26}
    >
      {words.sentence}
    </Words>
  )
  if (reviewing)
    return (
      <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}>
        {wide && sentence}
        <Card>{picture}</Card>
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
          <ImpliedLine implied={reading.implied} solution={solution} onTrace={onTrace} />
        </Reviewed>
      </ScrollView>
    )

  const problem = reading.problem !== undefined && (
    <Words id="reading-problem" as="note" tone="wrong" role="alert">
      {reading.problem}
    </Words>
  )
  const field = (
    <ReadingField
      label={fieldLabel(words.field, standing.length, draft.replaces)}
      aside={{ text: betweenWords(reading, quantity), onPress: () => setChoosing(true) }}
      focusKey={words.title}
      value={draft.text}
      unit={draft.unit}
      onChange={(text) => reading.change({ text })}
      onSubmit={submit}
      wrong={reading.problem !== undefined}
      describedBy="reading-problem"
    />
  )
  const zeroed = isDifference(quantity) && <ZeroedOn reading={reading} quantity={quantity} />
  const gauges = choosing && (
    <Overlay onClose={() => setChoosing(false)}>
      <GaugesBetween reading={reading} quantity={quantity} onClose={() => setChoosing(false)} />
    </Overlay>
  )
  const implied = (
    <ImpliedLine
      implied={draft.text === '' && standing.length === 0 ? undefined : reading.implied}
      solution={solution}
      onTrace={onTrace}
    />
  )

  if (wide)
    return (
      <ScrollView flex={1} contentContainerStyle={{ padding: 24, gap: 14 }}>
        {sentence}
        <Card>{picture}</Card>
        <Row gap="$4" alignItems="stretch">
          <View flex={1.4}>{field}</View>
          <Card padded flex={1} justifyContent="center">
            {implied}
          </Card>
        </Row>
        {problem}
        <Row justifyContent="space-between" alignItems="flex-end" flexWrap="wrap">
          <View>{zeroed}</View>
          <Button kind="act" onPress={submit} testID="next">
            Next (Enter)
          </Button>
        </Row>
        <Caution>{words.caution}</Caution>
        {gauges}
      </ScrollView>
    )
  return (
    <View flex={1} minHeight={0}>
      <ScrollView flex={1} contentContainerStyle={{ padding: 12, paddingTop: 6, gap: 6 }}>
        <Card>{picture}</Card>
        {sentence}
        <Caution>{words.caution}</Caution>
        {zeroed}
      </ScrollView>
      <Column paddingHorizontal="$3" paddingTop="$1" paddingBottom="$2" gap={4}>
        {field}
        {problem}
        {implied}
      </Column>
      <Keypad
        onType={reading.type}
        onDelete={reading.erase}
        onSign={reading.turnSign}
        onUnit={reading.turnUnit}
        onNext={submit}
        next="Next"
      />
      {gauges}
    </View>
  )
}

/** The field says when its number will stand beside, or in place of, another. */
function fieldLabel(field: string, standing: number, replaces: string | undefined): string {
  const short = field.replace(' at contact', '')
  if (replaces !== undefined) return `${short}, in place of the last`
  return standing > 0 ? `${short}, once more` : field
}

interface StepPictureProps extends Pick<ReadingStepProps, 'quantity' | 'onTrace'> {
  readonly preview: StandingSetup['document']
  readonly solution: StandingSetup['solution']
  readonly using: readonly string[]
  readonly height: number
}

/** Heights for a touch in Z, the part from above for a face. */
function StepPicture({ quantity, preview, solution, using, height, onTrace }: StepPictureProps) {
  const offset =
    quantity.of === 'face'
      ? preview.sheet.offsets.find(({ row }) => row === quantity.row)
      : undefined
  if (quantity.of !== 'face' || offset === undefined)
    return (
      <LadderDrawing
        ladder={ladderOf(preview, solution, quantity, using)}
        unit={solution.unit}
        decimals={solution.decimals}
        height={height}
        onTrace={onTrace}
      />
    )
  const axis = axisOfFace(quantity.face)
  const size = solution.sizes.find((one) => one.row === quantity.row && one.axis === axis)
  const write = lengthWriter(solution)
  return (
    <PlanDrawing
      plan={planViewOf(preview, solution, offset, { face: quantity.face, with: using })}
      height={height}
      approach={describeApproach(quantity.face, sideOf(offset[axis]))}
      size={size && { text: write(size.implied), agrees: size.agrees, axis }}
    />
  )
}

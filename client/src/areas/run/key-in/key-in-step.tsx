import { useState } from 'react'
import { styled, useMedia } from '@tamagui/core'
import { type Chain } from '@pine/core/chain'
import { type Register } from '@pine/core/registers'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { Button } from '@/kit/button'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Column } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/entry/next-button'
import { StepAfter } from '../frame/beside/step-after'
import type { StepProps } from '../frame/step-props'
import { ReasonField } from '@/kit/entry/reason-field'
import { KeyInCard } from './key-in-card'
import { keyInView, type Beneath, type Pressed, type Unless } from './key-in-view'
import { Mismatch } from './mismatch'
import { ReadBackEntry } from './read-back-entry'
import { RegisterPicture } from './register-picture'

export interface KeyInStepProps extends StepProps {
  readonly register: Register
  readonly onLater: () => void
  readonly onStep: (key: string) => void
  readonly onTrace: (title: string, chain: Chain) => void
}

/** One register: what to type, then what the control shows. A mismatch is explained. */
export function KeyInStep(props: KeyInStepProps) {
  const { setupId, setup, register, enter, onDone, onTrace } = props
  const { wide } = useMedia()
  const [pressed, setPressed] = useState<Pressed>({})
  const view = keyInView(setup, register, pressed)
  // Its readings come first: the run leads there instead.
  if (view === undefined || register.chain === undefined) return null
  const { address, chain } = register
  const { beneath } = view
  const press = (more: Pressed) => setPressed({ ...pressed, ...more })
  const card = (
    <KeyInCard view={view} onTrace={() => onTrace(view.name, chain)}>
      {beneath.of === 'ask' && beneath.unless !== undefined && (
        <UnlessButton {...beneath.unless} onPress={press} />
      )}
    </KeyInCard>
  )
  if (beneath.of === 'ask')
    return (
      <ReadBackEntry
        key={`${beneath.moment}${pressed.again ?? ''}`}
        draftKey={`read-back:${setupId}:${address}:${beneath.moment}`}
        label={beneath.label}
        unit={setup.solution.unit}
        sheet={card}
        picture={<RegisterPicture setup={setup} address={address} />}
        short={beneath.short}
        wasKeyed={beneath.moment === 'after' && pressed.again !== 'look'}
        onEntered={(shown, way) => {
          for (const draft of beneath.facts(shown, way)) void enter(draft)
          // What was read before it is keyed is followed by the keying itself.
          setPressed(beneath.moment === 'before' ? { ...pressed, rowDiffers: false } : {})
          if (beneath.isRight(shown)) onDone()
        }}
      />
    )
  return (
    <Scroll
      label="what was keyed"
      flex={1}
      contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}
    >
      {card}
      <RowHolds {...props} beneath={beneath} onPress={press} />
      <StepAfter />
    </Scroll>
  )
}

/** What is told holds only while something is so: one press where it is not. */
const UnlessButton = ({
  text,
  pressed,
  onPress,
}: Unless & { readonly onPress: (pressed: Pressed) => void }) => (
  <Button kind="plain" onPress={() => onPress(pressed)} testID="not-so">
    {text}
  </Button>
)

interface WhatStandsProps extends KeyInStepProps {
  readonly beneath: Exclude<Beneath, { of: 'ask' }>
  readonly onPress: (pressed: Pressed) => void
}

/** What stands beneath the number: it no longer holds, it differs, or it was read back equal. */
function RowHolds({ beneath, onPress, ...props }: WhatStandsProps) {
  const { setup, register, enter, onDone, onLater, onStep } = props
  const enterOne = (draft: FactDraft) => void enter(draft)
  switch (beneath.of) {
    case 'stale': {
      const { why, again, accept } = beneath
      return (
        <>
          <Card padded tone="wrong" role="alert" testID="stale">
            <Words as="title" tone="wrong">
              It no longer holds.
            </Words>
            <Words>{why}</Words>
          </Card>
          <Footing>
            {again && (
              <Button kind="act" onPress={() => onStep(again.key)}>
                Read again: {again.name}
              </Button>
            )}
            <ReasonField
              offer="It is still good"
              question="How do you know that it is still good?"
              confirm="Accept it as it is"
              onReason={(reason) => enterOne(accept(reason))}
            />
          </Footing>
        </>
      )
    }
    case 'mismatch':
      return (
        <>
          <Mismatch register={register} setup={setup} />
          <Footing>
            <Button
              kind="act"
              focused
              onPress={() => onPress({ again: 'key' })}
              testID="keyed-again"
            >
              Key it again
            </Button>
            <Button onPress={() => onPress({ again: 'look' })} testID="looked-again">
              I misread it: read the row again
            </Button>
            <Button onPress={onLater}>Leave it open, go on</Button>
          </Footing>
        </>
      )
    case 'equal':
      return (
        <>
          <Card padded tone="read">
            <Words as="lead" strong>
              {beneath.text}
            </Words>
            {beneath.accepted !== undefined && <Words as="note">{beneath.accepted}</Words>}
            <Digits as="number">{beneath.shown}</Digits>
            {beneath.way !== undefined && <Words as="note">{beneath.way}</Words>}
          </Card>
          <Footing>
            <Button onPress={() => onPress({ again: 'look' })}>Read it back again</Button>
            <NextButton onDone={onDone} />
          </Footing>
        </>
      )
  }
}

/** What to do, at the lower edge where the thumb is. */
const Footing = styled(Column, {
  name: 'Footing',
  flexGrow: 1,
  justifyContent: 'flex-end',
  $wide: { flexGrow: 0 },
})

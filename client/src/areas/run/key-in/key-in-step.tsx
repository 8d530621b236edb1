import { useState, type ReactNode } from 'react'
import Volume2 from 'lucide-react-native/icons/volume-2'
import { styled, useMedia } from '@tamagui/core'
import { type Chain } from '@pine/core/chain'
import { type Register } from '@pine/core/registers'
import type { Said } from '@/data/outbox/said'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Scroll } from '@/kit/scroll'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import { NextButton } from '../frame/next-button'
import { StepAfter } from '../frame/step-after'
import type { StepProps } from '../frame/step-props'
import { ReasonField } from '@/kit/reason-field'
import {
  keyInView,
  type Beneath,
  type KeyInNote,
  type KeyInView,
  type Pressed,
  type Unless,
} from './key-in-view'
import { Mismatch } from './mismatch'
import { ReadBackEntry } from './read-back-entry'
import { RegisterPicture } from './register-picture'
import { canSpeak, speakNumber } from './speak'

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
          for (const said of beneath.facts(shown, way)) void enter(said)
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
      <WhatStands {...props} beneath={beneath} onPress={press} />
      <StepAfter />
    </Scroll>
  )
}

/** What is typed, how, and what has to be minded. */
function KeyInCard({
  view,
  onTrace,
  children,
}: {
  readonly view: KeyInView
  readonly onTrace: () => void
  readonly children: ReactNode
}) {
  const roles = useRoles()
  const { name, type, unit, key, row, was, notes, mind, change } = view
  return (
    <Card padded gap="$1">
      <Row justifyContent="space-between" alignItems="baseline">
        <Words as="sentence" role="heading" aria-level={1}>
          {name}
        </Words>
        <Button kind="plain" onPress={onTrace} label={`where ${name} comes from`}>
          how it came
        </Button>
      </Row>
      {was !== undefined && (
        <Digits as="lead" tone="soft" testID="was">
          it was {was}
        </Digits>
      )}
      {key === undefined ? null : 'first' in key ? (
        <Words as="lead">{key.first}</Words>
      ) : (
        <Words>
          Type this, then the key that <Words strong>{key.does}</Words> ({key.not})
        </Words>
      )}
      {notes.map((note) => (
        <Note key={note.words} {...note} />
      ))}
      {type !== undefined && (
        <Row alignItems="baseline" gap="$2">
          <Digits as="reading" fontSize={46} lineHeight={54} testID="to-type">
            {type}
          </Digits>
          <Digits as="lead" tone="soft">
            {unit}
          </Digits>
          {canSpeak() && (
            <Button kind="plain" label={`read ${name} out`} onPress={() => speakNumber(type, unit)}>
              <Volume2 size={24} color={roles.act} aria-hidden />
            </Button>
          )}
        </Row>
      )}
      {mind !== undefined && <Caution>{mind}</Caution>}
      {row !== undefined && (
        <Words>
          Only if the row shows <Digits fontWeight="700">{row}</Digits> now
        </Words>
      )}
      {change !== undefined && (
        <Digits as="note" tone="soft">
          {change}
        </Digits>
      )}
      {children}
    </Card>
  )
}

/** What is told holds only while something is so: one press where it is not. */
const UnlessButton = ({
  says,
  pressed,
  onPress,
}: Unless & { readonly onPress: (pressed: Pressed) => void }) => (
  <Button kind="plain" onPress={() => onPress(pressed)} testID="not-so">
    {says}
  </Button>
)

const Note = ({ words, holds }: KeyInNote) =>
  holds === 'digits' ? (
    <Digits as="note">{words}</Digits>
  ) : (
    <Words
      as={holds === 'conflict' ? 'body' : 'note'}
      tone={holds === 'conflict' ? 'wrong' : 'soft'}
      strong={holds === 'warning' || holds === 'conflict'}
    >
      {words}
    </Words>
  )

interface WhatStandsProps extends KeyInStepProps {
  readonly beneath: Exclude<Beneath, { of: 'ask' }>
  readonly onPress: (pressed: Pressed) => void
}

/** What stands beneath the number: it no longer holds, it differs, or it was read back equal. */
function WhatStands({ beneath, onPress, ...props }: WhatStandsProps) {
  const { setup, register, enter, onDone, onLater, onStep } = props
  const say = (said: Said) => void enter(said)
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
              onReason={(reason) => say(accept(reason))}
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
              {beneath.says}
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

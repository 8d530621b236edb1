import { useState } from 'react'
import Volume2 from 'lucide-react-native/icons/volume-2'
import { ScrollView, styled, useMedia } from 'tamagui'
import { v7 as uuid } from 'uuid'
import { registerName } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import { nameOfReason } from '@pine/core/freshness'
import { readBackAgrees } from '@pine/core/keyin'
import { readLength } from '@pine/core/length'
import { type Register } from '@pine/core/registers'
import {
  describeActiveLength,
  describeKeyMode,
  describeStale,
  stepName,
  typographic,
} from '@pine/core/words'
import type { NewFact } from '@pine/contract'
import type { StandingSetup } from '@/data/setups'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import { NextButton } from '../frame/next-button'
import { Mismatch } from './mismatch'
import { ReasonField } from '../prove/reason-field'
import { ReadBackEntry } from './read-back-entry'
import { RegisterPicture } from './register-picture'
import { canSpeak, speakNumber } from './speak'
import { lengthWriter } from '../frame/write-length'

export interface KeyInStepProps {
  readonly setupId: string
  readonly setup: StandingSetup
  readonly register: Register
  readonly enter: (fact: NewFact) => Promise<void>
  readonly onDone: () => void
  readonly onLater: () => void
  readonly onStep: (key: string) => void
  readonly onTrace: (title: string, chain: Chain) => void
}

/** One register: what to type, then what the control shows. A mismatch is explained. */
export function KeyInStep({
  setupId,
  setup,
  register,
  enter,
  onDone,
  onLater,
  onStep,
  onTrace,
}: KeyInStepProps) {
  const { document, solution, steps } = setup
  const { address, keyIn, chain, readBack } = register
  const { wide } = useMedia()
  const roles = useRoles()
  const [retyping, setRetyping] = useState(false)
  const name = registerName(address)
  // Its readings come first: the run leads there instead.
  if (keyIn === undefined || chain === undefined) return null
  const key = describeKeyMode(keyIn.mode)
  // The first reading that has to be taken again.
  const again = steps.find(({ step, done }) => step.does === 'read' && !done)
  const needsBefore = keyIn.type === undefined && keyIn.mode === 'add'
  const differs = readBack !== undefined && !readBack.equal && !retyping
  const sheet = (
    <Card padded gap="$1">
      <Row justifyContent="space-between" alignItems="baseline">
        <Words as="sentence" role="heading" aria-level={1}>
          {name}
        </Words>
        <Button
          kind="plain"
          onPress={() => onTrace(name, chain)}
          label={`where ${name} comes from`}
        >
          how it came
        </Button>
      </Row>
      {keyIn.type !== undefined ? (
        <>
          <Words>
            Type this, then the key that <Words strong>{key.does}</Words> ({key.not})
          </Words>
          {keyIn.insteadOf !== undefined && (
            <Words as="note">{describeKeyMode(keyIn.insteadOf).first}</Words>
          )}
          {keyIn.activeLength !== undefined && (
            <Words as="note" strong>
              {describeActiveLength(keyIn.activeLength)}
            </Words>
          )}
          {keyIn.copies !== undefined && (
            <Digits as="note">
              copied in, the row shows {typographic(keyIn.copies)} {keyIn.unit}; then
            </Digits>
          )}
          {keyIn.counter && (
            <Digits as="note">
              counter at the second face {typographic(keyIn.counter.full)}, halved{' '}
              {typographic(keyIn.counter.half)} {keyIn.unit}; drive to 0, then
            </Digits>
          )}
          <Row alignItems="baseline" gap="$2">
            <Digits as="reading" fontSize={46} lineHeight={54} testID="to-type">
              {typographic(keyIn.type)}
            </Digits>
            <Digits as="lead" tone="soft">
              {keyIn.unit}
            </Digits>
            {canSpeak() && (
              <Button
                kind="plain"
                label={`read ${name} out`}
                onPress={() => speakNumber(keyIn.type ?? keyIn.after, keyIn.unit)}
              >
                <Volume2 size={24} color={roles.act} aria-hidden />
              </Button>
            )}
          </Row>
        </>
      ) : (
        <Words as="lead">{key.first}</Words>
      )}
      {key.mind !== undefined && keyIn.type !== undefined && <Caution>{key.mind}</Caution>}
      {keyIn.before !== undefined && (
        <Digits as="note" tone="soft">
          {lengthWriter(solution)(keyIn.before)} → {typographic(keyIn.after)} {keyIn.unit}
        </Digits>
      )}
    </Card>
  )
  if (register.stale && register.accepted === undefined)
    return (
      <ScrollView
        flex={1}
        contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}
      >
        {sheet}
        <Card padded tone="wrong" role="alert" testID="stale">
          <Words as="title" tone="wrong">
            It no longer holds.
          </Words>
          <Words>{describeStale(register.stale)}.</Words>
        </Card>
        <Footing>
          {again && (
            <Button kind="act" onPress={() => onStep(again.step.key)}>
              Read again: {stepName(document, again.step)}
            </Button>
          )}
          <ReasonField
            offer="It is still good"
            question="How do you know that it is still good?"
            confirm="Accept it as it is"
            onReason={(reason) => {
              const accepts = register.stale && nameOfReason(register.stale)
              if (accepts !== undefined)
                void enter({ id: uuid(), kind: 'acceptance', body: { address, accepts, reason } })
            }}
          />
        </Footing>
      </ScrollView>
    )
  if (differs)
    return (
      <ScrollView
        flex={1}
        contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}
      >
        {sheet}
        <Mismatch register={register} setup={setup} />
        <Footing>
          <Button kind="act" focused onPress={() => setRetyping(true)} testID="keyed-again">
            I keyed it again
          </Button>
          <Button onPress={onLater}>Leave it open, go on</Button>
        </Footing>
      </ScrollView>
    )
  if ((register.state === 'keyed' || register.state === 'proven') && !retyping)
    return (
      <ScrollView
        flex={1}
        contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}
      >
        {sheet}
        <Card padded tone="read">
          <Words as="lead" strong>
            {register.state === 'proven' ? 'Read back equal, and proven.' : 'Read back equal.'}
          </Words>
          {register.accepted && (
            <Words as="note">
              accepted by {register.accepted.by.name}: {register.accepted.reason}
            </Words>
          )}
          <Digits as="number">
            {typographic(readBack?.shownText ?? '')} {readBack?.shownUnit}
          </Digits>
        </Card>
        <Footing>
          <Button onPress={() => setRetyping(true)}>Read it back again</Button>
          <NextButton onDone={onDone} />
        </Footing>
      </ScrollView>
    )
  return (
    <ReadBackEntry
      key={needsBefore ? 'before' : 'after'}
      draftKey={`read-back:${setupId}:${address}:${needsBefore ? 'before' : 'after'}`}
      label={needsBefore ? `What ${name} shows before you key` : 'What the control shows now'}
      unit={solution.unit}
      sheet={sheet}
      picture={<RegisterPicture setup={setup} address={address} />}
      onEntered={(shown) => {
        if (needsBefore) {
          void enter({ id: uuid(), kind: 'read-back', body: { address, moment: 'before', shown } })
          return
        }
        void enter({
          id: uuid(),
          kind: 'key-in',
          body: {
            address,
            mode: keyIn.mode,
            typed: { text: keyIn.type ?? keyIn.after, unit: keyIn.unit },
          },
        })
        void enter({ id: uuid(), kind: 'read-back', body: { address, moment: 'after', shown } })
        setRetyping(false)
        const read = readLength(shown)
        if (read.ok && readBackAgrees(keyIn, read.value, solution.decimals)) onDone()
      }}
    />
  )
}

/** What to do, at the lower edge where the thumb is. */
const Footing = styled(Column, {
  name: 'Footing',
  flexGrow: 1,
  justifyContent: 'flex-end',
  $wide: { flexGrow: 0 },
})

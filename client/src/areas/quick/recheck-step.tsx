import type { Register } from '@pine/core/registers'
import { registerName } from '@pine/core/address'
import { useMedia } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { ReadBackEntry } from '@/areas/run/key-in/read-back-entry'
import { RegisterPicture } from '@/areas/run/key-in/register-picture'
import type { StepProps } from '@/areas/run/frame/step-props'
import { recheckView } from './recheck-view'

interface RecheckStepProps extends Omit<StepProps, 'onDone'> {
  readonly register: Register
  readonly onStep: (key: string | undefined) => void
}

/** A tool that was measured again: what its row shows, how far that is from what was found, and whether it is kept. */
export function RecheckStep({ setupId, setup, register, enter, onStep }: RecheckStepProps) {
  const { wide } = useMedia()
  const view = recheckView(setup, register)
  if (view === undefined) return null
  const { address } = register
  const name = registerName(address)
  const sentence = (words: string) => (
    <Words as="sentence" role="heading" aria-level={1}>
      {words}
    </Words>
  )
  if (view.of === 'ask')
    return (
      <ReadBackEntry
        draftKey={`recheck:${setupId}:${address}`}
        label={view.label}
        unit={setup.solution.unit}
        sheet={sentence(`What does ${name} show now?`)}
        picture={<RegisterPicture setup={setup} address={address} />}
        short={undefined}
        wasKeyed={false}
        onEntered={(shown) => void enter(view.fact(shown))}
      />
    )
  const room = wide ? 24 : 12
  const enterAll = (facts: typeof view.correct) => {
    for (const fact of facts) void enter(fact)
    // Corrected, its row is keyed next; kept, the next tool is.
    onStep(undefined)
  }
  return (
    <Column flex={1} gap={0}>
      <Scroll label="measured again" flex={1} contentContainerStyle={{ padding: room, gap: 12 }}>
        {sentence(view.text)}
        <Words as="lead" tone={view.isWrong ? 'wrong' : 'ink'} testID="recheck-verdict">
          {view.look}
        </Words>
        <Card padded>
          {(
            [
              [`${name} holds`, view.holds],
              ['Found now', view.found],
            ] as const
          ).map(([label, number]) => (
            <Row key={label} justifyContent="space-between" alignItems="baseline">
              <Words>{label}</Words>
              <Digits as="number">{number}</Digits>
            </Row>
          ))}
        </Card>
        {view.isWrong && (
          <Caution>
            A corrected length is proven anew before it cuts. Everybody who works with this tool is
            told.
          </Caution>
        )}
      </Scroll>
      <Column padding={room} paddingTop={8} gap="$2">
        <Button onPress={() => onStep(view.again)} testID="recheck-again">
          Touch it again
        </Button>
        {view.keep !== undefined && (
          <Button onPress={() => enterAll(view.correct)} testID="recheck-correct">
            {`Correct ${name} all the same`}
          </Button>
        )}
        <Button
          kind="act"
          onPress={() => enterAll(view.keep ?? view.correct)}
          testID={view.keep === undefined ? 'recheck-correct' : 'recheck-keep'}
        >
          {view.keep === undefined ? `Correct ${name}` : `Keep ${view.holds}`}
        </Button>
      </Column>
    </Column>
  )
}

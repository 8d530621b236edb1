import { useDraft } from '@/data/drafts'
import type { Enter } from '@/data/said'
import type { StandingSetup } from '@/data/standing'
import { Button } from '@/kit/button'
import { Card, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Digits, Words } from '@/kit/words'
import { CheckFrame } from '../frame/check-frame'
import { rebaseView, type RebaseView } from './rebase-view'

/** Whether one more touch carries the other lengths over a plane that moved. */
export function useRebaseOffer(
  setupId: string,
  setup: StandingSetup,
): { readonly view: RebaseView | undefined; readonly decline: () => void } {
  const view = rebaseView(setup)
  const declined = useDraft(`rebase-declined:${setupId}`, '')
  return {
    view: declined.value === view?.answers ? undefined : view,
    decline: () => declined.set(view?.answers ?? ''),
  }
}

/** What the lengths become, before it is said. */
export function RebaseStep({
  view,
  enter,
  onDone,
  onDecline,
}: {
  readonly view: RebaseView
  readonly enter: Enter
  readonly onDone: () => void
  readonly onDecline: () => void
}) {
  const rebase = () => {
    for (const said of view.facts) void enter(said)
    onDone()
  }
  return (
    <CheckFrame
      words={{
        title: 'Re-base',
        sentence: view.sentence,
        points: [],
        caution: view.caution,
        done: view.says,
      }}
      foot={
        <Row>
          <Button onPress={onDecline} testID="touch-all">
            Touch all
          </Button>
          <Button kind="act" grow focused onPress={rebase} testID="rebase">
            {view.says}
          </Button>
        </Row>
      }
    >
      <Card overflow="hidden" role="list" aria-label="the numbers, and what they become">
        {view.lines.map(({ address, name, state, number }, index) => (
          <Line key={address} first={index === 0} role="listitem" gap="$3">
            <TrustMark state={state} size={26} />
            <Words as="lead" strong flex={1}>
              {name}
            </Words>
            <Digits as="lead">{number}</Digits>
          </Line>
        ))}
      </Card>
    </CheckFrame>
  )
}

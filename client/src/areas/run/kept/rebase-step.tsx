import { useDraft } from '@/data/device/drafts'
import type { LoadedSetup } from '@/data/setup/standing'
import { Card, Line } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Digits, Words } from '@/kit/words'
import { OfferFrame, type OfferProps } from './offer-frame'
import { rebaseView, type RebaseView } from './rebase-view'

/** Whether one more touch carries the other lengths over a plane that moved. */
export function useRebaseOffer(
  setupId: string,
  setup: LoadedSetup,
): { readonly view: RebaseView | undefined; readonly decline: () => void } {
  const view = rebaseView(setup)
  const declined = useDraft(`rebase-declined:${setupId}`, '')
  return {
    view: declined.value === view?.answers ? undefined : view,
    decline: () => declined.set(view?.answers ?? ''),
  }
}

/** What the lengths become, before it is said. */
export function RebaseStep({ view, ...offer }: OfferProps<RebaseView>) {
  return (
    <OfferFrame title="Re-base" testID="rebase" view={view} {...offer}>
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
    </OfferFrame>
  )
}

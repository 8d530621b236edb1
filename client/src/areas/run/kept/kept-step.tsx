import type { KeptAnswer } from '@pine/contract'
import { useDraft } from '@/data/device/drafts'
import type { LoadedSetup } from '@/data/setup/standing'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'
import { keptView, type KeptView } from './kept-view'
import { OfferFrame, type OfferProps } from './offer-frame'

/** Whether what still holds is to be offered: it is, until it was taken over or somebody rather touches all. */
export function useKeptOffer(
  setupId: string,
  setup: LoadedSetup,
  answer: KeptAnswer | undefined,
): { readonly view: KeptView | undefined; readonly decline: () => void } {
  const declined = useDraft(`kept-declined:${setupId}`, false)
  return {
    view: declined.value ? undefined : keptView(setup, answer),
    decline: () => declined.set(true),
  }
}

/** Before the first tool is touched: which need not be, and why. */
export function KeptStep({ view, ...offer }: OfferProps<KeptView>) {
  return (
    <OfferFrame title="What still holds" testID="take-over" view={view} {...offer}>
      {view.from !== undefined && <Words testID="kept-from">{view.from}</Words>}
      {view.saves !== undefined && (
        <Words as="note" testID="kept-saves">
          {view.saves}
        </Words>
      )}
      <Card overflow="hidden" role="list" aria-label="the tools, and what is done with each">
        {view.lines.map(({ key, name, words, mark, does }, index) => (
          <Line
            key={key}
            first={index === 0}
            role="listitem"
            gap="$3"
            paddingVertical="$1"
            testID={`kept-${key}`}
          >
            <TrustMark state={mark} size={26} />
            <Column gap={0} flex={1} minWidth={0}>
              <Row justifyContent="space-between" gap="$2">
                <Words as="lead" strong flexShrink={1}>
                  {name}
                </Words>
                <Words as="note" strong tone={does === 'reused' ? 'read' : 'caution'}>
                  {does}
                </Words>
              </Row>
              {words !== undefined && <Words as="note">{words}</Words>}
            </Column>
          </Line>
        ))}
      </Card>
    </OfferFrame>
  )
}

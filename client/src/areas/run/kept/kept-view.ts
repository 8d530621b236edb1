import type { KeptAnswer } from '@pine/contract'
import type { ReadingBody } from '@pine/core/facts'
import { standingReadings } from '@pine/core/freshness'
import type { StepState } from '@pine/core/plan'
import type { TrustState } from '@pine/core/registers'
import { describeSaved, KEPT_CAUTION } from '@pine/core/words'
import { sendable } from '@/data/server/api'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'

/** What still holds of earlier set-ups, offered before the first tool is touched. */
export interface KeptView {
  readonly sentence: string
  /** Where all of it comes from, where that is one place. */
  readonly from: string | undefined
  readonly lines: readonly {
    readonly key: string
    readonly name: string
    /** Why; undefined where one sentence says it of all. */
    readonly words: string | undefined
    readonly mark: TrustState
    /** What is done with it, in a word. */
    readonly does: 'reused' | 'to check' | 'to touch'
  }[]
  /** What it saves, where the machine's log tells how long a touch takes. */
  readonly saves: string | undefined
  readonly caution: string
  /** What pressing the button says, and what it enters. */
  readonly text: string
  readonly facts: readonly FactDraft[]
}

/** Whether a step is one that may be answered by what was measured before. */
export const asksForKept = ({ step, done }: StepState): boolean =>
  !done &&
  step.does === 'read' &&
  (step.quantity.of === 'tip-on-plane' || step.quantity.of === 'nose-on-plane')

/** Undefined where nothing is offered, or all of it has been entered or read here meanwhile. */
export function keptView(
  { document }: Pick<LoadedSetup, 'document'>,
  answer: KeptAnswer | undefined,
): KeptView | undefined {
  const generations = (answer?.generations ?? []).map((readings) =>
    readings.filter((reading) => standingReadings(document, reading as ReadingBody).length === 0),
  )
  const readings = generations.flat()
  const kept = new Set(
    readings.flatMap((reading) =>
      reading.of === 'tip-on-plane' ? [(reading as { readonly tool: number }).tool] : [],
    ),
  )
  if (answer === undefined || kept.size === 0) return undefined
  const froms = new Set(
    answer.tools.flatMap(({ take, from: one }) => (take === 'as-it-was' && one ? [one] : [])),
  )
  const [from] = froms.size === 1 ? froms : []
  const lines = answer.tools
    .filter(
      ({ tool, take }) =>
        take === 'nothing' ||
        kept.has(tool) ||
        standingReadings(document, { of: 'tip-on-plane', tool }).length === 0,
    )
    .map(({ tool, take, check, words }) => {
      const does = take === 'nothing' ? 'to touch' : check ? 'to check' : 'reused'
      return {
        key: `T${tool}`,
        name: `T${tool} ${document.sheet.tools.find(({ number }) => number === tool)?.name ?? ''}`,
        words: take === 'as-it-was' && from !== undefined ? undefined : words,
        mark: does === 'reused' ? ('read' as const) : ('not-read' as const),
        does: does as KeptView['lines'][number]['does'],
      }
    })
  const nose: KeptView['lines'] = readings.some(({ of }) => of === 'nose-on-plane')
    ? [
        {
          key: 'nose',
          name: 'Bare nose on the plane',
          words: undefined,
          mark: 'read',
          does: 'reused',
        },
      ]
    : []
  const movedSince = generations.slice(0, -1)
  const taken = lines.filter(({ does }) => does === 'reused').length
  const touched = lines.length - taken + movedSince.filter((earlier) => earlier.length > 0).length
  return {
    sentence:
      taken === 1
        ? 'One length is still good from an earlier set-up.'
        : `${taken} lengths are still good from earlier set-ups.`,
    from: from === undefined ? undefined : `${from.charAt(0).toUpperCase()}${from.slice(1)}.`,
    lines: [...nose, ...lines],
    saves: answer.minutes && describeSaved(answer.minutes, touched, lines.length),
    caution: KEPT_CAUTION,
    text: `Reuse ${taken} ${taken === 1 ? 'length' : 'lengths'}, touch ${touched}`,
    facts: [...movedSince, generations.at(-1) ?? []].flatMap((touches, index) => [
      ...touches.map((body): FactDraft => ({ kind: 'reading', body: sendable(body) as never })),
      ...(index < movedSince.length
        ? [{ kind: 'event', body: { kind: 'plane-moved' } } as FactDraft]
        : []),
    ]),
  }
}

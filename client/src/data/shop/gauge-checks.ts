import { useMemo } from 'react'
import useSWR, { mutate } from 'swr'
import {
  gaugeHistorySchema,
  gaugeStandingsSchema,
  gaugeUsesSchema,
  suspectSetupsSchema,
  type GaugeHistory,
} from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { api, ask, sendable } from '../server/api'
import type { GaugeCheckFact } from '@pine/core/shop'
import { isOfStream, type OutboxEntry } from '../outbox/outbox-entry'
import { useOutbox } from '../outbox/outbox-store'
import { saveText } from '../device/save-text'
import { useSession } from '../server/session'
import { enterOutside } from './enter-outside'
import { checksKey } from './shown-outside'

/** How each gauge that is watched stands now, by its id. */
export function useGaugeStandings() {
  const { data } = useSWR('gauge-standings', () =>
    ask(api.gauges.standings.$get(), gaugeStandingsSchema),
  )
  return { standings: data }
}

/** The checks of a gauge, and the set-ups that they make suspect. */
export function useGaugeChecks(id: string) {
  const { person } = useSession()
  const { data, error } = useSWR(checksKey(id), () =>
    ask(api.gauges[':id'].checks.$get({ param: { id } }), gaugeHistorySchema),
  )
  const outbox = useOutbox()
  const { data: suspect } = useSWR(`gauge-checks:${id}:suspect`, () =>
    ask(api.gauges[':id'].suspect.$get({ param: { id } }), suspectSetupsSchema),
  )
  const { data: used } = useSWR(`gauge-checks:${id}:used`, () =>
    ask(api.gauges[':id'].used.$get({ param: { id } }), gaugeUsesSchema),
  )
  return {
    used,
    history: useMemo(() => data && withWaitingChecks(data, outbox), [data, outbox]),
    suspect,
    error: error as unknown,
    /** What its checks are held to was changed: all of it is asked for anew. */
    async again() {
      await Promise.all(
        [`gauge-checks:${id}`, `gauge-checks:${id}:suspect`, 'gauge-standings'].map((key) =>
          mutate(key),
        ),
      )
    },
    /** Tells the open ones among the suspect set-ups that it failed its check. */
    async declareSuspects() {
      const json = sendable({ id: uuid() })
      const answer = await ask(
        api.gauges[':id'].suspect.$post({ param: { id }, json }),
        suspectSetupsSchema,
      )
      await mutate(`gauge-checks:${id}:suspect`, answer, { revalidate: false })
    },
    /** Enters a check: kept here at once, sent as soon as the server answers. */
    add: (check: GaugeCheckFact): Promise<unknown> =>
      enterOutside({ kind: 'gauge', id }, { kind: 'gauge-check', body: check }, person),
  }
}

/** The checks of a gauge with those that were entered here and are still on their way. */
export function withWaitingChecks(
  history: GaugeHistory,
  outbox: readonly OutboxEntry[],
): GaugeHistory {
  const known = new Set(history.checks.map(({ id }) => id))
  const waiting = outbox
    .filter(isOfStream('gauge', history.gauge.id))
    .filter(({ fact, refused }) => refused === undefined && !known.has(fact.id))
    .flatMap(({ fact, by, at }) =>
      fact.kind === 'gauge-check'
        ? [{ id: fact.id, at, by: typeof by === 'string' ? by : by.name, ...fact.body }]
        : [],
    )
  return { ...history, checks: [...history.checks, ...waiting] }
}

/** When the gauges that are watched are to be checked, as a calendar for whatever keeps one. */
export async function saveDueDates(): Promise<void> {
  const answer = await api.gauges['due.ics'].$get()
  if (!answer.ok) throw new Error(`the calendar was refused: ${answer.status}`)
  saveText('checks-of-gauges.ics', await answer.text(), 'text/calendar')
}

import useSWR, { mutate } from 'swr'
import {
  gaugeHistorySchema,
  gaugeStandingsSchema,
  suspectSetupsSchema,
  type NewGaugeCheck,
} from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { api, ask, sendable } from './api'
import { saveText } from './save-text'

/** How each gauge that is watched stands now, by its id. */
export function useGaugeStandings() {
  const { data } = useSWR('gauge-standings', () =>
    ask(api.gauges.standings.$get(), gaugeStandingsSchema),
  )
  return { standings: data }
}

/** The checks of a gauge, and the set-ups that they make suspect. */
export function useGaugeChecks(id: string) {
  const { data, error } = useSWR(`gauge-checks:${id}`, () =>
    ask(api.gauges[':id'].checks.$get({ param: { id } }), gaugeHistorySchema),
  )
  const { data: suspect } = useSWR(`gauge-checks:${id}:suspect`, () =>
    ask(api.gauges[':id'].suspect.$get({ param: { id } }), suspectSetupsSchema),
  )
  return {
    history: data,
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
    async tell() {
      const json = sendable({ id: uuid() })
      const told = await ask(
        api.gauges[':id'].suspect.$post({ param: { id }, json }),
        suspectSetupsSchema,
      )
      await mutate(`gauge-checks:${id}:suspect`, told, { revalidate: false })
    },
    async add(check: Omit<NewGaugeCheck, 'id'>) {
      const json = sendable({ id: uuid(), ...check })
      const history = await ask(
        api.gauges[':id'].checks.$post({ param: { id }, json }),
        gaugeHistorySchema,
      )
      await Promise.all([
        mutate(`gauge-checks:${id}`, history, { revalidate: false }),
        mutate(`gauge-checks:${id}:suspect`),
        mutate('gauge-standings'),
      ])
    },
  }
}

/** When the gauges that are watched are to be checked, as a calendar for whatever keeps one. */
export async function saveDueDates(): Promise<void> {
  const answer = await api.gauges['due.ics'].$get()
  if (!answer.ok) throw new Error(`the calendar was refused: ${answer.status}`)
  saveText('checks-of-gauges.ics', await answer.text(), 'text/calendar')
}

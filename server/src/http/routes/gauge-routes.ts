import { Hono } from 'hono'
import {
  gaugeHistorySchema,
  gaugeStandingsSchema,
  gaugeUsesSchema,
  shopGaugeSchema,
  suspectSetupsSchema,
  tellSuspectSchema,
} from '@pine/contract'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { dueDates } from '../../use-cases/due-dates'
import {
  gaugeHistory,
  gaugeStandings,
  setupsUsing,
  suspectSetups,
  tellSuspects,
} from '../../use-cases/gauge-checks'
import type { Setups } from '../../use-cases/setups/setups'
import { gaugesOf } from '../../use-cases/shop'
import { body } from '../body'
import { describes } from './describes'
import { reply } from '../reply'
import { z } from 'zod'
import type { Signed } from '../door/session'

/** Gauges over time: their checks, what is due, what is suspect. */
export const gaugeRoutes = (store: Store, clock: Clock, setups: Setups) =>
  new Hono<Signed>()
    .get('/gauges', describes('Gauges of the shop', z.array(shopGaugeSchema)), async (c) =>
      c.json(await gaugesOf(store)),
    )
    .get(
      '/gauges/standings',
      describes('How each gauge that is watched stands', gaugeStandingsSchema),
      async (c) => c.json(await gaugeStandings(store, clock)),
    )
    .get(
      '/gauges/due.ics',
      describes('When gauges are to be checked, as a calendar', 'text/calendar'),
      async (c) => {
        const [standings, gauges] = [await gaugeStandings(store, clock), await gaugesOf(store)]
        return c.body(dueDates(standings, gauges), 200, {
          'Content-Type': 'text/calendar; charset=utf-8',
          'Content-Disposition': 'attachment; filename="checks-of-gauges.ics"',
        })
      },
    )
    .get(
      '/gauges/:id/checks',
      describes('A gauge with its checks', gaugeHistorySchema),
      async (c) => reply(c, await gaugeHistory(store, c.req.param('id'))),
    )
    .post(
      '/gauges/:id/suspect',
      describes('Report a failed gauge to the set-ups that used it', suspectSetupsSchema, 201),
      body(tellSuspectSchema),
      async (c) => {
        const { person } = c.var
        const { id } = c.req.valid('json')
        return reply(
          c,
          await tellSuspects({ store, clock, setups }, person, c.req.param('id'), id),
          201,
        )
      },
    )
    .get(
      '/gauges/:id/used',
      describes('Set-ups that were measured with a gauge', gaugeUsesSchema),
      async (c) => reply(c, await setupsUsing(store, c.req.param('id'))),
    )
    .get(
      '/gauges/:id/suspect',
      describes('Set-ups measured with a gauge since its last good check', suspectSetupsSchema),
      async (c) => reply(c, await suspectSetups(store, clock, c.req.param('id'))),
    )

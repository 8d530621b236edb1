import { Hono } from 'hono'
import { newGaugeCheckSchema, tellSuspectSchema } from '@pine/contract'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { dueDates } from '../use-cases/due-dates'
import {
  addCheck,
  gaugeHistory,
  gaugeStandings,
  setupsUsing,
  suspectSetups,
  tellSuspects,
} from '../use-cases/gauge-checks'
import type { Setups } from '../use-cases/setups'
import { gaugesOf } from '../use-cases/shop'
import { besideFactSchema } from './beside-fact'
import { body, query } from './body'
import { replyRefusal } from './reply'
import type { Signed } from './session'

/** Gauges over time: their checks, what is due, what is suspect. */
export const gaugeCheckRoutes = (store: Store, clock: Clock, setups: Setups) =>
  new Hono<Signed>()
    .get('/gauges/standings', async (c) => c.json(await gaugeStandings(store, clock)))
    .get('/gauges/due.ics', async (c) => {
      const [standings, gauges] = [await gaugeStandings(store, clock), await gaugesOf(store)]
      return c.body(dueDates(standings, gauges), 200, {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'attachment; filename="checks-of-gauges.ics"',
      })
    })
    .get('/gauges/:id/checks', async (c) => {
      const history = await gaugeHistory(store, c.req.param('id'))
      return history.ok ? c.json(history.value) : replyRefusal(c, history.refusal)
    })
    .post('/gauges/:id/checks', query(besideFactSchema), body(newGaugeCheckSchema), async (c) => {
      const { person } = c.var
      const id = c.req.param('id')
      const check = c.req.valid('json')
      const added = await addCheck(store, clock, person, id, check, c.req.valid('query'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
    .post('/gauges/:id/suspect', body(tellSuspectSchema), async (c) => {
      const { person } = c.var
      const { id } = c.req.valid('json')
      const told = await tellSuspects({ store, clock, setups }, person, c.req.param('id'), id)
      return told.ok ? c.json(told.value, 201) : replyRefusal(c, told.refusal)
    })
    .get('/gauges/:id/used', async (c) => {
      const used = await setupsUsing(store, c.req.param('id'))
      return used.ok ? c.json(used.value) : replyRefusal(c, used.refusal)
    })
    .get('/gauges/:id/suspect', async (c) => {
      const suspect = await suspectSetups(store, clock, c.req.param('id'))
      return suspect.ok ? c.json(suspect.value) : replyRefusal(c, suspect.refusal)
    })

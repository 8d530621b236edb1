import { Hono } from 'hono'
import {
  factsAnswerSchema,
  gaugeHistorySchema,
  NEW_FACTS,
  newGaugeCheckSchema,
  newSetupSchema,
  setupAnswerSchema,
} from '@pine/contract'
import type { Store } from '../../store/store'
import { gaugeHistory } from '../../use-cases/gauge-checks'
import type { Setups } from '../../use-cases/setups/setups'
import type { Streams } from '../../use-cases/facts/stream-facts'
import { factMetadataSchema } from '../fact-metadata'
import { body, query } from '../body'
import { describes } from './describes'
import { reply } from '../reply'
import type { Signed } from '../door/session'

/**
 * How facts came in before there was one way for all of them. A page that was open while the server was renewed sends what waits on
 * its device so, and would have it refused.
 */
export const earlierRoutes = (streams: Streams, setups: Setups, store: Store) =>
  new Hono<Signed>()
    .post(
      '/setups',
      describes('Earlier: begin a set-up', setupAnswerSchema, 201),
      query(factMetadataSchema),
      body(newSetupSchema),
      async (c) => {
        const { id, sheetFactId, sheet } = c.req.valid('json')
        const fact = { id: sheetFactId, kind: 'sheet', body: sheet } as const
        const stream = { kind: 'setup', id } as const
        const begun = await streams.append(c.var.person, stream, fact, c.req.valid('query'))
        return reply(c, begun.ok ? await setups.open(id) : begun, 201)
      },
    )
    .post(
      '/setups/:id/facts',
      describes('Earlier: append a fact to a set-up', factsAnswerSchema, 201),
      query(factMetadataSchema),
      body(NEW_FACTS.setup),
      async (c) => {
        const stream = { kind: 'setup', id: c.req.param('id') } as const
        const { person } = c.var
        const added = streams.append(person, stream, c.req.valid('json'), c.req.valid('query'))
        return reply(c, await added, 201)
      },
    )
    .post(
      '/gauges/:id/checks',
      describes('Earlier: record a check of a gauge', gaugeHistorySchema, 201),
      query(factMetadataSchema),
      body(newGaugeCheckSchema),
      async (c) => {
        const { id, ...check } = c.req.valid('json')
        const stream = { kind: 'gauge', id: c.req.param('id') } as const
        const fact = { id, kind: 'gauge-check', body: check } as const
        const added = await streams.append(c.var.person, stream, fact, c.req.valid('query'))
        return reply(c, added.ok ? await gaugeHistory(store, stream.id) : added, 201)
      },
    )
